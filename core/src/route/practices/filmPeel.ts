import { isCap } from '../../blank/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { filmFor } from '../equip.ts';
import { byHand, on } from '../practiceParts.ts';
import type { OperationDraft, Practice } from '../practice.ts';
import { isPressedNow } from './filmPress.ts';

/** Takes a transfer's film off. */
export function peelOff(
  input: PrintInput,
  peel: 'hot' | 'warm' | 'cold',
  pull: 'slow' | 'fast',
): OperationDraft {
  const { coolingTable } = input.equipment;
  return {
    title: `Peel ${peel}`,
    unit: 'piece',
    ...(peel === 'cold' && coolingTable ? { on: on('cooling-table', coolingTable) } : {}),
    phases: [byHand('peel', 8)],
    checks: [
      pull === 'fast' ? 'One fast pull, low angle' : 'Slow and steady, low angle',
      'It resists? Stop: still too warm, or pressed too short',
      ...(isCap(input.garment) ? ['Rub down with a cloth before peeling'] : []),
    ],
    look: 'Film comes off clean, nothing left on it.',
    cautions: peel === 'hot' ? [CAUTIONS.hotFilm] : [],
  };
}

/** Takes the film off. */
export const filmPeel: Practice = {
  id: 'peel',
  role: 'peel',
  part: ({ process }) => (process === 'patch-cap' ? 'patch' : 'blank'),
  station: 'cooling',
  applies: isPressedNow,
  plan: (input) => {
    const film = filmFor(input);
    const { filmPull } = input.house;
    return peelOff(input, film.peel, filmPull === 'as-film' ? film.pull : filmPull);
  },
};
