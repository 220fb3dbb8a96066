import type { Limit, Range, Reason, Setting } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { PrintInput } from './documents.ts';
import { powderFor, pressFor } from './equip.ts';
import type { MeltMeans, Melter } from './melters.ts';
import type { Settle } from './practice.ts';
import { gapProposal, houseReason, sheetLimit, tradeReason } from './proposals.ts';
import { makerReason, spanOf } from './resolveSetting.ts';
import { TRADE } from './tradeRanges.ts';
import type { TradeRange } from './tradeRanges.ts';

/** What practice does with each means, and how it is labelled. */
const PRACTICE: Record<
  MeltMeans,
  { label: string; timeLabel: string; heatC: TradeRange; lightS: TradeRange; fullS: TradeRange }
> = {
  oven: {
    label: 'Oven',
    timeLabel: 'Time in the oven',
    heatC: TRADE.powderCureC,
    lightS: TRADE.powderCureS,
    fullS: TRADE.powderFullCureS,
  },
  hover: {
    label: 'Plate above',
    timeLabel: 'Time under the plate',
    heatC: TRADE.hoverC,
    lightS: TRADE.hoverS,
    fullS: TRADE.hoverFullS,
  },
  belt: {
    label: 'Tunnel',
    timeLabel: 'Time in the tunnel',
    heatC: TRADE.powderCureC,
    lightS: TRADE.powderCureS,
    fullS: TRADE.powderFullCureS,
  },
  griddle: {
    label: 'Griddle',
    timeLabel: 'Time on it',
    heatC: TRADE.griddleC,
    lightS: TRADE.griddleS,
    fullS: { ...TRADE.griddleS, start: TRADE.griddleS.max },
  },
};

export const isFullFuse = ({ house }: Pick<PrintInput, 'house'>): boolean =>
  house.filmUse === 'stock' || house.powderCure === 'full';

/**
 * How a means gives what a powder's sheet asks of an oven. Nothing of it is measured: the plate loses some degrees by
 * each mm of air and heats from one side, which takes up to twice as long; a surface under the film loses some through
 * it, and gives its heat five times as fast as air. Shop trials stand above it (assumptions, within the trade ranges of
 * each means).
 */
interface Translation {
  addC: number;
  /** Of the sheet's shortest and longest time. */
  timeFactor: Range;
}

/** Hot air all round, as a powder's sheet takes it. */
const isAllRound = (means: MeltMeans): boolean => means === 'oven' || means === 'belt';

function translate(means: MeltMeans, gapMm: number, isFromBothSides: boolean): Translation {
  if (isAllRound(means)) return { addC: 0, timeFactor: { min: 1, max: 1 } };
  if (means === 'griddle')
    return {
      addC: TRADE.griddleHotterBy.start,
      timeFactor: { min: TRADE.griddleTimeShare.start, max: TRADE.griddleTimeShare.start },
    };
  const farther = Math.max(1, gapMm / TRADE.hoverGapMm.start);
  const side = isFromBothSides ? TRADE.hoverBothSidesShare.start : 1;
  const { min, max } = TRADE.hoverOneSideFactor;
  return {
    addC: Math.round(TRADE.hoverHotterPerMm.start * gapMm),
    timeFactor: { min: min * farther * side, max: max * farther * side },
  };
}

/** Temperature, time and, under a plate, height at which a line's powder is melted: its sheet binds every means. */
export function settleMelt(
  input: PrintInput,
  settle: Settle,
  { means, ability }: Melter,
): { temp: Setting; dwell: Setting; gap: Setting | null } {
  const gap = means === 'hover' ? settle(gapProposal()) : null;
  const gapMm = gap?.value ?? 0;
  const isFromBothSides = means === 'hover' && pressFor(input).hasHeatedLower;
  const translation = translate(means, gapMm, isFromBothSides);
  return {
    gap,
    temp: settle({
      key: 'tempC',
      sets: 'temperature',
      label: PRACTICE[means].label,
      kind: 'temperature',
      ...heatOf(input, means, { addC: translation.addC, gapMm }),
      ability,
    }),
    dwell: settle({
      key: 'dwellS',
      sets: 'dwell',
      label: PRACTICE[means].timeLabel,
      kind: 'duration',
      ...timeOf(input, means, { timeFactor: translation.timeFactor, gapMm, isFromBothSides }),
      ability: { min: 5, max: 1800 },
    }),
  };
}

