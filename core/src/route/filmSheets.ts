import type { PrintInput } from './documents.ts';
import { areaScale, filmFor, printModeFor, printerFor } from './equip.ts';
import { largestOf } from './sources/judge.ts';
import { printsOn } from './loads.ts';
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
  const film = filmFor(input);
  const printer = printerFor(input);
  if (input.process === 'dtf-platen')
    return printsOn(input, within(film, largestOf(printer.platens) ?? printer));
  if (input.process === 'sub-film') return printsOn(input, within(film, printer));
  return film.heightMm === null
    ? Infinity
    : printsOn(input, within(film, { ...film, heightMm: film.heightMm }));
}

/** What of a surface film covers. */
const within = (
  film: { widthMm: number; heightMm: number | null },
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
): { widthMm: number; heightMm: number } => ({
  widthMm: Math.min(film.widthMm, widthMm),
  heightMm: Math.min(film.heightMm ?? Infinity, heightMm),
});
