import type { PrintInput } from './documents.ts';
import { areaScale, filmFor, printModeFor, printerFor } from './equip.ts';
import { largestOf } from './sources/judge.ts';
import { GAP_MM, printsOn } from './loads.ts';
import { melterFor } from './melters.ts';
import { sparesOf } from './practice.ts';
import { TRADE } from './tradeRanges.ts';

/** Powdered film is melted within this time: loose powder shakes off (assumption). */
export const LOOSE_POWDER_S = 600;

/** Printing time of one transfer, s. */
export const transferPrintS = (input: PrintInput): number =>
  input.print.filmM2 * areaScale(input) * printModeFor(input, printerFor(input)).minPerM2 * 60;

/** How a line's film is divided, in transfers. */
export interface FilmSheets {
  perSheet: number;
  /** Sheets melted together hold this many; as many as one sheet where each is melted by itself. */
  perLoad: number;
  /** How long the first print of a full sheet has been lying when its last is printed, s. */
  printedForS: number;
}

/**
 * Film goes from printer to powder to heat in sheets: small enough that the first print is still wet when the last is
 * done, that it lies flat in the heat, and that loose powder does not lie long until as many sheets have come as melt at
 * once. Half of each window is given to making, the other half is left for people.
 */
export function filmSheets(input: PrintInput): FilmSheets {
  const printS = transferPrintS(input);
  const atOnce = printsOn(input, melterFor(input).surface);
  const inTime = 1 + Math.floor(TRADE.powderStandS.max / 2 / Math.max(printS, 1e-9));
  const perSheet = Math.min(atOnce, inTime, carrierHolds(input));
  const apartS = Math.max(1, perSheet * printS);
  const sheets = Math.min(Math.floor(atOnce / perSheet), 1 + Math.floor(LOOSE_POWDER_S / 2 / apartS));
  return {
    perSheet,
    perLoad: perSheet * Math.max(1, sheets),
    printedForS: (Math.min(perSheet, input.pieces + sparesOf(input)) - 1) * printS,
  };
}

/** Transfers on the film as the printer takes it: a platen, a desk printer's sheet, or as much of a roll as is wanted. */
function carrierHolds(input: PrintInput): number {
  const sheet = sheetTaken(input, filmFor(input));
  return sheet === null ? Infinity : printsOn(input, sheet);
}

/** What of a surface film covers. */
const within = (
  film: { widthMm: number; heightMm: number | null },
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
): { widthMm: number; heightMm: number } => ({
  widthMm: Math.min(film.widthMm, widthMm),
  heightMm: Math.min(film.heightMm ?? Infinity, heightMm),
});

/**
 * Film a transfer of this line takes, m²: whole sheets, or of a roll whole rows of its width, whichever way round takes
 * less. What is left beside them is paid for as well. A simple row fit, until sheets are laid out.
 */
export function filmPerTransferM2(input: PrintInput): number {
  const film = filmFor(input);
  const parts = input.pieces + sparesOf(input);
  const sheet = sheetTaken(input, film);
  if (sheet !== null) {
    const sheets = Math.ceil(parts / printsOn(input, sheet));
    return (sheets * sheet.widthMm * sheet.heightMm) / 1e6 / parts;
  }
  const scale = Math.sqrt(areaScale(input));
  const [width, height] = [input.print.widthMm * scale + GAP_MM, input.print.heightMm * scale + GAP_MM];
  const lengthMm = (across: number, along: number): number =>
    Math.ceil(parts / Math.max(1, Math.floor(film.widthMm / across))) * along;
  const shortest = Math.min(lengthMm(width, height), lengthMm(height, width));
  return (shortest * film.widthMm) / 1e6 / parts;
}

/** The piece of film that is taken at once; `null` where it runs off a roll. */
function sheetTaken(
  input: PrintInput,
  film: { widthMm: number; heightMm: number | null },
): { widthMm: number; heightMm: number } | null {
  const printer = printerFor(input);
  if (input.process === 'dtf-platen') return within(film, largestOf(printer.platens) ?? printer);
  if (input.process === 'sub-film') return within(film, printer);
  return film.heightMm === null ? null : { widthMm: film.widthMm, heightMm: film.heightMm };
}
