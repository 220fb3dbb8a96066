import { FAINT_ALPHA, RGB_OF_WORD } from './pixels.ts';
import type { Box } from './pixels.ts';
import type { ArtScan } from './scan.ts';
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
 * @param colourGm2 water of a colour (0xBBGGRR) at full alpha, g/m²; asked for every run of pixels, which is cheaper than a look into far memory
 * @param whites planes over the ink's rectangle with the water of full white each, g/m²
 */
export function measureWater(
  scan: ArtScan,
  pitchMm: number,
  colourGm2: (rgb: number) => number,
  whites: readonly { white: WhitePlane; fullGm2: number }[],
): Omit<Water, 'pretreatG'> {
  const windowPx = Math.max(1, Math.round(WINDOW_MM / pitchMm));
  const none = { inkG: 0, meanGm2: 0, peakGm2: 0, windowPx, peakAt: { x: 0, y: 0 } };
  const { box } = scan;
  if (box === null) return none;
  const rows = Math.min(windowPx, box.h); // beyond the ink there is no water, so a window larger than it holds all of it
  const across = Math.min(windowPx, box.w);
  const columns = new Float64Array(box.w); // sums over the rows under the window
  const layers = [
    layerOf(rows, box.w, colourReader(scan, box, colourGm2)),
    ...whites.map(({ white, fullGm2 }) => layerOf(rows, box.w, whiteReader(white, fullGm2))),
  ];
  const peak: Peak = { sum: 0, x: box.x, y: box.y };
  let sum = 0; // over all pixels, g/m² each
  let hasGrown = false; // since a window was last looked for
  for (let y = 0; y < box.h; y++) {
    for (const layer of layers) {
      const entering = layer.spare;
      const leaving = layer.under[y % rows];
      sum += layer.read(y, entering);
      hasGrown = exchangeRows(columns, entering, leaving) || hasGrown;
      layer.under[y % rows] = entering;
      layer.spare = leaving;
    }
    if (y < rows - 1 || !hasGrown) continue;
    slideAlong(columns, across, box, y - rows + 1, peak);
    hasGrown = false;
  }
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

/**
 * A row as stretches of equal wetness: stretch i ends before `ends[i]` and holds `gm2[i]`, g/m².
 * A row in pixels has one stretch for each, and `ends` is not written.
 */
interface WetRow {
  isInPixels: boolean;
  ends: Int32Array;
  gm2: Float64Array;
}

/** A dry row. */
function emptyRow(width: number): WetRow {
  const row = { isInPixels: false, ends: new Int32Array(width), gm2: new Float64Array(width) };
  row.ends[0] = width;
  return row;
}

const endOf = ({ isInPixels, ends }: WetRow, i: number): number => (isInPixels ? i + 1 : ends[i]);

/** One of what is laid down on top of another, row by row. */
interface Layer {
  /** The rows under the window, by row number modulo their count; and one that is free. */
  under: WetRow[];
  spare: WetRow;
  /** Reads a row of the ink's rectangle into stretches; returns its water summed over its pixels, g/m² each. */
  read: (y: number, row: WetRow) => number;
}

const layerOf = (rows: number, width: number, read: Layer['read']): Layer => ({
  under: Array.from({ length: rows }, () => emptyRow(width)),
  spare: emptyRow(width),
  read,
});

/** Reads colour: in stretches, or pixel by pixel where the row above was busy. */
function colourReader(scan: ArtScan, box: Box, colourGm2: (rgb: number) => number): Layer['read'] {
  let isBusy = false;
  return (y, row) => {
    const words = scan.pixels.subarray((box.y + y) * scan.width + box.x).subarray(0, box.w);
    row.isInPixels = isBusy;
    const { stretches, sum } = isBusy
      ? readPixels(words, colourGm2, row.gm2)
      : readStretches(words, colourGm2, row);
    isBusy = 2 * stretches > box.w;
    return sum;
  };
}

function readPixels(words: Int32Array, colourGm2: (rgb: number) => number, gm2: Float64Array) {
  let last = 0;
  let wet = 0;
  let stretches = 0;
  let sum = 0;
  for (let x = 0; x < words.length; x++) {
    const word = words[x];
    if (word !== last) {
      last = word;
      wet = wetOf(word, colourGm2);
      stretches++;
    }
    sum += wet;
    gm2[x] = wet;
  }
  return { stretches, sum };
}

function readStretches(words: Int32Array, colourGm2: (rgb: number) => number, { ends, gm2 }: WetRow) {
  let stretches = 0;
  let sum = 0;
  for (let x = 0; x < words.length;) {
    const word = words[x];
    let end = x + 1;
    while (end < words.length && words[end] === word) end++;
    const wet = wetOf(word, colourGm2);
    sum += wet * (end - x);
    ends[stretches] = end;
    gm2[stretches++] = wet;
    x = end;
  }
  return { stretches, sum };
}

const wetOf = (word: number, colourGm2: (rgb: number) => number): number =>
  word >>> 24 < FAINT_ALPHA ? 0 : colourGm2(word & RGB_OF_WORD) * ((word >>> 24) / 255);

/** Reads a white, four pixels at a time where it is even. */
function whiteReader({ box, plane }: WhitePlane, fullGm2: number): Layer['read'] {
  const across = box.w;
  const fours = new Int32Array(plane.buffer, plane.byteOffset, plane.length >> 2);
  return (y, { ends, gm2 }) => {
    const from = y * across;
    const to = from + across;
    let stretches = 0;
    let sum = 0;
    for (let at = from; at < to;) {
      const start = at;
      const code = plane[at++];
      const four = Math.imul(code, 0x01010101);
      while (at < to && (at & 3) !== 0 && plane[at] === code) at++;
      if ((at & 3) === 0) while (at + 4 <= to && fours[at >> 2] === four) at += 4;
      while (at < to && plane[at] === code) at++;
      const wet = (code * fullGm2) / 255;
      sum += wet * (at - start);
      ends[stretches] = at - from;
      gm2[stretches++] = wet;
    }
    return sum;
  };
}

/** Carries the columns' sums on by one row; true when some column got wetter. Where both rows are alike nothing is touched. */
function exchangeRows(columns: Float64Array, entering: WetRow, leaving: WetRow): boolean {
  if (entering.isInPixels && leaving.isInPixels) return exchangePixels(columns, entering.gm2, leaving.gm2);
  let hasGrown = false;
  let i = 0;
  let k = 0;
  for (let x = 0; x < columns.length;) {
    const enteringEnd = endOf(entering, i);
    const leavingEnd = endOf(leaving, k);
    const end = Math.min(enteringEnd, leavingEnd);
    const change = entering.gm2[i] - leaving.gm2[k];
    if (change !== 0) {
      if (change > 0) hasGrown = true;
      for (let u = x; u < end; u++) columns[u] += change;
    }
    x = end;
    if (enteringEnd === end) i++;
    if (leavingEnd === end) k++;
  }
  return hasGrown;
}

/** The same where both rows are in single pixels: of so many, some column grows, so none is asked. */
function exchangePixels(columns: Float64Array, entering: Float64Array, leaving: Float64Array): true {
  for (let x = 0; x < columns.length; x++) columns[x] += entering[x] - leaving[x];
  return true;
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
