import { UNCALIBRATED_SPREAD } from '../heat/index.ts';
import type { BondRefusal, Calibrated } from '../heat/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { PressureRefusal } from './pressureTable.ts';

/** Why a press's marks give no table. */
export function pressureRefused(refused: PressureRefusal): Said {
  if (refused.why !== 'falls') return say(`press.${refused.why}`, { mark: refused.mark });
  const { mark, next, kPa, nextKPa } = refused;
  return say('press.falls', { mark, next, kPa, nextKPa });
}

/** What a calibration found, and what of it is not taken: a sentence each. */
export function calibrationSaid({ contact, bond, recipes, spread }: Calibrated): {
  found: Said[];
  refused: Said[];
} {
  const found: Said[] = [];
  const refused: Said[] = [];
  if (contact?.ok === true) {
    const { factor, within } = contact.fit;
    found.push(say('calibration.contacts', { factor, within }));
  }
  if (contact?.ok === false) refused.push(say(`calibration.${contact.why}`));
  if (bond?.ok === true) found.push(say('calibration.bond', bond.bounds));
  if (bond?.ok === false) refused.push(bondRefused(bond));
  if (bond === null && recipes.length > 0) refused.push(say('calibration.no-glue'));
  if (found.length === 0 && refused.length === 0) refused.push(say('calibration.nothing'));
  if (found.length > 0) found.push(say('calibration.worth', { spread, before: UNCALIBRATED_SPREAD }));
  return { found, refused };
}

function bondRefused(refused: BondRefusal): Said {
  if (refused.why === 'contradictory')
    return say('calibration.contradictory', { good: refused.good, bad: refused.bad });
  return say('calibration.beyond', { value: refused.value, held: refused.held });
}
