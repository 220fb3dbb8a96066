import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { coverSheetFor, keptSheet } from '../equip.ts';
import { heatByShare } from '../fabric.ts';
import {
  PRESS_CAUTIONS,
  around,
  byHand,
  closed,
  dwellProposal,
  heat,
  houseReason,
  hovering,
  inBursts,
  on,
  onPress,
  plateProposal,
  pressedOnce,
  pressureProposal,
  sheetUse,
  tradeReason,
} from '../practiceParts.ts';
import type { OperationDraft, Practice, Settle } from '../practice.ts';
import { stackOf } from '../stack.ts';
import { TRADE } from '../tradeRanges.ts';
import { fluidWish, isPretreated } from './directPretreat.ts';

/** Gets the water out of the pretreatment under a hot plate. */
export const directDry: Practice = {
  id: 'dry-pretreatment',
  role: 'dry',
  part: 'blank',
  station: 'press',
  applies: (input) => isPretreated(input) && input.house.pretreatmentDrying !== 'air',
  plan: (input, settle) =>
    input.house.pretreatmentDrying === 'hover' ? hoverDry(input, settle) : burstDry(input, settle),
};

/** The rack instead: softest hand. */
export const directAirDry: Practice = {
  id: 'air-dry',
  role: 'dry',
  part: 'blank',
  station: 'rack',
  applies: (input) => isPretreated(input) && input.house.pretreatmentDrying === 'air',
  plan: (input, settle) => {
    const { equipment } = input;
    const time = settle({
      key: 'restS',
      sets: 'rest',
      label: 'On the rack',
      kind: 'duration',
      reasons: [
        houseReason(input, 'pretreatmentDrying', TRADE.airDryS.start),
        tradeReason(TRADE.airDryS.start, '20 to 40 min, until dry to the touch.'),
      ],
      limits: [],
      ability: { min: 60, max: 14400 },
    });
    return {
      title: 'Hang on the rack',
      unit: 'piece',
      ...(equipment.rack
        ? { on: on('rack', equipment.rack), pools: [{ id: equipment.rack.id, name: equipment.rack.name }] }
        : {}),
      phases: [byHand('hang', 10)],
      settings: [time],
      checks: [
        'Hung flat, nothing touches the print area',
        'Away from powder and printers',
        ...(equipment.rack && input.pieces > equipment.rack.places
          ? [
              `${equipment.rack.name} holds ${equipment.rack.places}: hang the line in ${Math.ceil(input.pieces / equipment.rack.places)} goes`,
            ]
          : []),
      ],
      look: 'Dry to the touch over the whole print area.',
      waitAfter: { minS: time.value, maxS: null, why: 'Dry to the touch over the whole print area.' },
    };
  },
};

/** Lays the fibres after the air has dried them. */
export const directLayFibres: Practice = {
  id: 'lay-fibres',
  role: 'flatten',
  part: 'blank',
  station: 'press',
  applies: (input) => isPretreated(input) && input.house.pretreatmentDrying === 'air',
  plan: (input, settle) => {
    const { sheet } = coverSheetFor(input, 'pretreatment');
    const temp = settle(dryingPlate(input));
    const dwell = settle(
      dwellProposal([tradeReason(TRADE.airDryPressS.start, 'One short press lays the fibres: 5 to 15 s.')]),
    );
    const pressure = settle(pressureProposal(input, 50, 'Firm, once: it only lays the fibres.'));
    return {
      title: 'Lay the fibres',
      ...pressedOnce(
        onPress(input),
        { label: 'lay fibres', handsS: 10, laid: stackOf(input, { sheet }) },
        { temp, dwell, pressure },
      ),
      sheet: keptSheet(sheet),
      checks: ['Dry before it is pressed'],
      look: 'Flat, no box to be seen.',
      consumes: [sheetUse(input, 'pretreatment')],
    };
  },
};

const dryingPlate = (input: PrintInput): Parameters<Settle>[0] => {
  const cure = heatByShare(input.garment, TRADE.directCureCottonC, TRADE.directCurePolyesterC);
  return plateProposal(input, [
    tradeReason(
      cure.value,
      `At the cure’s temperature, so that the press is not changed over. ${cure.reason.text}`,
    ),
  ]);
};

