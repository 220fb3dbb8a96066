import { meanAreaScale } from '../placement/index.ts';
import type { Ref } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Said, ThingName } from '../words/index.ts';
import type { Equipment, PrintInput } from './documents.ts';
import type { HouseMethods } from './house.ts';
import type {
  Belt,
  CapPress,
  Griddle,
  Named,
  Oven,
  Platen,
  Press,
  PrintMode,
  Printer,
  Sprayer,
} from './machines.ts';
import type {
  BoughtIn,
  CoverSheet,
  Film,
  HoldingLiquid,
  InkSet,
  Powder,
  Pretreatment,
  SheetKind,
  ShelfTransfer,
  Tape,
  TransferInstructions,
} from './materials.ts';
import { NoneFits, NotSetUp } from './refusal.ts';
import { choose } from './sources/choose.ts';
import type { Candidate, Choice, Preference } from './sources/choose.ts';
import * as judge from './sources/judge.ts';
import type { Line } from './sources/judge.ts';
import { PRINTS_WITH } from './sources/roles.ts';
import type { SourceRole } from './sources/roles.ts';
import { TRADE } from './tradeRanges.ts';

/** What a route cannot do without; where it is not set up, planning ends with that as its refusal. */
export function needed<T>(thing: T | null | undefined, name: ThingName, of: string | null = null): T {
  if (thing === null || thing === undefined) throw new NotSetUp(name, of);
  return thing;
}

type Sourced = Line & { id?: string };

/** A person's own choice for this print in a role. */
const preferenceFor = ({ sources, id }: Sourced, role: SourceRole): Preference | null =>
  sources.find((own) => own.role === role && own.print === id) ?? null;

const chosen = <T extends Named>(
  line: Sourced,
  role: SourceRole,
  [thing, candidates]: [ThingName, Candidate<T>[]],
): Choice<T> => choose(thing, candidates, preferenceFor(line, role));

const printsWith = ({ process }: Line): { ink: InkSet['use']; task: Printer['tasks'][number] } => {
  const own = PRINTS_WITH[process];
  if (own === null) throw new RangeError(`${process} is printed elsewhere`);
  return own;
};

/** Every choice there is to make, by its role: what fits best, why, and what was left. */
export const CHOICES = {
  printer: (line: Sourced): Choice<Printer> => {
    const { task } = printsWith(line);
    return chosen(line, 'printer', [`printer-${task}`, judge.printers(line, task)]);
  },
  platen: (line: Sourced): Choice<Platen & Named> =>
    chosen(line, 'platen', ['platen', judge.platens(line, CHOICES.printer(line).chosen)]),
  ink: (line: Sourced): Choice<InkSet> => {
    const { ink } = printsWith(line);
    return chosen(line, 'ink', [`ink-${ink}`, judge.inks(line, ink)]);
  },
  film: (line: Sourced): Choice<Film> => chosen(line, 'film', ['film', judge.films(line)]),
  powder: (line: Sourced): Choice<Powder> => chosen(line, 'powder', ['powder', judge.powders(line)]),
  oven: (line: Sourced): Choice<Oven> => chosen(line, 'oven', ['oven', judge.ovens(line)]),
  griddle: (line: Sourced): Choice<Griddle> => chosen(line, 'griddle', ['griddle', judge.griddles(line)]),
  belt: (line: Sourced): Choice<Belt> => chosen(line, 'belt', ['belt', judge.belts(line)]),
  supplier: (line: Sourced): Choice<BoughtIn> =>
    chosen(line, 'supplier', ['bought-in', judge.suppliers(line)]),
  'shelf-transfer': (line: Sourced): Choice<ShelfTransfer> =>
    chosen(line, 'shelf-transfer', ['shelf-transfer', judge.shelf(line)]),
  fluid: (line: Sourced): Choice<Pretreatment> => chosen(line, 'fluid', ['pretreatment', judge.fluids(line)]),
  sprayer: (line: Sourced): Choice<Sprayer> => chosen(line, 'sprayer', ['sprayer', judge.sprayers(line)]),
  press: (line: Sourced): Choice<Press> => chosen(line, 'press', ['press', judge.presses(line)]),
  'cap-press': (line: Sourced): Choice<CapPress> =>
    chosen(line, 'cap-press', ['cap-press', judge.capPresses(line)]),
  tape: (line: Sourced): Choice<Tape> => chosen(line, 'tape', ['tape', judge.tapes(line)]),
  'press-sheet': (line: Sourced): Choice<CoverSheet> => sheetChoice(line, 'press'),
  'second-sheet': (line: Sourced): Choice<CoverSheet> => sheetChoice(line, 'second-press'),
  'cure-sheet': (line: Sourced): Choice<CoverSheet> => sheetChoice(line, 'cure'),
  'fluid-sheet': (line: Sourced): Choice<CoverSheet> => sheetChoice(line, 'pretreatment'),
} satisfies Record<SourceRole, (line: Sourced) => Choice<Named>>;

