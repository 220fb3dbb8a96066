import type { Practice } from '../practice.ts';
import { filmSource, transferWish } from '../transferSource.ts';
import { isPressedFlat, isPressedNow, pressTransfer } from './transferPress.ts';

/** Bonds the transfer to a flat blank. */
export const filmPress: Practice = {
  id: 'press-transfer',
  role: 'bond',
  part: 'blank',
  station: 'press',
  applies: (input) => isPressedNow(input) && isPressedFlat(input),
  plan: (input, settle) => pressTransfer(input, settle, filmSource(input), transferWish(input)),
};
