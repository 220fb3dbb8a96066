import { CAUTIONS } from '../cautions.ts';
import { filmSheets } from '../filmSheets.ts';
import { byHand } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';

/** Takes the sheet apart. */
export const filmCut: Practice = {
  id: 'cut',
  role: 'cut',
  part: 'transfer',
  station: 'cutting',
  applies: () => true,
  plan: (input) => ({
    title: 'Cut the transfers apart',
    unit: 'sheet',
    size: filmSheets(input).perSheet,
    phases: [byHand('cut', 5, { eachS: 8 })],
    checks: [
      'One transfer for each piece on the ticket, spares counted',
      'Registration strips trimmed off',
      'Dry, flat, glue side covered',
    ],
    look: 'Square cuts 5 mm outside the print.',
    cautions: [CAUTIONS.blade],
  }),
};

/** Puts transfers on the shelf so that they still work in a month. */
export const filmStore: Practice = {
  id: 'store',
  role: 'shelve',
  part: 'transfer',
  station: 'storage',
  applies: ({ house }) => house.filmUse === 'stock',
  plan: () => ({
    title: 'Date and shelve the transfers',
    unit: 'line',
    phases: [byHand('shelve', 30, { eachS: 2 })],
    checks: [
      'Cool before they are stacked',
      'Paper between, flat, dry, dark',
      'Date, art and count on the packet',
    ],
    look: 'Flat packet, closed against damp air.',
  }),
};
