import { rest } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';

/** The last look at each piece. */
export const inspect: Practice = {
  id: 'inspect',
  station: 'inspection',
  applies: () => true,
  plan: ({ process, house }) => {
    const isShelf = process !== 'dtg' && house.filmUse === 'stock';
    return {
      title: isShelf ? 'Inspect the transfer' : 'Inspect the piece',
      per: 'piece',
      handsS: isShelf ? 10 : 20,
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
      isInspection: true,
      phases: [rest('inspect', isShelf ? 10 : 20, true)],
    };
  },
};
