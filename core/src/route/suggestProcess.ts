import type { Garment, Process } from './documents.ts';
import { fibreWords, isMostlyPolyester, needsWhite } from './fabric.ts';

/** A proposal with its two strongest reasons and what would change it. */
export interface ProcessSuggestion {
  process: Process;
  reasons: string[];
  wouldChange: string;
}

const SMALL_MARK_MM = 120; // left chest and the like: several fit on one sheet of film
const MANY_PIECES = 20; // from here a sheet's set-up is spread thin

/**
 * Which process a print room would first think of for this blank and print.
 *
 * @param widthMm printed width, mm
 */
export function suggestProcess(garment: Garment, widthMm: number, pieces: number): ProcessSuggestion {
  if (isMostlyPolyester(garment)) {
    return {
      process: 'dtf',
      reasons: [
        `${fibreWords(garment)}: the transfer bonds below the temperature where polyester dye wanders`,
        'no pretreatment of polyester, which stains easily',
      ],
      wouldChange: 'A soft hand matters more than an even finish: direct print at low heat is possible.',
    };
  }
  if (widthMm <= SMALL_MARK_MM || (needsWhite(garment) && pieces >= MANY_PIECES)) {
    const first =
      widthMm <= SMALL_MARK_MM
        ? 'a small mark: many fit on one sheet of film'
        : `${pieces} dark pieces: no pretreatment of each one`;
    return {
      process: 'dtf',
      reasons: [first, 'spares can be kept on the shelf'],
      wouldChange: 'Fewer pieces, or a large soft print, would favour direct print.',
    };
  }
  return {
    process: 'dtg',
    reasons: [
      `${fibreWords(garment)} takes direct ink well, with a soft hand`,
      needsWhite(garment)
        ? 'few pieces: pretreating each is quicker than film'
        : 'no white and no pretreatment on a light garment',
    ],
    wouldChange: `From ${MANY_PIECES} dark pieces, or for marks up to ${SMALL_MARK_MM} mm, film is quicker.`,
  };
}
