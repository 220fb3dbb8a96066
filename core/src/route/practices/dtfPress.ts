import { byShare, heatByShare } from '../fabric.ts';
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

const PEEL_RESTS = {
  hot: { minS: 0, maxS: 4 },
  warm: { minS: TRADE.warmPeelS.start, maxS: 30 },
  cold: { minS: TRADE.coldPeelS.start, maxS: null },
};

/** Bonds the transfer to the blank. */
export const dtfPress: Practice = {
  id: 'press-transfer',
  station: 'press',
  applies: () => true,
  plan: (input, settle) => {
    const { garment, equipment } = input;
    const { film } = equipment;
    const fabricTemp = heatByShare(garment, TRADE.transferCottonC, TRADE.transferPolyesterC);
    const fabricDwell = byShare(garment, TRADE.transferCottonS, TRADE.transferPolyesterS, 's');
    const fabricKPa = byShare(garment, TRADE.transferCottonKPa, TRADE.transferPolyesterKPa, 'kPa');
    const temp = settle(
      plateProposal(
        input,
        [makerReason(film.name, film.pressC, fabricTemp.value, 'temperature'), fabricTemp.reason],
        [{ ...film.pressC, text: `the sheet of “${film.name}”.` }],
      ),
    );
    const dwell = settle(
      dwellProposal(
        [makerReason(film.name, film.dwellS, fabricDwell.value, 'duration'), fabricDwell.reason],
        [{ ...film.dwellS, text: `the sheet of “${film.name}”.` }],
      ),
    );
    const pressure = settle(pressureProposal(input, fabricKPa.value, fabricKPa.reason.text));
    const peelRest = PEEL_RESTS[film.peel];
    return {
      title: 'Press the transfer',
      per: 'piece',
      handsS: 25,
      machineS: dwell.value,
      timerS: dwell.value,
      settings: [temp, dwell, pressure],
      sheet: equipment.coverSheet.name,
      checks: [
        'White side down, straight, at the placement on the ticket',
        'Nothing but flat fabric under the plate',
      ],
      look: 'Film lies flat all over; no bubble when it opens.',
      cautions: PRESS_CAUTIONS,
      consumes: [sheetUse(input)],
      phases: [heat('press', temp.value, dwell.value)],
      waitAfter: {
        ...peelRest,
        why: `${film.name} peels ${film.peel}${film.peel === 'cold' ? ': to room temperature, quicker on a metal plate' : ''}.`,
      },
    };
  },
};
