import { isCap } from '../../blank/index.ts';
import { filmFor } from '../equip.ts';
import type { PrintInput } from '../documents.ts';
import { byShare, heatByShare, isHeavyWoven } from '../fabric.ts';
import { tradeReason } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { TRADE } from '../tradeRanges.ts';
import { pressTransfer } from './transferPress.ts';
import type { TransferSource, TransferWish } from './transferPress.ts';

/** The film as what a transfer brings to the press. */
export function filmSource(input: PrintInput): TransferSource {
  const { name, peel, pressC, dwellS } = filmFor(input);
  return { name, peel, pressC, dwellS, kPa: null, sheet: null };
}

/** What the fabric alone would ask a transfer for. */
export function fabricWish({ garment }: PrintInput): TransferWish {
  const kPa = byShare(garment, TRADE.transferCottonKPa, TRADE.transferPolyesterKPa, 'kPa');
  const dwell = byShare(garment, TRADE.transferCottonS, TRADE.transferPolyesterS, 's');
  const isHeavy = isHeavyWoven(garment);
  const heavyS = TRADE.transferCanvasS;
  return {
    temp: heatByShare(garment, TRADE.transferCottonC, TRADE.transferPolyesterC),
    dwell:
      isHeavy && dwell.value < heavyS.start
        ? {
            value: heavyS.start,
            reason: tradeReason(
              heavyS.start,
              `Canvas and denim soak up heat: ${heavyS.min} to ${heavyS.max} s, starting at ${heavyS.start} s.`,
            ),
          }
        : dwell,
    kPa: isHeavy ? Math.max(kPa.value, 55) : kPa.value,
    kPaWhy: isHeavy ? 'Firm: the weave of canvas and denim must be filled.' : kPa.reason.text,
  };
}

/** False for transfers that go on the shelf. */
export const isPressedNow = ({ house }: PrintInput): boolean => house.filmUse === 'at-once';

/** Bonds the transfer to a flat blank. */
export const filmPress: Practice = {
  id: 'press-transfer',
  role: 'bond',
  part: 'blank',
  station: 'press',
  applies: (input) => isPressedNow(input) && !isCap(input.garment),
  plan: (input, settle) => pressTransfer(input, settle, filmSource(input), fabricWish(input)),
};
