import { FAINT_ALPHA, RGB_OF_WORD } from './pixels.ts';
import type { Box } from './pixels.ts';
import type { ArtScan } from './scan.ts';
import { whitePx } from './white.ts';
import type { WhitePlane } from './white.ts';

/** Water in what is printed and sprayed, which drying has to drive out. */
export interface Water {
  /** In the ink of one print, g. */
  inkG: number;
  /** In the pretreatment of one print, g. */
  pretreatG: number;
  /** Mean over the inked area, g/m². */
  meanGm2: number;
  /** Wettest square of {@link WINDOW_MM} a side, g/m². */
  peakGm2: number;
  /** Side of that square, px. */
  windowPx: number;
  /** Its top left, px. */
  peakAt: { x: number; y: number };
}

/** Density and share of water of an ink: assumptions until the maker's sheet or a weighing says otherwise. */
export const COLOUR_WATER_G_ML = 1.05 * 0.65;
export const WHITE_WATER_G_ML = 1.25 * 0.55;
/** Share of water in pretreatment. */
export const PRETREATMENT_WATER = 0.88;
/** Side of the square over which wetness is averaged, mm: about what a finger feels as damp. */
export const WINDOW_MM = 10;

/**
 * Mean and peak of the water laid down, from each colour's own water and the white planes.
 * The peak is the largest mean over a square of 10 mm: sums of columns carried from row to row, then along the row.
 *
 * @param colourGm2 water of each colour number at full alpha, g/m²
 * @param whites planes over the ink's rectangle with the water of full white each, g/m²
 */
export function measureWater(
  scan: ArtScan,
  pitchMm: number,
  colourGm2: Float64Array,
  whites: readonly { white: WhitePlane; fullGm2: number }[],
): Omit<Water, 'pretreatG'> {
  const windowPx = Math.max(1, Math.round(WINDOW_MM / pitchMm));
  const none = { inkG: 0, meanGm2: 0, peakGm2: 0, windowPx, peakAt: { x: 0, y: 0 } };
  const { box } = scan;
  if (box === null) return none;
  const rows = Math.min(windowPx, box.h); // beyond the ink there is no water, so a window larger than it holds all of it
  const across = Math.min(windowPx, box.w);
  const columns = new Float64Array(box.w); // sums over the rows under the window
  const under = Array.from({ length: rows }, () => emptyRow(box.w));
  let entering = emptyRow(box.w);
  const peak: Peak = { sum: 0, x: box.x, y: box.y };
  const wet = { scan, box, colourGm2, whites };
  let hasGrown = false; // since a window was last looked for
  for (let y = 0; y < box.h; y++) {
    readWetRow(wet, y, entering);
    const leaving = under[y % rows];
    hasGrown = exchangeRows(columns, entering, leaving) || hasGrown;
    under[y % rows] = entering;
    entering = leaving;
    if (y < rows - 1 || !hasGrown) continue;
    slideAlong(columns, across, box, y - rows + 1, peak);
    hasGrown = false;
  }
  let sum = 0;
  for (let i = 0; i < colourGm2.length; i++) sum += colourGm2[i] * scan.colours.alphaPx(i);
  for (const { white, fullGm2 } of whites) sum += whitePx(white) * fullGm2;
  return {
    windowPx,
    inkG: (sum * pitchMm * pitchMm) / 1e6,
    meanGm2: scan.alphaPx === 0 ? 0 : sum / scan.alphaPx,
    peakGm2: peak.sum / (windowPx * windowPx),
    peakAt: { x: peak.x, y: peak.y },
  };
}

/** The wettest window so far: its water summed over its pixels, g/m² each, and its top left. */
interface Peak {
  sum: number;
  x: number;
  y: number;
}

const NO_PLANE = new Uint8Array(0);

/** A row as stretches of equal wetness: stretch i ends before `ends[i]` and holds `gm2[i]`, g/m². */
interface WetRow {
  count: number;
  ends: Int32Array;
  gm2: Float64Array;
}

/** A dry row. */
function emptyRow(width: number): WetRow {
  const row = { count: 1, ends: new Int32Array(width), gm2: new Float64Array(width) };
  row.ends[0] = width;
  return row;
}

interface Wet {
  scan: ArtScan;
  box: Box;
  colourGm2: Float64Array;
  whites: readonly { white: WhitePlane; fullGm2: number }[];
}

function readWetRow({ scan, box, colourGm2, whites }: Wet, y: number, row: WetRow): void {
  const { pixels, width, colours } = scan;
  const { ends, gm2 } = row;
  const at = (box.y + y) * width + box.x;
  const from = y * box.w;
  const [first, second] = whites;
  const plane = first?.white.plane ?? NO_PLANE;
  const perCode = (first?.fullGm2 ?? 0) / 255;
  const other = second?.white.plane ?? NO_PLANE;
  const perOther = (second?.fullGm2 ?? 0) / 255;
  const hasPlane = plane.length > 0;
  const hasOther = other.length > 0;
  let count = 0;
  for (let x = 0; x < box.w;) {
    const word = pixels[at + x];
    let end = x + 1;
    while (end < box.w && pixels[at + end] === word) end++;
    const alpha = word >>> 24;
    const colour = alpha < FAINT_ALPHA ? 0 : (colourGm2[colours.known(word & RGB_OF_WORD)] * alpha) / 255;
    while (x < end) {
      const start = from + x;
      const code = hasPlane ? plane[start] : 0;
      const otherCode = hasOther ? other[start] : 0;
      x++;
      if (hasPlane)
        while (x < end && plane[from + x] === code && (!hasOther || other[from + x] === otherCode)) x++;
      else x = end;
      ends[count] = x;
      gm2[count++] = colour + code * perCode + otherCode * perOther;
    }
  }
  row.count = count;
}

/** Carries the columns' sums on by one row; true when some column got wetter. Where both rows are alike nothing is touched. */
function exchangeRows(columns: Float64Array, entering: WetRow, leaving: WetRow): boolean {
  let hasGrown = false;
  let i = 0;
  let k = 0;
  for (let x = 0; x < columns.length;) {
    const end = Math.min(entering.ends[i], leaving.ends[k]);
    const change = entering.gm2[i] - leaving.gm2[k];
    if (change !== 0) {
      if (change > 0) hasGrown = true;
      for (let u = x; u < end; u++) columns[u] += change;
    }
    x = end;
    if (entering.ends[i] === end) i++;
    if (leaving.ends[k] === end) k++;
  }
  return hasGrown;
}

function slideAlong(
  columns: Float64Array,
  across: number,
  box: { x: number; y: number },
  top: number,
  peak: Peak,
): void {
  let sum = 0;
  let most = 0;
  for (let x = 0; x < columns.length; x++) if (columns[x] > most) most = columns[x];
  if (most * across <= peak.sum) return; // no window of this row can be wetter
  for (let x = 0; x < columns.length; x++) {
    sum += columns[x];
    if (x >= across) sum -= columns[x - across];
    if (x >= across - 1 && sum > peak.sum) {
      peak.sum = sum;
      peak.x = box.x + x - across + 1;
      peak.y = box.y + top;
    }
  }
}
