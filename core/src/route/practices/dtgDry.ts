import { CAUTIONS } from '../cautions.ts';
import { heatByShare } from '../fabric.ts';
import {
  PRESS_CAUTIONS,
  dwellProposal,
  heat,
  plateProposal,
  pressureProposal,
  rest,
  sheetUse,
} from '../practice.ts';
import type { OperationDraft, Practice, Settle } from '../practice.ts';
import { TRADE } from '../tradeRanges.ts';
import { isPretreated } from './dtgPretreat.ts';
import type { RouteInput } from '../documents.ts';

/** Gets the water out of the pretreatment: in short presses, or on the rack. */
export const dtgDry: Practice = {
  id: 'dry-pretreatment',
  station: 'press',
  applies: isPretreated,
  plan: (input, settle) =>
    input.house.pretreatmentDrying === 'press' ? pressDry(input, settle) : airDry(input, settle),
};

function pressDry(input: RouteInput, settle: Settle): OperationDraft {
  const cure = heatByShare(input.garment, TRADE.directCureCottonC, TRADE.directCurePolyesterC);
  const temp = settle(
    plateProposal(input, [
      {
        source: 'trade',
        text: `At the cure’s temperature, so that the press is not changed over. ${cure.reason.text}`,
        value: cure.value,
      },
    ]),
  );
  const burst = settle(
    dwellProposal([
      {
        source: 'trade',
        text: 'Short bursts of 10 to 15 s, open between to let the steam out.',
        value: TRADE.dryBurstS.start,
      },
    ]),
  );
  const bursts = settle({
    key: 'bursts',
    label: 'Bursts',
    kind: 'count',
    reasons: [
      {
        source: 'house',
        text: 'This shop dries pretreatment under the press: quickest, some sheen.',
        value: null,
      },
      {
        source: 'trade',
        text: 'Until dry to the touch over the print area; three is usual.',
        value: TRADE.dryBursts.start,
      },
    ],
    limits: [],
    ability: { min: 1, max: 10 },
  });
  const pressure = settle(pressureProposal(input, 15, 'Light, so that the fluid is not driven through.'));
  const totalS = burst.value * bursts.value;
  return {
    title: 'Dry the pretreatment',
    per: 'piece',
    handsS: 10 * bursts.value,
    machineS: totalS,
    timerS: totalS,
    settings: [temp, burst, bursts, pressure],
    sheet: `${input.equipment.coverSheet.name}, the one kept for pretreatment`,
    checks: ['Open between bursts, turn the sheet each time', 'Dry to the touch over the whole print area'],
    look: 'Flat and dry, no box to be seen.',
    cautions: [...PRESS_CAUTIONS, CAUTIONS.steam, CAUTIONS.fumes],
    consumes: [sheetUse(input)],
    phases: Array.from({ length: bursts.value }, (_, i) => [
      heat(`burst ${i + 1}`, temp.value, burst.value),
      rest('open', 8, true),
    ]).flat(),
  };
}

function airDry(_input: RouteInput, settle: Settle): OperationDraft {
  const time = settle({
    key: 'restS',
    label: 'On the rack',
    kind: 'duration',
    reasons: [
      {
        source: 'house',
        text: 'This shop dries in the air: softest hand, 20 to 40 min.',
        value: TRADE.airDryS.start,
      },
    ],
    limits: [],
    ability: { min: 60, max: 14400 },
  });
  return {
    title: 'Dry on the rack',
    per: 'piece',
    handsS: 10,
    machineS: time.value,
    timerS: time.value,
    settings: [time],
    checks: ['Hung flat, nothing touches the print area', 'Then one short firm press to lay the fibres'],
    look: 'Dry to the touch over the whole print area.',
    phases: [rest('air-dry', time.value)],
  };
}
