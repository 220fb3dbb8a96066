import type { PrintInput } from './documents.ts';
import { areaScale, filmFor, printModeFor, printerFor } from './equip.ts';
import { printsOn } from './loads.ts';
import type { Printer, PrinterTask } from './machines.ts';
import { melterFor } from './melters.ts';
import { sparesOf } from './practice.ts';
import { TRADE } from './tradeRanges.ts';

/** Powdered film is melted within this time: loose powder shakes off (assumption). */
export const LOOSE_POWDER_S = 600;

const DESK_SHEET_M2 = 0.06; // a desk printer's sheet of film, about A4

/** The printer that film is printed on, by process. */
export function filmPrinterFor(input: PrintInput): Printer {
  const task: PrinterTask =
    input.process === 'dtf-platen' ? 'direct' : input.process === 'sub-film' ? 'sublimation' : 'film';
  return printerFor(input, task);
}

/** Printing time of one transfer, s. */
export const transferPrintS = (input: PrintInput): number =>
  input.print.filmM2 * areaScale(input) * printModeFor(input, filmPrinterFor(input)).minPerM2 * 60;

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

/** Transfers on the film as the printer takes it: a platen, a desk sheet, or as much of a roll as is wanted. */
function carrierHolds(input: PrintInput): number {
  const { process, print } = input;
  if (process === 'dtf-platen') return printsOn(input, largestPlaten(filmPrinterFor(input)));
  if (process === 'sub-film')
    return Math.max(1, Math.floor(DESK_SHEET_M2 / Math.max(1e-9, print.filmM2 * areaScale(input))));
  const { heightMm } = filmFor(input);
  return heightMm === null ? Infinity : printsOn(input, { ...filmFor(input), heightMm });
}

/** Film is laid on the largest platen there is. */
const largestPlaten = ({ platens, widthMm, heightMm }: Printer): { widthMm: number; heightMm: number } =>
  platens.reduce(
    (best, own) => (own.widthMm * own.heightMm > best.widthMm * best.heightMm ? own : best),
    platens[0] ?? { widthMm, heightMm },
  );