export const filmFor = (line: Sourced): Film => CHOICES.film(line).chosen;
export const powderFor = (line: Sourced): Powder => CHOICES.powder(line).chosen;
export const inkFor = (line: Sourced): InkSet => CHOICES.ink(line).chosen;
export const printerFor = (line: Sourced): Printer => CHOICES.printer(line).chosen;
export const pressFor = (line: Sourced): Press => CHOICES.press(line).chosen;
export const capPressFor = (line: Sourced): CapPress => CHOICES['cap-press'](line).chosen;
export const sprayerFor = (line: Sourced): Sprayer => CHOICES.sprayer(line).chosen;
export const fluidFor = (line: Sourced): Pretreatment => CHOICES.fluid(line).chosen;
export const supplierFor = (line: Sourced): BoughtIn => CHOICES.supplier(line).chosen;
export const shelfTransferFor = (line: Sourced): ShelfTransfer => CHOICES['shelf-transfer'](line).chosen;
/** What film is wetted with to hold; `null` where it is plain water. */
export const liquidFor = ({ equipment }: Line): HoldingLiquid | null => equipment.liquids[0] ?? null;
/** Tape is a help and no need: `null` where none is set up. */
export const tapeFor = (line: Sourced): Tape | null =>
  line.equipment.tapes.length === 0 ? null : CHOICES.tape(line).chosen;

/** Why the shop has nothing that fills a role of a line; `null` where it has. */
export function lackOf(line: Sourced, role: SourceRole): Said | null {
  try {
    CHOICES[role](line);
    return null;
  } catch (error) {
    if (error instanceof NotSetUp) return say('refusal.none-set-up', { thing: error.thing });
    if (error instanceof NoneFits) return error.said;
    throw error;
  }
}

/** Where a print's transfer comes from: made for it here, made to order elsewhere, or lying ready. */
export type TransferOrigin = HouseMethods['patchTransfer'];

/** What a transfer is made with, or found among, by where it comes from. */
export const ORIGIN_ROLES: Record<TransferOrigin, readonly SourceRole[]> = {
  here: ['printer', 'ink', 'film', 'powder'],
  bought: ['supplier'],
  shelf: ['shelf-transfer'],
};
const ORIGINS = Object.keys(ORIGIN_ROLES) as TransferOrigin[];

/** By the process; for a patch as this shop likes it, or else in the first way that it can. */
export function transferOrigin(line: Sourced): TransferOrigin {
  const { process, house } = line;
  if (process === 'bought-in') return 'bought';
  if (process === 'shelf') return 'shelf';
  if (process !== 'patch-cap') return 'here';
  const wished = house.patchTransfer;
  const isThere = (own: TransferOrigin): boolean =>
    ORIGIN_ROLES[own].every((role) => lackOf(line, role) === null);
  return [wished, ...ORIGINS].find(isThere) ?? wished;
}

/** A transfer that is not made for the line: its own instructions govern. `null` where it is made here. */
export function readyMadeFor(line: Sourced): (Named & TransferInstructions) | null {
  const origin = transferOrigin(line);
  if (origin === 'here') return null;
  return origin === 'bought' ? supplierFor(line) : shelfTransferFor(line);
}

/** Share of a print's box above which it counts as solid: then ink wants the finer, slower mode (assumption). */
const SOLID_SHARE = 0.6;