interface Speaks {
  reasons: Reason[];
  limits: Limit[];
}

function heatOf(
  input: PrintInput,
  means: MeltMeans,
  { addC, gapMm }: { addC: number; gapMm: number },
): Speaks {
  const { name, cureC, meltC } = powderFor(input);
  const { heatC } = PRACTICE[means];
  const sheet = { min: cureC.min + addC, max: cureC.max + addC };
  const byMaker = makerReason(name, sheet, heatC.start, 'temperature');
  const asked = makerReason(name, cureC, (byMaker.value ?? 0) - addC, 'temperature').said;
  const translated: Record<MeltMeans, Said> = {
    oven: byMaker.said,
    belt: byMaker.said,
    hover: say('reason.sheet-hover', { sheet: asked, gapMm, addC }),
    griddle: say('reason.sheet-griddle', { sheet: asked, addC }),
  };
  const melted = say('limit.glue', { powder: name });
  return {
    reasons: [
      { ...byMaker, said: translated[means] },
      ...(means === input.house.meltMeans ? [houseReason(input, 'meltMeans', null)] : []),
      tradeReason(heatC.start, say('reason.melt', spanOf(heatC))),
    ],
    limits: [
      { ...sheet, said: sheetSays(name, means, gapMm) },
      { min: meltC.max, max: null, said: melted },
    ],
  };
}

function timeOf(
  input: PrintInput,
  means: MeltMeans,
  own: { timeFactor: Range; gapMm: number; isFromBothSides: boolean },
): Speaks {
  const { name, cureS } = powderFor(input);
  const isFull = isFullFuse(input);
  const time = isFull ? PRACTICE[means].fullS : PRACTICE[means].lightS;
  const { timeFactor } = own;
  const sheet = {
    min: Math.round(cureS.min * timeFactor.min),
    max: Math.round(cureS.max * timeFactor.max),
  };
  const slower = means === 'hover' ? timeFactor.min / TRADE.hoverOneSideFactor.min : 1;
  const start = Math.round(time.start * slower);
  const wished = isFull && isAllRound(means) ? Math.max(start, cureS.max) : start;
  const byMaker = makerReason(name, sheet, wished, 'duration');
  const inOven = makerReason(name, cureS, cureS.min, 'duration').said;
  const share = (byMaker.value ?? wished) / cureS.min;
  const said = isAllRound(means) ? byMaker.said : say('reason.sheet-time', { sheet: inOven, share });
  const usual = say('reason.melt-time', spanOf(time));
  const parts = own.isFromBothSides ? [usual, say('reason.melt-both-sides')] : [usual];
  return {
    reasons: [
      { ...byMaker, said },
      isFull && input.house.filmUse === 'stock'
        ? { source: 'house', said: say('reason.shelf-fuse'), value: null }
        : houseReason(input, 'powderCure', null),
      tradeReason(start, parts.length === 1 ? usual : say('joined', { parts })),
    ],
    limits: [{ ...sheet, said: sheetSays(name, means, own.gapMm) }],
  };
}

function sheetSays(maker: string, means: MeltMeans, gapMm: number): Said {
  if (means === 'hover') return say('limit.sheet-hover', { maker, gapMm });
  return means === 'griddle'
    ? say('limit.sheet-griddle', { maker })
    : sheetLimit(maker, { min: 0, max: 0 }).said;
}