/** Water on the print area as pretreatment leaves it, g/m²: nearly all of the fluid is water (assumption). */
const fluidWaterGM2 = (input: PrintInput): number => Math.round(0.9 * fluidWish(input).wished);

function burstDry(input: PrintInput, settle: Settle): OperationDraft {
  const { sheet } = coverSheetFor(input, 'pretreatment');
  const isFleece = input.garment.construction === 'fleece';
  const temp = settle(dryingPlate(input));
  const burst = settle(
    dwellProposal([
      tradeReason(TRADE.dryBurstS.start, 'Short bursts of 10 to 15 s, open between to let the steam out.'),
    ]),
  );
  const range = isFleece ? TRADE.dryBurstsFleece : TRADE.dryBursts;
  const bursts = settle({
    key: 'bursts',
    sets: 'bursts',
    label: 'Bursts',
    kind: 'count',
    reasons: [
      houseReason(input, 'pretreatmentDrying', null),
      tradeReason(
        range.start,
        isFleece
          ? 'Fleece holds twice the fluid and gives it up slowly: four to eight.'
          : 'Until dry to the touch over the print area; three is usual.',
      ),
    ],
    limits: [],
    ability: { min: 1, max: 12 },
  });
  const pressure = settle(pressureProposal(input, 15, 'Light, so that the fluid is not driven through.'));
  const laid = stackOf(input, { sheet, wetGM2: fluidWaterGM2(input) });
  const closings = Array.from({ length: bursts.value }, (_, i) =>
    heat(`burst ${i + 1}`, temp.value, burst.value, closed(pressure.value), laid),
  );
  return {
    title: 'Dry the pretreatment',
    unit: 'piece',
    on: onPress(input),
    phases: around(10, inBursts(closings, { label: 'open, turn the sheet', handsS: 10 })),
    settings: [temp, burst, bursts, pressure],
    sheet: keptSheet(sheet),
    checks: ['Open between bursts, turn the sheet each time', 'Dry to the touch over the whole print area'],
    look: 'Flat and dry, no box to be seen.',
    cautions: [...PRESS_CAUTIONS, CAUTIONS.steam, CAUTIONS.fumes],
    consumes: [sheetUse(input, 'pretreatment')],
  };
}

function hoverDry(input: PrintInput, settle: Settle): OperationDraft {
  const { sheet } = coverSheetFor(input, 'pretreatment');
  const temp = settle(dryingPlate(input));
  const hover = settle({
    key: 'hoverS',
    sets: 'hover',
    label: 'Hover',
    kind: 'duration',
    reasons: [
      houseReason(input, 'pretreatmentDrying', TRADE.dryHoverS.start),
      tradeReason(TRADE.dryHoverS.start, 'Until no steam is seen: half a minute to a minute and a half.'),
    ],
    limits: [],
    ability: { min: 5, max: 600 },
  });
  const dwell = settle(
    dwellProposal([tradeReason(TRADE.airDryPressS.start, 'Then one press to lay the fibres: 5 to 15 s.')]),
  );
  const laid = stackOf(input, { sheet, wetGM2: fluidWaterGM2(input) });
  return {
    title: 'Hover dry, then press once',
    unit: 'piece',
    on: onPress(input),
    phases: around(20, [
      heat('hover', temp.value, hover.value, hovering(TRADE.hoverGapMm.start), {
        ...laid,
        layers: laid.layers.slice(1),
      }),
      heat('press', temp.value, dwell.value, closed(35), laid),
    ]),
    settings: [temp, hover, dwell],
    sheet: keptSheet(sheet),
    checks: ['Plate does not touch while it is wet', 'Dry to the touch before it closes'],
    look: 'Flat and dry, no box to be seen.',
    cautions: [...PRESS_CAUTIONS, CAUTIONS.steam, CAUTIONS.fumes],
    consumes: [sheetUse(input, 'pretreatment')],
  };
}
