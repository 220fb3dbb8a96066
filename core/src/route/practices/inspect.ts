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
    const { process } = input;
    const isShelf = isForShelf(input);
    return {
      title: isShelf ? 'Inspect the transfer' : 'Inspect the piece',
      unit: 'piece',
      phases: [byHand('inspect', isShelf ? 10 : 20)],
      checks: isShelf
        ? ['Nothing missing in the white', 'No powder on bare film', 'Glue clear and dry all over']
        : [
            'Placement against the ticket',
            'Edges flat, no specks, no lines from missing nozzles',
            process === 'dtg'
              ? 'Back of the garment: no ink through'
              : 'Stretch it a little: no cracks, no lifting',
          ],
      look: isShelf
        ? 'Colour through the film without holes, dry to the touch.'
        : 'Solid colour, clean edge, nothing on the back.',
    };
  },
};
