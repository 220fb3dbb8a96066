import { isCap, isCloth } from '../../blank/index.ts';
import { dropFrom } from '../../placement/index.ts';
import { say } from '../../words/index.ts';
import type { Said } from '../../words/index.ts';
import type { PrintInput } from '../documents.ts';
import { placementOf } from '../placing.ts';
import { byHand } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';

/** Finds the middle of a garment without a mark: a crease pressed in. */
export const creaseMiddle: Practice = {
  id: 'centre',
  shared: 'garment',
  role: 'mark',
  part: 'blank',
  station: 'preparation',
  applies: ({ garment, house }) => isCloth(garment) && house.centring === 'crease',

  plan: ({ garment, placement }) => ({
    title: 'Crease the middle',
    unit: 'piece',
    phases: [byHand('crease', 12)],
    checks: [
      say(dropFrom(placement.key, garment.kind) === 'collar' ? 'check.folded-middle' : 'check.folded-edges'),
      say('check.light-crease'),
    ],
    look: say('look.faint-line'),
  }),
};

/** How the middle is found where a print is laid on or loaded. */
export function centreCheck(input: PrintInput): Said[] {
  if (isCap(input.garment)) return input.house.centring === 'template' ? [say('check.centre-template')] : [];
  switch (input.house.centring) {
    case 'crease':
      return [say('check.centre-crease')];
    case 'template':
      return [say('check.centre-template')];
    case 'platen':
      return [say('check.centre-platen', { leftMm: placementOf(input).sizes[0]?.platenLeftMm ?? null })];
    default:
      return [say('check.centre-ruler')];
  }
}
