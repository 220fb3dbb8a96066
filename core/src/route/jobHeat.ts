import { isCap } from '../blank/index.ts';
import type { Reason } from '../work/index.ts';
import { say } from '../words/index.ts';
import { cureHeat } from './cureSheet.ts';
import type { PrintInput } from './documents.ts';
import { heatLimits, lowered, withinHeat } from './fabric.ts';
import { transferSourceOf, transferWish } from './transferSource.ts';
import { makerReason, spanOf } from './resolveSetting.ts';
import { TRADE } from './tradeRanges.ts';

/**
 * The temperature a print's own press is set to, for what is done on the same press before it: what its sheet makes of
 * what the fabric wants, never more than the fabric bears.
 */
export function jobHeat(input: PrintInput): Reason {
  const { of, reason } = strongest(input);
  const said = say('reason.job-temperature', { of, usual: reason.said });
  const { value, reason: own } = lowered(heatLimits(input.garment), {
    value: reason.value ?? 0,
    said,
    kind: 'temperature',
  });
  return { ...own, source: reason.source, value };
}

function strongest(input: PrintInput): { of: 'transfer' | 'cure' | 'cap'; reason: Reason } {
  if (input.process === 'dtg') {
    const { fabric, reasons } = cureHeat(input);
    return { of: 'cure', reason: reasons[0] ?? fabric.reason };
  }
  if (input.process === 'patch-cap') {
    const said = say('reason.patch-on-cap', spanOf(TRADE.patchCapC));
    return { of: 'cap', reason: withinHeat(input.garment, TRADE.patchCapC.start, said).reason };
  }
  const { name, pressC } = transferSourceOf(input);
  const wish = transferWish(input).temp;
  return {
    of: isCap(input.garment) ? 'cap' : 'transfer',
    reason: makerReason(name, pressC, wish.value, 'temperature'),
  };
}
