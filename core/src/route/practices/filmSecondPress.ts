import type { Setting } from '../../work/index.ts';
import { say } from '../../words/index.ts';
import type { PrintInput } from '../documents.ts';
import { coverSheetFor, filmFor, sheetDelay } from '../equip.ts';
import type { Practice, Settle } from '../practice.ts';
import {
  dwellProposal,
  houseReason,
  longerThrough,
  plateProposal,
  practiceLimit,
  pressureProposal,
  sheetLimit,
  spanThrough,
  tradeReason,
} from '../proposals.ts';
import { makerReason, spanOf } from '../resolveSetting.ts';
import { TRADE } from '../tradeRanges.ts';
import { transferWish } from '../transferSource.ts';
import { isPressedFlat, isPressedNow, pressAgain, secondPressure } from './transferPress.ts';

/** Seconds of the house's second press; 0 for none. */
export const houseSecondPressS = ({ house }: PrintInput): number =>
  house.secondPress === 'none' ? 0 : Number(house.secondPress);

/** Sets the edges after the film is off. */
export const filmSecondPress: Practice = {
  id: 'second-press',
  role: 'press-again',
  part: 'blank',
  station: 'press',
  applies: (input) => isPressedNow(input) && houseSecondPressS(input) > 0 && isPressedFlat(input),
  plan: (input, settle, before) => {
    const film = filmFor(input);
    const { temp: wish } = transferWish(input);
    const temp = settle(
      plateProposal(
        input,
        [makerReason(film.name, film.pressC, wish.value, 'temperature'), wish.reason],
        [sheetLimit(film.name, film.pressC)],
      ),
    );
    return pressAgain(input, {
      temp,
      dwell: secondDwell(input, settle, houseSecondPressS(input)),
      pressure: settle(pressureProposal(input, secondPressure(before))),
      use: 'second-press',
    });
  },
};

/** Dwell of the second press: the house's, longer through silicone. */
function secondDwell(input: PrintInput, settle: Settle, houseS: number): Setting {
  const delay = sheetDelay(coverSheetFor(input, 'second-press'));
  const house = houseReason(input, 'secondPress', houseS);
  const usual = {
    value: TRADE.secondPressS.start,
    said: say('reason.second-time', spanOf(TRADE.secondPressS)),
  };
  return settle(
    dwellProposal(
      [
        { source: 'house', ...longerThrough(delay, { value: houseS, said: house.said }) },
        tradeReason(usual.value, usual.said),
      ],
      [practiceLimit(spanThrough(delay, TRADE.secondPressS), 'press-again')],
    ),
  );
}
