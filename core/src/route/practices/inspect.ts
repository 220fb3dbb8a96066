import { isCap } from '../../blank/index.ts';
import { say } from '../../words/index.ts';
import type { Said } from '../../words/index.ts';
import { byHand } from '../practiceParts.ts';
import type { PrintInput } from '../documents.ts';
import type { Practice } from '../practice.ts';

/** Transfers made for the shelf touch no garment. */
export const isForShelf = ({ process, house }: Pick<PrintInput, 'process' | 'house'>): boolean =>
  process !== 'dtg' && house.filmUse === 'stock';

/** The last look at each piece. */
export const inspect: Practice = {
  id: 'inspect',
  shared: 'garment',
  role: 'inspect',
  part: (input) => (isForShelf(input) ? 'transfer' : 'blank'),
  station: 'inspection',
  applies: () => true,
  plan: (input) => {
    const isShelf = isForShelf(input);
    return {
      title: isShelf ? 'Inspect the transfer' : 'Inspect the piece',
      unit: 'piece',
      phases: [byHand('inspect', isShelf ? 10 : 20)],
      checks: isShelf
        ? [say('check.white-whole'), say('check.no-stray-powder'), say('check.glue-clear')]
        : [say('check.placement'), say('check.edges-flat'), trial(input)],
      look: say(isShelf ? 'look.transfer' : 'look.piece'),
    };
  },
};

/** What is tried of a finished piece: knits are stretched, cloth that does not give is bent. */
function trial({ process, garment }: PrintInput): Said {
  if (process === 'dtg') return say('check.no-ink-through');
  if (process === 'patch-cap') return say('check.no-glue-rim');
  return say(isCap(garment) || garment.construction === 'woven' ? 'check.bend' : 'check.stretch');
}
