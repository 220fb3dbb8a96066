import { CAUTIONS } from '../cautions.ts';
import type { MachineKind, PressState, Range, Setting, Station } from '../../work/index.ts';
import type { PrintInput } from '../documents.ts';
import { powderFor, pressFor } from '../equip.ts';
import { LOOSE_POWDER_S, filmSheets } from '../filmSheets.ts';
import {
  FROM_BELOW,
  IN_CHAMBER,
  around,
  heat,
  houseReason,
  hovering,
  on,
  sheetLimit,
  tradeReason,
} from '../practiceParts.ts';
import type { OperationDraft, Practice, Settle } from '../practice.ts';
import { liesFlat } from '../loads.ts';
import { melterFor } from '../melters.ts';
import type { MeltMeans, Melter } from '../melters.ts';
import { makerReason } from '../resolveSetting.ts';
import { TRADE } from '../tradeRanges.ts';
import type { TradeRange } from '../tradeRanges.ts';
import { powderedFilm } from '../stack.ts';

interface Way {
  kind: MachineKind;
  station: Station;
  label: string;
  tempRange: TradeRange;
  light: TradeRange;
  full: TradeRange;
  /** True where the powder's own sheet speaks of this means. */
  isBySheet: boolean;
  press: PressState;
  cautions: string[];
  checks: string[];
}

const WAYS: Record<MeltMeans, Way> = {
  oven: {
    kind: 'oven',
    station: 'oven',
    label: 'Oven',
    tempRange: TRADE.powderCureC,
    light: TRADE.powderCureS,
    full: TRADE.powderFullCureS,
    isBySheet: true,
    press: IN_CHAMBER,
    cautions: [CAUTIONS.hotOven, CAUTIONS.fumes],
    checks: ['Film flat, nothing touches it'],
  },
  hover: {
    kind: 'press',
    station: 'press',
    label: 'Plate above',
    tempRange: TRADE.hoverC,
    light: TRADE.hoverS,
    full: TRADE.hoverFullS,
    isBySheet: false,
    press: hovering(TRADE.hoverGapMm.start),
    cautions: [CAUTIONS.hotPlate, CAUTIONS.fumes],
    checks: ['Plate never touches the film'],
  },
  griddle: {
    kind: 'griddle',
    station: 'oven',
    label: 'Griddle',
    tempRange: TRADE.griddleC,
    light: TRADE.griddleS,
    full: TRADE.griddleS,
    isBySheet: false,
    press: FROM_BELOW,
    cautions: [CAUTIONS.hotGriddle, CAUTIONS.fumes],
    checks: ['Powder up, film down', 'Watch it clear from the edge inwards'],
  },
};

export const isFullFuse = ({ house }: Pick<PrintInput, 'house'>): boolean =>
  house.filmUse === 'stock' || house.powderCure === 'full';

/** Melts the powder to a film of glue in an oven or on a griddle. */
export const filmMelt: Practice = {
  id: 'melt-powder',
  role: 'melt',
  part: 'transfer',
  station: 'oven',
  applies: (input) => melterFor(input).means !== 'hover',
  plan: melt,
};

/** The same under the press, held above; it blocks the press meanwhile. */
export const filmMeltHover: Practice = {
  id: 'melt-powder',
  role: 'melt',
  part: 'transfer',
  station: 'press',
  applies: (input) => melterFor(input).means === 'hover',
  plan: melt,
};

function melt(input: PrintInput, settle: Settle): OperationDraft {
  const melter = melterFor(input);
  const { means, ability } = melter;
  const way = WAYS[means];
  const isFull = isFullFuse(input);
  const [temp, dwell] = meltSettings(input, settle, means, ability);
  const { perSheet, perLoad } = filmSheets(input);
  const run = heat('melt', temp.value, dwell.value, way.press, powderedFilm(means === 'hover'));
  return {
    title: isFull ? 'Melt the powder, full fuse' : 'Melt the powder',
    unit: perLoad > perSheet ? 'load' : 'sheet',
    size: perLoad,
    on: on(way.kind, melter),
    phases: means === 'griddle' ? around(30, [run], 5) : around(45, [run]),
    settings: [temp, dwell],
    checks: [
      ...loadChecks(input, melter, { perSheet, perLoad }),
      ...way.checks,
      isFull ? 'White grains gone all over' : 'White powder clear; a trace of grain may stay',
    ],
    look: isFull
      ? 'Clear and glossy with an orange-peel skin; none grainy.'
      : 'Clear, with an orange-peel skin; a light grain is fine, it is pressed at once.',
    cautions: way.cautions,
    waitAfter: { minS: 60, maxS: null, why: 'Let the film cool flat before it is cut.' },
  };
}

/** What to know where a print is larger than the heat, or several sheets are melted together. */
function loadChecks(
  input: PrintInput,
  { name, surface }: Melter,
  { perSheet, perLoad }: { perSheet: number; perLoad: number },
): string[] {
  return [
    ...(liesFlat(input, surface)
      ? []
      : [`Larger than ${name}: melted half by half, turned once; look twice at the middle`]),
    ...(perLoad > perSheet
      ? [
          `Up to ${perLoad / perSheet} sheets together, none lying powdered for more than ${LOOSE_POWDER_S / 60} min`,
        ]
      : []),
  ];
}

function meltSettings(
  input: PrintInput,
  settle: Settle,
  means: MeltMeans,
  ability: Range,
): [temp: Setting, dwell: Setting] {
  const powder = powderFor(input);
  const way = WAYS[means];
  const isFull = isFullFuse(input);
  const span = isFull ? way.full : way.light;
  const isFromBothSides = means === 'hover' && pressFor(input).hasHeatedLower;
  const time = isFromBothSides ? { ...span, start: span.min } : span;
  const isAsWished = means === input.house.meltMeans;
  const temp = settle({
    key: 'tempC',
    sets: 'temperature',
    label: way.label,
    kind: 'temperature',
    reasons: [
      ...(way.isBySheet ? [makerReason(powder.name, powder.cureC, way.tempRange.start, 'temperature')] : []),
      ...(isAsWished ? [houseReason(input, 'meltMeans', null)] : []),
      tradeReason(way.tempRange.start, `${way.tempRange.min} to ${way.tempRange.max} °C this way.`),
    ],
    limits: [
      ...(way.isBySheet ? [sheetLimit(powder.name, powder.cureC)] : []),
      { min: powder.meltC.max, max: null, text: `“${powder.name}” has only melted there.` },
    ],
    ability,
  });
  const wished = isFull && way.isBySheet ? Math.max(time.start, powder.cureS.max) : time.start;
  const dwell = settle({
    key: 'dwellS',
    sets: 'dwell',
    label: means === 'oven' ? 'Time in the oven' : means === 'hover' ? 'Time under the plate' : 'Time on it',
    kind: 'duration',
    reasons: [
      ...(way.isBySheet ? [makerReason(powder.name, powder.cureS, wished, 'duration')] : []),
      isFull && input.house.filmUse === 'stock'
        ? {
            source: 'house',
            text: 'Film for the shelf is fused in full: a grainy glue takes up moisture and sheds.',
            value: null,
          }
        : houseReason(input, 'powderCure', null),
      tradeReason(
        time.start,
        `${time.min} to ${time.max} s; the eye decides when it is done.${isFromBothSides ? ' The heated lower side shortens it.' : ''}`,
      ),
    ],
    limits: way.isBySheet ? [sheetLimit(powder.name, powder.cureS)] : [],
    ability: { min: 5, max: 1800 },
  });
  return [temp, dwell];
}
