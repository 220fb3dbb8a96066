import { say } from '../../words/index.ts';
import { MOST_BURSTS } from '../../spray/index.ts';
import type { Operation } from '../../work/index.ts';
import { CAUTIONS } from '../cautions.ts';
import { cureHeat } from '../cureSheet.ts';
import type { PrintInput } from '../documents.ts';
import { coverSheetFor } from '../equip.ts';
import { keptSheet } from '../keptSheet.ts';
import { heatLimits, lowered } from '../fabric.ts';
import {
  PRESS_CAUTIONS,
  around,
  byHand,
  closed,
  heat,
  hovering,
  inBursts,
  on,
  onPress,
  pressedOnce,
  sheetUse,
} from '../practiceParts.ts';
import type { OperationDraft, Practice, Settle } from '../practice.ts';
import {
  dwellProposal,
  gapProposal,
  houseReason,
  hoverProposal,
  plateProposal,
  practiceLimit,
  pressureProposal,
  tradeReason,
} from '../proposals.ts';
import type { PressureWish } from '../proposals.ts';
import { spanOf } from '../resolveSetting.ts';
import { stackOf } from '../stack.ts';
import { airTime, burstCount, hoverTime, waterGM2 } from '../dryingBalance.ts';
import { TRADE } from '../tradeRanges.ts';
import { isSprayed } from './directPretreat.ts';

/** Gets the water out of the pretreatment under a hot plate. */
export const directDry: Practice = {
  id: 'dry-pretreatment',
  role: 'dry',
  part: 'blank',
  station: 'press',
  applies: (input) => isSprayed(input) && input.house.pretreatmentDrying !== 'air',
  plan: (input, settle, before) =>
    input.house.pretreatmentDrying === 'hover'
      ? hoverDry(input, settle, before)
      : burstDry(input, settle, before),
};

/** The rack instead: softest hand. */
export const directAirDry: Practice = {
  id: 'air-dry',
  role: 'dry',
  part: 'blank',
  station: 'rack',
  applies: (input) => isSprayed(input) && input.house.pretreatmentDrying === 'air',
  plan: (input, settle, before) => {
    const { rack } = input.equipment;
    const { start } = TRADE.airDryS;
    const balance = airTime(input, before);
    const time = settle({
      key: 'restS',
      sets: 'rest',
      label: 'On the rack',
      kind: 'duration',
      reasons: [
        houseReason(input, 'pretreatmentDrying', null),
        balance.reason,
        tradeReason(start, say('reason.air-dry', spanOf(TRADE.airDryS))),
      ],
      limits: balance.limits,
      ability: { min: 60, max: 14400 },
    });
    return {
      title: 'Hang on the rack',
      unit: 'piece',
      ...(rack ? { on: on('rack', rack), pools: [{ id: rack.id, name: rack.name }] } : {}),
      phases: [byHand('hang', 10)],
      settings: [time],
      checks: [
        say('check.hung-flat'),
        say('check.away-from-powder'),
        ...(rack && input.pieces > rack.places
          ? [
              say('check.rack-goes', {
                rack: rack.name,
                places: rack.places,
                goes: Math.ceil(input.pieces / rack.places),
              }),
            ]
          : []),
      ],
      look: say('look.dry-to-touch'),
      waitAfter: { minS: time.value, maxS: null, why: say('wait.dry-to-touch') },
    };
  },
};

/** Lays the fibres after the air has dried them. */
export const directLayFibres: Practice = {
  id: 'lay-fibres',
  role: 'flatten',
  part: 'blank',
  station: 'press',
  applies: (input) => isSprayed(input) && input.house.pretreatmentDrying === 'air',
  plan: (input, settle) => {
    const sheet = coverSheetFor(input, 'pretreatment');
    const temp = settle(dryingPlate(input));
    const dwell = settle(layingTime(false));
    const pressure = settle(pressureProposal(input, dryPressure(input)));
    return {
      title: 'Lay the fibres',
      ...pressedOnce(
        onPress(input),
        { label: 'lay fibres', handsS: 10, laid: stackOf(input, { sheet }) },
        { temp, dwell, pressure },
      ),
      sheet: keptSheet(sheet),
      checks: [say('check.dry-before-press')],
      look: say('look.flat-no-box'),
      consumes: [sheetUse(input, 'pretreatment')],
    };
  },
};

const DRY_KPA = { lightest: 10, light: 18, medium: 35, firm: 55 } as const; // each within its word
const FLEECE_KPA = 75;

/** How firm pretreated cloth is pressed is a school; hard only on the pile of fleece. */
function dryPressure(input: PrintInput): PressureWish {
  const choice = input.house.dryPressure;
  const isHard = choice === 'firm' && input.garment.construction === 'fleece';
  return {
    kPa: isHard ? FLEECE_KPA : DRY_KPA[choice],
    said: houseReason(input, 'dryPressure', null).said,
    source: 'house',
    isHardStated: isHard,
  };
}

