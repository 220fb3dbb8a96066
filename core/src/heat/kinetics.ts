import type { Dose } from '../conduction/index.ts';
import type { HeatParameters } from './parameters.ts';

/** What heat does: the first three are wanted, the others are harm. */
export const HEAT_DOSES = ['bond', 'cure', 'melt', 'dye', 'scorch', 'shine', 'stiffener'] as const;
export type HeatDose = (typeof HEAT_DOSES)[number];
/** At 1 these are done; at 1 the others are at their limit. */
const WANTED: readonly HeatDose[] = ['bond', 'cure', 'melt'];
export const isWanted = (dose: HeatDose): boolean => WANTED.includes(dose);

export type Harm = Exclude<HeatDose, 'bond' | 'cure' | 'melt'>;
/** A dose that is not wanted, as one. @throws RangeError for one that is */
export function asHarm(dose: HeatDose): Harm {
  if (dose === 'bond' || dose === 'cure' || dose === 'melt') throw new RangeError(`${dose} is no harm`);
  return dose;
}

/** Reference temperature, gate, and how pressure counts: see docs/heat.md for the source of each. */
const FORMS: Record<HeatDose, Pick<Dose, 'refC' | 'gateC' | 'pressure'>> = {
  bond: { refC: 130, gateC: 105, pressure: { exponent: 1, refKPa: 35 } },
  cure: { refC: 160, gateC: null, pressure: null },
  melt: { refC: 120, gateC: 105, pressure: null },
  dye: { refC: 140, gateC: null, pressure: null },
  scorch: { refC: 200, gateC: null, pressure: null },
  shine: { refC: 150, gateC: null, pressure: { exponent: 0.5, refKPa: 35 } },
  stiffener: { refC: 130, gateC: 95, pressure: null },
};

/** Below it glue does not wet, °C. */
export const GLUE_GATE_C = 105;

/** Name of a dose at a probe in a problem. */
export const doseName = (dose: HeatDose, probe: string): string => `${dose}@${probe}`;

/** A dose as the solver takes it, counted at a probe. */
export const doseAt = (dose: HeatDose, probe: string, parameters: HeatParameters): Dose => ({
  name: doseName(dose, probe),
  probe,
  ...FORMS[dose],
  activationJMol: parameters[`${dose}-activation`],
  refS: parameters[`${dose}-seconds`],
});