/** The mode a print is run in, and why. */
export function printModeFor(
  { house, print }: Line,
  printer: Printer,
): PrintMode & { said: Said; isSolid: boolean } {
  const coarsest = needed(printer.modes[0], 'print-mode', printer.name);
  const finest = printer.modes[printer.modes.length - 1] ?? coarsest;
  const share = print.inkMm2 / Math.max(1, print.widthMm * print.heightMm);
  const isSolid = share > SOLID_SHARE;
  const reason = house.printMode === 'one' ? 'one' : isSolid ? 'solid' : 'open';
  const mode = reason === 'solid' ? finest : coarsest;
  return { ...mode, isSolid, said: say('check.mode', { mode: mode.name, reason, share }) };
}

/** A press of either kind, by its id. */
export const pressWith = (
  { presses, capPresses }: Pick<Equipment, 'presses' | 'capPresses'>,
  id: string,
): Press | CapPress | undefined => [...presses, ...capPresses].find((own) => own.id === id);

/** What a cover sheet is for: pretreatment and ink never share one. */
export type SheetUse = 'press' | 'second-press' | 'cure' | 'pretreatment';

const SHEET_ROLES: Record<SheetUse, SourceRole> = {
  press: 'press-sheet',
  'second-press': 'second-sheet',
  cure: 'cure-sheet',
  pretreatment: 'fluid-sheet',
};

const WANTED: Record<HouseMethods['coverSheet'], readonly SheetKind[]> = {
  parchment: ['parchment'],
  kraft: ['kraft'],
  ptfe: ['ptfe'],
  silicone: ['silicone-textured', 'silicone-thin', 'silicone-thick'],
};

/** Kinds of sheet that are wished for a use: what came with a transfer asks for, or else the house. */
export function wishedSheets(line: Sourced, use: SheetUse): readonly SheetKind[] {
  const isPressing = use === 'press' || use === 'second-press';
  const readyMade = isPressing ? readyMadeFor(line) : null;
  if (readyMade) return [readyMade.sheet];
  return WANTED[use === 'second-press' ? line.house.secondPressSheet : line.house.coverSheet];
}

function sheetChoice(line: Sourced, use: SheetUse): Choice<CoverSheet> {
  const purpose = use === 'pretreatment' ? 'pretreatment' : 'ink';
  const candidates = judge.sheets(line, purpose, wishedSheets(line, use));
  return chosen(line, SHEET_ROLES[use], [`${purpose}-sheet`, candidates]);
}

/** The sheet for a use. */
export const coverSheetFor = (line: Sourced, use: SheetUse): CoverSheet => sheetChoice(line, use).chosen;

/** A sheet of just this kind that is kept for ink; `null` where there is none. */
export const inkSheetOf = ({ equipment }: Line, wanted: SheetKind): CoverSheet | null =>
  equipment.coverSheets.find(({ kind, purpose }) => kind === wanted && purpose === 'ink') ?? null;

/** The thick mat patches are pressed under on caps, before and after, where this house has and wants one. */
export const capMatFor = ({ process, house, equipment }: Line): CoverSheet | null =>
  process === 'patch-cap' && house.capMat === 'mat'
    ? (equipment.coverSheets.find(({ kind }) => kind === 'silicone-thick') ?? null)
    : null;

/** A thing of the set-up as an operation refers to it. */
export const refOf = ({ id, name }: Named): Ref => ({ id, name });

/** How much longer heat takes through a sheet than through paper, and why. */
export interface SheetDelay {
  factor: number;
  said: Said;
}

/** How much longer heat takes through this sheet than through paper. */
export function sheetDelay({ kind }: CoverSheet): SheetDelay | null {
  if (kind === 'silicone-thick')
    return { factor: TRADE.thickSiliconeFactor.start, said: say('reason.mat-doubles') };
  if (kind === 'silicone-thin' || kind === 'silicone-textured')
    return { factor: TRADE.thinSiliconeFactor.start, said: say('reason.silicone-slower') };
  return null;
}

/** Prints graded by size use as much more, or less, as their areas are larger. */
export const areaScale = ({ placement, print }: Pick<PrintInput, 'placement' | 'print'>): number =>
  meanAreaScale(placement, print.lineWidthMm);
