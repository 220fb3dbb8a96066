import { CUTTING, TURNS, USUAL_EDGE_MM, quickLayout } from '../film/index.ts';
import type { PrintInput } from './documents.ts';
import { areaScale, filmFor, printModeFor, printerFor } from './equip.ts';
import { largestOf } from './sources/judge.ts';
import { printsOn } from './loads.ts';
import { melterFor } from './melters.ts';
import { placementOf } from './placing.ts';
import { sparesOf } from './practice.ts';
import { sizesOnFilm } from './transfersOf.ts';
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
 * Film a transfer of this line takes, m²: its share of the whole sheets, or of the pieces of roll, that the line’s
 * transfers take by themselves, laid out at once. What is left beside them is paid for as well.
 */
export function filmPerTransferM2(input: PrintInput): number {
  const film = filmFor(input);
  const sheet = sheetTaken(input, film);
  const { widthMm } = sheet ?? film;
  const surface = sheet ?? melterFor(input).surface;
  const sizes = sizesOnFilm(sizesFor(input), sparesOf(input));
  const layout = quickLayout({
    film: sheet
      ? { kind: 'sheet', ...sheet }
      : { kind: 'roll', widthMm, maxLengthMm: Math.max(surface.widthMm, surface.heightMm) },
    keepOut: { leftMm: USUAL_EDGE_MM, rightMm: USUAL_EDGE_MM, topMm: USUAL_EDGE_MM, bottomMm: USUAL_EDGE_MM },
    gapMm: CUTTING.trimmer.gapMm,
    isByOutline: false,
    items: sizes.map((own, i) => ({
      id: String(i),
      widthMm: own.widthMm,
      heightMm: own.heightMm,
      count: own.slots.length,
      turns: TURNS,
      priority: 0,
      mask: null,
    })),
  });
  // what is too large for the film is refused elsewhere; here it takes as much as it would
  const beyond = layout.unplaced.reduce(
    (sum, { count, neededWidthMm, neededHeightMm }) => sum + count * neededWidthMm * neededHeightMm,
    0,
  );
  const transfers = sizes.reduce((sum, { slots }) => sum + slots.length, 0);
  return (layout.lengthMm * widthMm + beyond) / 1e6 / transfers;
}

/** What is printed, size by size; of another number of pieces as many of each as of those written, as near as can be. */
function sizesFor(input: PrintInput): Parameters<typeof sizesOnFilm>[0] {
  const { sizes } = placementOf(input);
  const written = sizes.reduce((sum, { quantity }) => sum + quantity, 0);
  if (written === input.pieces) return sizes;
  let [before, given] = [0, 0];
  return sizes.map(({ quantity, widthMm, heightMm }) => {
    before += quantity;
    const share = Math.round((before / written) * input.pieces) - given;
    given += share;
    return { quantity: share, widthMm, heightMm };
  });
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
