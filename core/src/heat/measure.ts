import type { ProbeName } from './harms.ts';
import type { OperationHeat } from './heatOperation.ts';
import { HEAT_DOSES, doseName, isWanted } from './kinetics.ts';
import type { HeatDose } from './kinetics.ts';

/** What an operation is done for, in the order it is looked for. */
const AIMS: readonly (readonly [HeatDose, ProbeName])[] = [
  ['bond', 'patch-glue'],
  ['bond', 'glue'],
  ['melt', 'powder'],
  ['cure', 'ink'],
];
/** Touch-dry: less water than that left in the cloth, g/m² (trade range 10–20). */
export const DRY_GM2 = 15;

/** How far an operation has come in what it is for: a dose, or water that is still in. */
export type Measure =
  { kind: 'dose'; dose: HeatDose; at: ProbeName; value: number } | { kind: 'water'; value: number };

/** @returns `null` for heat that is not for any of these, as a pre-press of dry cloth */
export function measureOf({ doses, water }: OperationHeat): Measure | null {
  const aim = AIMS.find(([dose, at]) => doseName(dose, at) in doses);
  if (aim) {
    const [dose, at] = aim;
    return { kind: 'dose', dose, at, value: doses[doseName(dose, at)] };
  }
  return water === null ? null : { kind: 'water', value: water.afterGM2 };
}

/** Done with a margin: a dose of so much, or water below touch-dry divided by it. */
export const isDone = (measure: Measure, margin: number): boolean =>
  measure.kind === 'dose' ? measure.value >= margin : measure.value <= DRY_GM2 / margin;

/** The harms an operation does, each as a share of its limit, worst first. */
export function harmsDone({ doses }: OperationHeat): { dose: HeatDose; value: number }[] {
  return HEAT_DOSES.filter((dose) => !isWanted(dose))
    .flatMap((dose) => {
      const at = dose === 'stiffener' ? 'stiffener' : 'face';
      const value = doses[doseName(dose, at)];
      return value === undefined ? [] : [{ dose, value }];
    })
    .sort((p, q) => q.value - p.value);
}
