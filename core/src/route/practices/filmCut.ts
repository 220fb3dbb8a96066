import { say } from '../../words/index.ts';
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
    checks: [say('check.transfers-counted'), say('check.strips-off'), say('check.dry-flat-covered')],
    look: say('look.cut'),
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
    checks: [say('check.cool-before-stack'), say('check.paper-between'), say('check.packet-dated')],
    look: say('look.packet'),
  }),
};
