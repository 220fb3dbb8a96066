import { isCap } from '../../blank/index.ts';
import { coverSheetFor, filmFor, sheetDelay } from '../equip.ts';
import type { Setting } from '../../work/index.ts';
import type { PrintInput } from '../documents.ts';
import { heatByShare } from '../fabric.ts';
import {
  dwellProposal,
  houseReason,
  plateProposal,
  pressureProposal,
  tradeReason,
} from '../practiceParts.ts';
import type { Practice, Settle } from '../practice.ts';
import { makerReason } from '../resolveSetting.ts';
import { TRADE } from '../tradeRanges.ts';
import { isPressedNow } from './filmPress.ts';
import { pressAgain } from './transferPress.ts';

/** Seconds of the house's second press; 0 for none. */
const houseSecondPressS = ({ house }: PrintInput): number =>
  house.secondPress === 'none' ? 0 : Number(house.secondPress);

/** Sets the edges after the film is off. */
export const filmSecondPress: Practice = {
  id: 'second-press',
  role: 'press-again',
  part: 'blank',
  station: 'press',
  applies: (input) => isPressedNow(input) && houseSecondPressS(input) > 0 && !isCap(input.garment),
  plan: (input, settle) => {
    const film = filmFor(input);
    const fabric = heatByShare(input.garment, TRADE.transferCottonC, TRADE.transferPolyesterC);
    const temp = settle(
      plateProposal(input, [makerReason(film.name, film.pressC, fabric.value, 'temperature'), fabric.reason]),
    );
    return pressAgain(input, {
      temp,
      dwell: secondDwell(input, settle, houseSecondPressS(input)),
      pressure: settle(pressureProposal(input, 35, 'Medium, covered: it only sets the edges.')),
      use: 'second-press',
    });
  },
};

/** Dwell of the second press: the house's, longer through silicone. */
function secondDwell(input: PrintInput, settle: Settle, houseS: number): Setting {
  const delay = sheetDelay(coverSheetFor(input, 'second-press').sheet);
  const value = Math.round(houseS * (delay?.factor ?? 1));
  const own = houseReason(input, 'secondPress', value);
  return settle(
    dwellProposal([
      delay ? { ...own, text: `${own.text} ${delay.why}` } : own,
      tradeReason(TRADE.secondPressS.start, 'Five to fifteen seconds, covered.'),
    ]),
  );
}
