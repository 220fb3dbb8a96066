import { viewOf } from './blankOrder.ts';
import type { RouteInput } from './documents.ts';
import { supplierFor, transferOrigin } from './equip.ts';

/**
 * Days until everything is here that is bought in for a line; 0 where nothing is.
 *
 * @param input of a line that can be planned, see `planRoute`
 */
export const leadDaysOf = (input: RouteInput): number =>
  input.prints.reduce((most, print) => {
    const view = viewOf(input, print);
    return transferOrigin(view) === 'bought' ? Math.max(most, supplierFor(view).leadDays) : most;
  }, 0);
