import { CAUTIONS } from '../cautions.ts';
import { rest } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';

/** Takes the sheet apart. */
export const filmCut: Practice = {
  id: 'cut',
  station: 'cutting',
  applies: () => true,
  plan: ({ pieces }) => ({
    title: 'Cut the transfers apart',
    per: 'batch',
    handsS: 20 + 8 * pieces,
    checks: [
      'One transfer for each piece on the ticket, spares counted',
      'Registration strips trimmed off',
      'Dry, flat, glue side covered',
    ],
    look: 'Square cuts 5 mm outside the print.',
    cautions: [CAUTIONS.blade],
    phases: [rest('cut', 20 + 8 * Math.min(pieces, 5), true)],
  }),
};

/** Puts transfers on the shelf so that they still work in a month. */
export const filmStore: Practice = {
  id: 'store',
  station: 'storage',
  applies: ({ house }) => house.filmUse === 'stock',
  plan: ({ pieces }) => ({
    title: 'Date and shelve the transfers',
    per: 'batch',
    handsS: 30 + 2 * pieces,
    checks: [
      'Cool before they are stacked',
      'Paper between, flat, dry, dark',
      'Date, art and count on the packet',
    ],
    look: 'Flat packet, closed against damp air.',
    phases: [rest('shelve', 30, true)],
  }),
};
