import { CAUTIONS } from '../cautions.ts';
import { rest } from '../practice.ts';
import type { Practice } from '../practice.ts';

/** Takes the sheet apart. */
export const dtfCut: Practice = {
  id: 'cut',
  station: 'cutting',
  applies: () => true,
  plan: ({ pieces }) => ({
    title: 'Cut the transfers apart',
    per: 'batch',
    handsS: 20 + 8 * pieces,
    checks: ['One transfer for each piece on the ticket, spares counted', 'Dry, flat, glue side covered'],
    look: 'Square cuts 5 mm outside the print.',
    cautions: [CAUTIONS.blade],
    phases: [rest('cut', 20 + 8 * Math.min(pieces, 5), true)],
  }),
};
