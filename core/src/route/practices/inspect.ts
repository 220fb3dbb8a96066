import { rest } from '../practice.ts';
import type { Practice } from '../practice.ts';

/** The last look at each piece. */
export const inspect: Practice = {
  id: 'inspect',
  station: 'inspection',
  applies: () => true,
  plan: ({ process }) => ({
    title: 'Inspect the piece',
    per: 'piece',
    handsS: 20,
    checks: [
      'Placement against the ticket',
      'Edges flat, no specks, no lines from missing nozzles',
      process === 'dtf'
        ? 'Stretch it a little: no cracks, no lifting'
        : 'Back of the garment: no ink through',
    ],
    look: 'Solid colour, clean edge, nothing on the back.',
    isInspection: true,
    phases: [rest('inspect', 20, true)],
  }),
};
