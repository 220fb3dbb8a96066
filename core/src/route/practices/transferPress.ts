import { pressedThicknessMm } from '../../blank/index.ts';
import type { Limit, Operation, Range, Reason, Setting } from '../../work/index.ts';
import type { PrintInput } from '../documents.ts';
import { coverSheetFor, powderFor, pressFor, refOf, sheetDelay } from '../equip.ts';
import type { SheetUse } from '../equip.ts';
import { isHeavyWoven } from '../fabric.ts';
import type { SheetKind } from '../materials.ts';
import {
  dwellProposal,
  onPress,
  plateProposal,
  pressedOnce,
  pressureProposal,
  sheetLimit,
  sheetUse,
  tradeReason,
} from '../practiceParts.ts';
import type { OperationDraft, Settle } from '../practice.ts';
import { makerReason } from '../resolveSetting.ts';
import { stackOf } from '../stack.ts';
import { TRADE } from '../tradeRanges.ts';

/** What a transfer brings to the press: whose sheet it is, and how it is peeled. */
export interface TransferSource {
  name: string;
  peel: 'hot' | 'warm' | 'cold';
  pressC: Range;
  dwellS: Range;
  /** Pressure its own sheet asks for, kPa; `null` where it says nothing. */
  kPa: number | null;
  /** Cover sheet it asks for; `null` where the house decides. */
  sheet: SheetKind | null;
}

/** What the fabric alone would ask for. */
export interface TransferWish {
  temp: { value: number; reason: Reason };
  dwell: { value: number; reason: Reason };
  kPa: number;
  kPaWhy: string;
}

/** How long a transfer rests before its film comes off, and why. */
export function peelRest(
  { equipment }: Pick<PrintInput, 'equipment'>,
  { name, peel }: TransferSource,
): NonNullable<Operation['waitAfter']> {
  if (peel === 'hot') return { minS: 0, maxS: 4, why: `${name} peels hot: at once, before it sets.` };
  if (peel === 'warm')
    return { minS: TRADE.warmPeelS.start, maxS: 30, why: `${name} peels warm: not at once, not cold.` };
  const isMetal = equipment.coolingTable?.isMetal ?? false;
  return {
    minS: (isMetal ? TRADE.coldPeelMetalS : TRADE.coldPeelS).start,
    maxS: null,
    why: `${name} peels cold: to room temperature${isMetal ? `, sooner on ${equipment.coolingTable?.name ?? 'metal'}` : ', quicker on a metal plate'}.`,
  };
}

/** The glue must melt under this plate; a supplier's glue is its own affair. */
export const glueLimit = (input: PrintInput): Limit[] =>
  input.equipment.powder === null || input.process === 'bought-in'
    ? []
    : [
        {
          min: powderFor(input).meltC.max,
          max: null,
          text: `the glue “${powderFor(input).name}” has only melted there.`,
        },
      ];

const THICK_MM = 1; // one layer under the press; fleece from about 250 g/m² (assumption)

const isClamOnThick = (input: PrintInput): boolean =>
  pressFor(input).opening === 'clam' && pressedThicknessMm(input.garment) >= THICK_MM;

/** Presses a transfer onto the line's blank on a flat press. */
export function pressTransfer(
  input: PrintInput,
  settle: Settle,
  source: TransferSource,
  wish: TransferWish,
): OperationDraft {
  const { garment } = input;
  const { sheet } = coverSheetFor(input, 'press', source.sheet);
  const delay = sheetDelay(sheet);
  const temp = settle(
    plateProposal(
      input,
      [makerReason(source.name, source.pressC, wish.temp.value, 'temperature'), wish.temp.reason],
      [sheetLimit(source.name, source.pressC), ...glueLimit(input)],
    ),
  );
  const dwell = settle(dwellFor(source, wish, delay));
  const pressure = settle(
    pressureProposal(
      input,
      source.kPa ?? wish.kPa,
      source.kPa === null ? wish.kPaWhy : `The sheet of “${source.name}” asks for it.`,
    ),
  );
  return {
    title: 'Press the transfer',
    ...pressedOnce(
      onPress(input),
      { label: 'press', handsS: 25, laid: stackOf(input, { sheet, carries: 'transfer' }) },
      { temp, dwell, pressure },
    ),
    takes: ['transfer'],
    sheet: refOf(sheet),
    checks: [
      'White side down, straight, at the placement on the ticket',
      'Nothing but flat fabric under the plate',
      ...(isClamOnThick(input) ? ['Pillow under it: a clam press pinches thick fabric at its hinge'] : []),
      ...(isHeavyWoven(garment) ? ['Seams and hems off the edge of the lower plate'] : []),
    ],
    look: 'Film lies flat all over; no bubble when it opens.',
    consumes: [sheetUse(input, 'press')],
    waitAfter: peelRest(input, source),
  };
}

function dwellFor(
  source: TransferSource,
  wish: TransferWish,
  delay: ReturnType<typeof sheetDelay>,
): Parameters<Settle>[0] {
  const bySheet = makerReason(source.name, source.dwellS, wish.dwell.value, 'duration');
  const limit = sheetLimit(source.name, source.dwellS);
  if (delay === null) return dwellProposal([bySheet, wish.dwell.reason], [limit]);
  const longer = (s: number): number => Math.round(s * delay.factor);
  return dwellProposal(
    [
      { ...bySheet, text: `${bySheet.text} ${delay.why}`, value: longer(bySheet.value ?? wish.dwell.value) },
      tradeReason(longer(wish.dwell.value), `${wish.dwell.reason.text} ${delay.why}`),
    ],
    [
      {
        min: longer(source.dwellS.min),
        max: longer(source.dwellS.max),
        text: `${limit.text} Through silicone it counts ${delay.factor === 2 ? 'double' : 'a quarter more'}.`,
      },
    ],
  );
}

/** A covered press after the film is off. */
export function pressAgain(
  input: PrintInput,
  own: { temp: Setting; dwell: Setting; pressure: Setting; use: SheetUse },
): OperationDraft {
  const { sheet } = coverSheetFor(input, own.use);
  return {
    title: 'Second press, covered',
    ...pressedOnce(
      onPress(input),
      { label: 'second press', handsS: 12, laid: stackOf(input, { sheet, carries: 'bonded' }) },
      own,
    ),
    sheet: refOf(sheet),
    checks: ['Clean side of the sheet on the print'],
    look:
      sheet.kind === 'ptfe'
        ? 'Slightly glossy, edges sunk into the fabric.'
        : 'Matt, edges sunk into the fabric.',
    consumes: [sheetUse(input, own.use)],
  };
}
