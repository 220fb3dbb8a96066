import { say } from '../../words/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { transferOrigin } from '../equip.ts';
import { byHand, on } from '../practiceParts.ts';
import type { OperationDraft, Practice } from '../practice.ts';
import { isOnFront } from '../sources/judge.ts';
import { transferSourceOf } from '../transferSource.ts';
import { isIroned, isPressedNow } from './transferPress.ts';

/** The pull a transfer is made for, unless this shop pulls all alike. What came with a transfer stands above the house. */
export function pullOf(input: PrintInput): 'slow' | 'fast' {
  const { pull } = transferSourceOf(input);
  const { filmPull } = input.house;
  return filmPull === 'as-film' || transferOrigin(input) !== 'here' ? pull : filmPull;
}

/** As the film is made for; what an iron has only touched comes off cold. */
const peelOf = (input: PrintInput): 'hot' | 'warm' | 'cold' =>
  isIroned(input) ? 'cold' : transferSourceOf(input).peel;

function peelOff(input: PrintInput): OperationDraft {
  const { coolingTable } = input.equipment;
  const peel = peelOf(input);
  return {
    title: `Peel ${peel}`,
    unit: 'piece',
    ...(peel === 'cold' && coolingTable ? { on: on('cooling-table', coolingTable) } : {}),
    phases: [byHand('peel', 8)],
    checks: [
      say('check.pull', { pull: pullOf(input) }),
      say('check.resists'),
      ...(isOnFront(input) ? [say('check.rub-down')] : []),
    ],
    look: say('look.peeled'),
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
  plan: peelOff,
};