/** One press that lays the fibres: after the air, or after a hover. */
const layingTime = (isAfterHover: boolean): ReturnType<typeof dwellProposal> =>
  dwellProposal(
    [
      tradeReason(
        TRADE.airDryPressS.start,
        say('reason.lay-fibres', { ...spanOf(TRADE.airDryPressS), isAfterHover }),
      ),
    ],
    [practiceLimit(TRADE.airDryPressS, 'flattening')],
  );

/** At the cure's temperature, so that the press is not changed over; no hotter than the fabric bears. */
function dryingPlate(input: PrintInput): Parameters<Settle>[0] {
  const { fabric, reasons } = cureHeat(input);
  const cure = reasons[0] ?? fabric.reason;
  const said = say('reason.as-the-cure', { usual: cure.said });
  const own = lowered(heatLimits(input.garment), {
    value: cure.value ?? fabric.value,
    said,
    kind: 'temperature',
  });
  return plateProposal(input, [own.reason]);
}

const OPEN_S = 10; // the plate up, the sheet turned: a person's own time between two closings (assumption)

function burstDry(input: PrintInput, settle: Settle, before: readonly Operation[]): OperationDraft {
  const sheet = coverSheetFor(input, 'pretreatment');
  const isFleece = input.garment.construction === 'fleece';
  const temp = settle(dryingPlate(input));
  const burst = settle(
    dwellProposal(
      [tradeReason(TRADE.dryBurstS.start, say('reason.dry-burst', spanOf(TRADE.dryBurstS)))],
      [practiceLimit(TRADE.dryBurstS, 'dry-burst')],
    ),
  );
  const pressure = settle(pressureProposal(input, dryPressure(input)));
  const balance = burstCount(input, before, {
    press: { plateC: temp.value, s: burst.value, kPa: pressure.value },
    sheet,
    openS: OPEN_S,
  });
  const range = isFleece ? TRADE.dryBurstsFleece : TRADE.dryBursts;
  const bursts = settle({
    key: 'bursts',
    sets: 'bursts',
    label: 'Bursts',
    kind: 'count',
    reasons: [
      houseReason(input, 'pretreatmentDrying', null),
      balance.reason,
      tradeReason(range.start, say('reason.dry-bursts', { isFleece, ...spanOf(range) })),
    ],
    limits: balance.limits,
    ability: { min: 1, max: MOST_BURSTS },
  });
  const laid = stackOf(input, { sheet, wetGM2: waterGM2(input, before) });
  const closings = Array.from({ length: bursts.value }, (_, i) =>
    heat(`burst ${i + 1}`, temp.value, burst.value, closed(pressure.value), laid),
  );
  return {
    title: 'Dry the pretreatment',
    unit: 'piece',
    on: onPress(input),
    phases: around(10, inBursts(closings, { label: 'open, turn the sheet', handsS: OPEN_S })),
    settings: [temp, burst, bursts, pressure],
    sheet: keptSheet(sheet),
    checks: [say('check.open-and-turn'), say('check.dry-to-touch')],
    look: say('look.no-box'),
    cautions: [...PRESS_CAUTIONS, CAUTIONS.steam, CAUTIONS.fumes],
    consumes: [sheetUse(input, 'pretreatment', bursts.value)],
  };
}

function hoverDry(input: PrintInput, settle: Settle, before: readonly Operation[]): OperationDraft {
  const sheet = coverSheetFor(input, 'pretreatment');
  const temp = settle(dryingPlate(input));
  const gap = settle(gapProposal());
  const balance = hoverTime(input, before, { plateC: temp.value, gapMm: gap.value });
  const hover = settle(
    hoverProposal(
      'Hover',
      [
        houseReason(input, 'pretreatmentDrying', null),
        balance.reason,
        tradeReason(TRADE.dryHoverS.start, say('reason.dry-hover', spanOf(TRADE.dryHoverS))),
      ],
      balance.limits,
    ),
  );
  const dwell = settle(layingTime(true));
  const pressure = settle(pressureProposal(input, dryPressure(input)));
  const laid = stackOf(input, { sheet, wetGM2: waterGM2(input, before) });
  return {
    title: 'Hover dry, then press once',
    unit: 'piece',
    on: onPress(input),
    phases: around(20, [
      heat('hover', temp.value, hover.value, hovering(gap.value), {
        ...laid,
        layers: laid.layers.slice(1),
      }),
      heat('press', temp.value, dwell.value, closed(pressure.value), laid),
    ]),
    settings: [temp, gap, hover, dwell, pressure],
    sheet: keptSheet(sheet),
    checks: [say('check.plate-off-wet'), say('check.dry-before-close')],
    look: say('look.no-box'),
    cautions: [...PRESS_CAUTIONS, CAUTIONS.steam, CAUTIONS.fumes],
    consumes: [sheetUse(input, 'pretreatment')],
  };
}
