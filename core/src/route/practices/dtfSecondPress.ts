import { heatByShare } from '../fabric.ts';
import {
  PRESS_CAUTIONS,
  dwellProposal,
  heat,
  plateProposal,
  pressureProposal,
  sheetUse,
} from '../practice.ts';
import type { Practice } from '../practice.ts';
import { makerReason } from '../resolveSetting.ts';
import { TRADE } from '../tradeRanges.ts';

/** Sets the edges after the film is off. */
export const dtfSecondPress: Practice = {
  id: 'second-press',
  station: 'press',
  applies: ({ house }) => house.secondPressS > 0,
  plan: (input, settle) => {
    const { garment, equipment, house } = input;
    const fabric = heatByShare(garment, TRADE.transferCottonC, TRADE.transferPolyesterC);
    const temp = settle(
      plateProposal(input, [
        makerReason(equipment.film.name, equipment.film.pressC, fabric.value, 'temperature'),
        fabric.reason,
      ]),
    );
    const dwell = settle(
      dwellProposal([
        {
          source: 'house',
          text: `This shop presses a second time for ${house.secondPressS} s: it sets the edges and washes better.`,
          value: house.secondPressS,
        },
        { source: 'trade', text: 'Five to fifteen seconds, covered.', value: TRADE.secondPressS.start },
      ]),
    );
    const pressure = settle(pressureProposal(input, 35, 'Medium, covered: it only sets the edges.'));
    return {
      title: 'Second press, covered',
      per: 'piece',
      handsS: 12,
      machineS: dwell.value,
      timerS: dwell.value,
      settings: [temp, dwell, pressure],
      sheet: equipment.coverSheet.name,
      checks: ['Clean side of the sheet on the print'],
      look: 'Matt, edges sunk into the fabric.',
      cautions: PRESS_CAUTIONS,
      consumes: [sheetUse(input)],
      phases: [heat('second press', temp.value, dwell.value)],
    };
  },
};
