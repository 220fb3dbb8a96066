import type { Garment } from '../blank/index.ts';
import type { QuantityKind } from '../units/index.ts';
import type { Limit, Range, Reason } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { PrintInput } from './documents.ts';
import { inkFor } from './equip.ts';
import { between, heatByShare } from './fabric.ts';
import type { Wish } from './fabric.ts';
import type { InkSet } from './materials.ts';
import { makerReason, spanOf } from './resolveSetting.ts';

/** What an ink's sheet asks of this fabric, as a reason for a wish and as a limit; empty where it says nothing. */
interface SheetSays {
  reasons: Reason[];
  limits: Limit[];
}

const SILENT: SheetSays = { reasons: [], limits: [] };

/**
 * An ink's own sheet for a fabric. It binds whatever the fabric would like: a sheet that tells cotton and polyester apart
 * holds for a blend in between, by its share; one that does not holds for all.
 */
function sheetOf(
  { name }: InkSet,
  { cotton, polyester }: { cotton: Range | null; polyester: Range | null },
  { garment, wished, kind }: { garment: Garment; wished: number; kind: QuantityKind },
): SheetSays {
  const share = garment.fibres.polyester;
  const own = share >= 1 && polyester !== null ? polyester : cotton;
  if (own === null) return SILENT;
  if (cotton === null || polyester === null || share === 0 || share >= 1)
    return {
      reasons: [makerReason(name, own, wished, kind)],
      limits: [{ ...spanOf(own), said: say('limit.sheet', { maker: name }) }],
    };
  const blend = between(cotton, polyester, share);
  const reason = makerReason(name, blend, wished, kind);
  const parts = [reason.said, say('reason.sheet-of-blend', { maker: name, share })];
  return {
    reasons: [{ ...reason, said: say('joined', { parts }) }],
    limits: [{ ...blend, said: say('limit.sheet-blend', { maker: name, share }) }],
  };
}

/** The cure's plate by the fabric alone, and what the ink's sheet says to it. */
export function cureHeat(input: PrintInput): SheetSays & { fabric: Wish } {
  const { garment } = input;
  const ink = inkFor(input);
  const fabric = heatByShare(garment, 'cureC');
  const sheets = { cotton: ink.cureC, polyester: ink.polyesterCureC };
  return { fabric, ...sheetOf(ink, sheets, { garment, wished: fabric.value, kind: 'temperature' }) };
}

/** What the ink's sheet says to a time under the plate. */
export function cureTime(input: PrintInput, wished: number): SheetSays {
  const ink = inkFor(input);
  const sheets = { cotton: ink.cureS, polyester: ink.polyesterCureS };
  return sheetOf(ink, sheets, { garment: input.garment, wished, kind: 'duration' });
}
