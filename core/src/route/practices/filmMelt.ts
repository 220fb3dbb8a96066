import { CAUTIONS } from '../cautions.ts';
import type { PressState, RouteInput, Setting, Station } from '../documents.ts';
import { needed, powderFor, pressFor } from '../equip.ts';
import type { MachineKind } from '../machines.ts';
import type { Range } from '../materials.ts';
import {
  FROM_BELOW,
  IN_CHAMBER,
  heat,
  houseReason,
  hovering,
  sheetLimit,
  tradeReason,
} from '../practiceParts.ts';
import type { OperationDraft, Practice, Settle } from '../practice.ts';
import { liesFlat, loadsOf, printsOn } from '../loads.ts';
import { makerReason } from '../resolveSetting.ts';
import { TRADE } from '../tradeRanges.ts';
import type { TradeRange } from '../tradeRanges.ts';
import { LOOSE_POWDER_S } from './filmPowder.ts';

type Means = RouteInput['house']['meltMeans'];

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

const WAYS: Record<Means, Way> = {
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

/** What film is melted on or in. */
interface Melter {
  name: string;
  ability: Range;
  surface: { widthMm: number; heightMm: number };
}

/** The house's way of melting, or the one there is a machine for. */
function meansFor(input: RouteInput): Melter & { means: Means } {
  const { equipment, house } = input;
  const { oven, griddle } = equipment;
  const press = equipment.presses.length > 0 ? pressFor(input) : null;
  const there: Record<Means, Melter | null> = {
    oven: oven && { name: oven.name, ability: oven.chamberC, surface: oven },
    griddle: griddle && { name: griddle.name, ability: griddle.surfaceC, surface: griddle },
    hover: press && { name: press.name, ability: press.plateC, surface: press },
  };
  const order: Means[] = [house.meltMeans, 'oven', 'hover', 'griddle'];
  const means = needed(
    order.find((own) => there[own] !== null),
    'oven, griddle or press to melt powder',
  );
  return { means, ...needed(there[means], means) };
}

export const isFullFuse = ({ house }: Pick<RouteInput, 'house'>): boolean =>
  house.filmUse === 'stock' || house.powderCure === 'full';

/** Melts the powder to a film of glue in an oven or on a griddle. */
export const filmMelt: Practice = {
  id: 'melt-powder',
  station: 'oven',
  applies: (input) => meansFor(input).means !== 'hover',
  plan: melt,
};

/** The same under the press, held above; it blocks the press meanwhile. */
export const filmMeltHover: Practice = {
  id: 'melt-powder',
  station: 'press',
  applies: (input) => meansFor(input).means === 'hover',
  plan: melt,
};

function melt(input: RouteInput, settle: Settle): OperationDraft {
  const { means, name, ability, surface } = meansFor(input);
  const way = WAYS[means];
  const isFull = isFullFuse(input);
  const [temp, dwell] = meltSettings(input, settle, means, ability);
  const perLoad = printsOn(input, surface);
  const loads = loadsOf(input.pieces, perLoad);
  return {
    title: isFull ? 'Melt the powder, full fuse' : 'Melt the powder',
    per: 'batch',
    perLoad,
    on: { kind: way.kind, name },
    handsS: means === 'griddle' ? 30 * loads + 5 * input.pieces : 45 * loads,
    machineS: loads * dwell.value,
    timerS: dwell.value,
    settings: [temp, dwell],
    checks: [
      ...loadChecks(input, { name, surface, perLoad, loads, dwellS: dwell.value }),
      ...way.checks,
      isFull ? 'White grains gone all over' : 'White powder clear; a trace of grain may stay',
    ],
    look: isFull
      ? 'Clear and glossy with an orange-peel skin; none grainy.'
      : 'Clear, with an orange-peel skin; a light grain is fine, it is pressed at once.',
    cautions: way.cautions,
    phases: [heat('melt', temp.value, dwell.value, way.press)],
    waitAfter: { minS: 60, maxS: null, why: 'Let the film cool flat before it is cut.' },
  };
}

/** What to know where not all film goes in at once. */
function loadChecks(
  input: RouteInput,
  own: Pick<Melter, 'name' | 'surface'> & { perLoad: number; loads: number; dwellS: number },
): string[] {
  const { name, surface, perLoad, loads, dwellS } = own;
  const inTime = Math.max(1, Math.floor(LOOSE_POWDER_S / (dwellS + HANDLING_S)));
  return [
    ...(liesFlat(input, surface)
      ? []
      : [`Larger than ${name}: melted half by half, turned once; look twice at the middle`]),
    ...(loads > 1 ? [`${loads} loads of up to ${perLoad}, each with its own time`] : []),
    ...(loads > inTime
      ? [`Powder no more than ${inTime * perLoad} at a time: loose powder must not lie and be moved about`]
      : []),
  ];
}

const HANDLING_S = 45; // out, in, and a look, per load (assumption)

function meltSettings(
  input: RouteInput,
  settle: Settle,
  means: Means,
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
