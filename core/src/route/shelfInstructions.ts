import { viewOf } from './blankOrder.ts';
import type { RouteInput } from './documents.ts';
import { filmFor, wishedSheets } from './equip.ts';
import type { TransferInstructions } from './materials.ts';
import { houseSecondPressS } from './practices/filmSecondPress.ts';
import { transferWish } from './transferSource.ts';

/**
 * How a transfer that was made here for the shelf is to be pressed: heat, time and peel as its film’s sheet says, pressure
 * for the fabric it was planned for, under what this house presses under. Nothing is said of caps: no sheet speaks of them.
 *
 * @param print the print’s name within the line
 * @throws RangeError where the line has no such print
 */
export function shelfInstructions(input: RouteInput, print: string): TransferInstructions {
  const own = input.prints.find(({ id }) => id === print);
  if (!own) throw new RangeError(`there is no print ${print}`);
  const view = viewOf(input, own);
  const { peel, pull, pressC, dwellS } = filmFor(view);
  const [sheet = 'parchment'] = wishedSheets(view, 'press');
  return {
    ...{ peel, pull, pressC, dwellS, sheet },
    kPa: transferWish(view).kPa.value,
    secondPressS: houseSecondPressS(view),
    capPressC: null,
    capDwellS: null,
    capKPa: null,
  };
}
