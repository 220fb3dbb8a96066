import { isCap } from '../blank/index.ts';
import type { Garment } from '../blank/index.ts';
import type { Range, Reason } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { PrintInput } from './documents.ts';
import type { Named } from './machines.ts';
import type { TransferInstructions } from './materials.ts';
import { filmFor, readyMadeFor } from './equip.ts';
import { byShare, heatByShare, isHeavyWoven, withinHeat } from './fabric.ts';
import { spanOf } from './resolveSetting.ts';
import { isOnFront } from './sources/judge.ts';
import { TRADE } from './tradeRanges.ts';

/** What a transfer brings to the press: whose sheet it is, and all that it says. */
export interface TransferSource {
  name: string;
  peel: 'hot' | 'warm' | 'cold';
  pull: 'slow' | 'fast';
  pressC: Range;
  dwellS: Range;
  /** Pressure its own sheet asks for, kPa; `null` where it says nothing. */
  kPa: number | null;
  /** Glue of this shop, which must have melted; a supplier's glue is its own affair. */
  isOwnGlue: boolean;
}

/** The film as what a transfer brings to the press. */
export function filmSource(input: PrintInput): TransferSource {
  const { name, peel, pull, pressC, dwellS } = filmFor(input);
  return { name, peel, pull, pressC, dwellS, kPa: null, isOwnGlue: true };
}

/** A transfer that lies ready as what it brings to the press: on caps by what its sheet says for caps. */
function readyMadeSource(input: PrintInput, readyMade: Named & TransferInstructions): TransferSource {
  const { name, peel, pull, pressC, dwellS, kPa, capPressC, capDwellS, capKPa } = readyMade;
  const own = { name, peel, pull, isOwnGlue: false };
  return isOnFront(input) && capPressC !== null
    ? { ...own, pressC: capPressC, dwellS: capDwellS ?? dwellS, kPa: capKPa }
    : { ...own, pressC, dwellS, kPa };
}

/** The transfer a print is pressed with, whoever made it. */
export function transferSourceOf(input: PrintInput): TransferSource {
  const readyMade = readyMadeFor(input);
  return readyMade ? readyMadeSource(input, readyMade) : filmSource(input);
}

interface Wished {
  value: number;
  reason: Reason;
}

/** What the fabric alone would ask for. */
export interface TransferWish {
  temp: Wished;
  dwell: Wished;
  /** Where no sheet speaks of it. */
  dwellRange: Range;
  kPa: { value: number; range: Range; said: Said };
}

/** What the fabric alone would ask a transfer for: flat, on a cap, or with sublimation ink. */
export function transferWish(input: PrintInput): TransferWish {
  if (isCap(input.garment)) return capWish(input);
  return input.process === 'sub-film' ? sublimationWish(input) : fabricWish(input.garment);
}

function fabricWish(garment: Garment): TransferWish {
  const kPa = byShare(garment, 'transferKPa', 'pressure');
  const dwell = byShare(garment, 'transferS', 'duration');
  const temp = heatByShare(garment, 'transferC');
  const pressure = { value: kPa.value, range: kPa.range, said: kPa.reason.said };
  if (!isHeavyWoven(garment)) return { temp, dwell, dwellRange: dwell.range, kPa: pressure };
  const { start, ...span } = TRADE.transferCanvasS;
  const long: Wished = {
    value: start,
    reason: { source: 'trade', said: say('reason.heavy-woven', { ...spanOf(span), start }), value: start },
  };
  return {
    temp,
    dwell: dwell.value < start ? long : dwell,
    dwellRange: { min: dwell.range.min, max: Math.max(dwell.range.max, span.max) },
    kPa: {
      value: Math.max(kPa.value, TRADE.transferCanvasKPa.start),
      range: { min: kPa.range.min, max: TRADE.transferCanvasKPa.max },
      said: say('reason.fill-weave'),
    },
  };
}

function capWish({ garment, house }: PrintInput): TransferWish {
  const { temp, dwell, kPa } = { temp: TRADE.capFrontC, dwell: TRADE.capFrontS, kPa: TRADE.capFrontKPa };
  const said = say('reason.cap-front', { ...spanOf(temp), kind: 'temperature' });
  return {
    temp: withinHeat(garment, temp.start, said),
    dwell: warmedBelow(
      house.capLower === 'warm',
      dwell.start,
      say('reason.cap-front', { ...spanOf(dwell), kind: 'duration' }),
    ),
    dwellRange: dwell,
    kPa: { value: kPa.start, range: kPa, said: say('reason.cap-hard') },
  };
}

/** A dwell that heat from below shortens. */
export function warmedBelow(isWarm: boolean, usualS: number, said: Said): Wished {
  if (!isWarm) return { value: usualS, reason: { source: 'trade', said, value: usualS } };
  const value = Math.round(usualS * TRADE.warmBelowShare.start);
  return { value, reason: { source: 'trade', said: say('reason.warm-below', { usual: said }), value } };
}

const SUB_HEAT = { cool: TRADE.subCoolC, middle: TRADE.subTransferC, hot: TRADE.subHotC };

/** Schools differ widely; where the film's sheet speaks it decides. */
function sublimationWish({ garment, house }: PrintInput): TransferWish {
  const { temp, dwell } = { temp: SUB_HEAT[house.subHeat], dwell: TRADE.subTransferS };
  const kPa = byShare(garment, 'transferKPa', 'pressure');
  const span = { ...spanOf(dwell), start: dwell.start, kind: 'duration' as const };
  return {
    temp: withinHeat(
      garment,
      temp.start,
      say('reason.sublimation-film', { ...spanOf(temp), start: temp.start }),
    ),
    dwell: {
      value: dwell.start,
      reason: { source: 'trade', said: say('reason.span-from', span), value: dwell.start },
    },
    dwellRange: dwell,
    kPa: { value: kPa.value, range: kPa.range, said: kPa.reason.said },
  };
}
