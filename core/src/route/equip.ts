import { meanAreaScale } from '../placement/index.ts';
import type { Ref } from '../work/index.ts';
import type { PrintInput } from './documents.ts';
import type { HouseMethods } from './house.ts';
import type { CapPress, Named, Press, Printer, PrinterTask, Sprayer } from './machines.ts';
import type { CoverSheet, Film, InkSet, InkUse, Powder, SheetKind } from './materials.ts';
import { NotSetUp } from './refusal.ts';
import { TRADE } from './tradeRanges.ts';

type Line = Pick<PrintInput, 'equipment' | 'house' | 'print' | 'placement'>;

/** What a route cannot do without; where it is not set up, planning ends with that as its refusal. */
export function needed<T>(thing: T | null | undefined, name: string): T {
  if (thing === null || thing === undefined)
    throw new NotSetUp(
      `The shop has no ${name} set up, so this cannot be planned. Add one under Shop first.`,
    );
  return thing;
}

/** The film of the peel this house works with; the first film where it has none of that peel. */
export function filmFor({ equipment, house }: Pick<PrintInput, 'equipment' | 'house'>): Film {
  return needed(equipment.films.find(({ peel }) => peel === house.filmPeel) ?? equipment.films[0], 'film');
}

export const powderFor = ({ equipment }: Pick<PrintInput, 'equipment'>): Powder =>
  needed(equipment.powder, 'powder');

const INK_WORDS: Record<InkUse, string> = {
  film: 'film ink',
  textile: 'textile ink',
  sublimation: 'sublimation ink',
};
export const inkFor = ({ equipment }: Pick<PrintInput, 'equipment'>, use: InkUse): InkSet =>
  needed(equipment.inkSets[use], INK_WORDS[use]);

/** The press that takes the print whole, the first in the shop's order; the first of all where none does. */
export function pressFor({ equipment, print }: Pick<PrintInput, 'equipment' | 'print'>): Press {
  const fitting = equipment.presses.find(
    ({ widthMm, heightMm }) => print.widthMm <= widthMm && print.heightMm <= heightMm,
  );
  return needed(fitting ?? equipment.presses[0], 'press');
}

export const capPressFor = ({ equipment }: Pick<PrintInput, 'equipment'>): CapPress =>
  needed(equipment.capPress, 'cap press');

const PRINTER_WORDS: Record<PrinterTask, string> = {
  film: 'film printer',
  direct: 'direct printer',
  sublimation: 'sublimation printer',
};

export const printersFor = ({ equipment }: Pick<PrintInput, 'equipment'>, task: PrinterTask): Printer[] =>
  equipment.printers.filter(({ tasks }) => tasks.includes(task));

export const printerFor = (input: Pick<PrintInput, 'equipment'>, task: PrinterTask): Printer =>
  needed(printersFor(input, task)[0], PRINTER_WORDS[task]);

/** Share of a print's box above which it counts as solid: then ink wants the finer, slower mode (assumption). */
const SOLID_SHARE = 0.6;

/** The mode a print is run in, and why. */
export function printModeFor(
  { house, print }: Line,
  printer: Printer,
): { name: string; minPerM2: number; passes: number; why: string } {
  const coarsest = needed(printer.modes[0], `print mode for ${printer.name}`);
  const finest = printer.modes[printer.modes.length - 1] ?? coarsest;
  if (house.printMode === 'one') return { ...coarsest, why: 'One mode for everything in this shop.' };
  const share = print.inkMm2 / Math.max(1, print.widthMm * print.heightMm);
  return share > SOLID_SHARE
    ? {
        ...finest,
        why: `Ink covers ${Math.round(100 * share)} % of its box: solid areas want the finer mode.`,
      }
    : { ...coarsest, why: `Ink covers ${Math.round(100 * share)} % of its box: the quicker mode will do.` };
}

/** What a cover sheet is for: pretreatment and ink never share one. */
export type SheetUse = 'press' | 'second-press' | 'cure' | 'pretreatment';

const WANTED: Record<HouseMethods['coverSheet'], readonly SheetKind[]> = {
  parchment: ['parchment'],
  kraft: ['kraft'],
  ptfe: ['ptfe'],
  silicone: ['silicone-textured', 'silicone-thin', 'silicone-thick'],
};

/** The sheet the house wants for a use; where it is not set up, the first one that may be used, said so. */
export function coverSheetFor(
  { equipment, house }: Pick<PrintInput, 'equipment' | 'house'>,
  use: SheetUse,
  /** What a transfer's own sheet asks for, in place of the house's. */
  asked: SheetKind | null = null,
): { sheet: CoverSheet; isAsWished: boolean } {
  const purpose = use === 'pretreatment' ? 'pretreatment' : 'ink';
  const kinds = asked ? [asked] : WANTED[use === 'second-press' ? house.secondPressSheet : house.coverSheet];
  const usable = equipment.coverSheets.filter((own) => own.purpose === purpose);
  const wished = kinds.map((kind) => usable.find((own) => own.kind === kind)).find(Boolean);
  return {
    sheet: needed(wished ?? usable[0], `cover sheet kept for ${purpose}`),
    isAsWished: Boolean(wished),
  };
}

/** A thing of the set-up as an operation refers to it. */
export const refOf = ({ id, name }: Named): Ref => ({ id, name });

/** A sheet as an operation names it where the wrong one would spoil the print. */
export const keptSheet = ({ id, name, purpose }: Pick<CoverSheet, 'id' | 'name' | 'purpose'>): Ref => ({
  id,
  name: `${name}, the one kept for ${purpose}`,
});

/** How much longer heat takes through this sheet than through paper. */
export function sheetDelay({ kind }: CoverSheet): { factor: number; why: string } | null {
  if (kind === 'silicone-thick')
    return { factor: TRADE.thickSiliconeFactor.start, why: 'A thick silicone mat about doubles the dwell.' };
  if (kind === 'silicone-thin' || kind === 'silicone-textured')
    return {
      factor: TRADE.thinSiliconeFactor.start,
      why: 'Heat comes slower through silicone: a quarter longer.',
    };
  return null;
}

/** Prints graded by size use as much more, or less, as their areas are larger. */
export const areaScale = ({ placement, print }: Pick<Line, 'placement' | 'print'>): number =>
  meanAreaScale(placement, print.lineWidthMm);

/** The sprayer of the house's way of spraying; any other where there is none. */
export function sprayerFor({ equipment, house }: Pick<PrintInput, 'equipment' | 'house'>): Sprayer {
  const isByHand = house.spraying === 'hand';
  return needed(
    equipment.sprayers.find(({ isHandGun }) => isHandGun === isByHand) ?? equipment.sprayers[0],
    'sprayer',
  );
}
