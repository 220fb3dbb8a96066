import { boundsOfBits, countBits, hasBit, makeBits, setRun } from './bits.ts';
import type { BitPlane } from './bits.ts';
import { ColourTable } from './colourTable.ts';
import { FAINT_ALPHA, OPAQUE_ALPHA, RGB_OF_WORD, SHAPE_ALPHA, assertPixels, wordsOf } from './pixels.ts';
import type { Box, Pixels } from './pixels.ts';

/** What one look at every pixel tells; everything else is worked out from this. */
export interface ArtScan {
  width: number;
  height: number;
  /** One word a pixel, see `wordsOf`; read, never written. */
  pixels: Int32Array;
  /** Pixels with ink: alpha ≥ 8. */
  ink: BitPlane;
  /** Pixels of the shape: alpha ≥ 128. */
  shape: BitPlane;
  /** Opaque pixels: alpha ≥ 250. */
  opaque: BitPlane;
  inkPx: number;
  shapePx: number;
  opaquePx: number;
  /** Pixels fainter than any printer lays down, but not empty. */
  ghostPx: number;
  /** Sum of alpha, 0–1 each, over the pixels with ink. */
  alphaPx: number;
  /** Rectangle round the ink; `null` for an empty image. */
  box: Box | null;
  colours: ColourTable;
  /** Side in px of the squares the image was blown up by, 1 to 8: 1 for an image that was not. */
  nnScale: number;
}

/** A scan under way: bands of rows, in order, then {@link finishScan}. */
export interface ScanWork {
  width: number;
  height: number;
  pixels: Int32Array;
  ink: BitPlane;
  shape: BitPlane;
  opaque: BitPlane;
  ghostPx: number;
  colours: ColourTable;
  /** Factors of enlargement that nothing seen so far speaks against. */
  factors: number[];
}

/** @throws RangeError for an image of the wrong byte count */
export function startScan(image: Pixels): ScanWork {
  assertPixels(image);
  const { width, height } = image;
  const work: ScanWork = {
    width,
    height,
    pixels: wordsOf(image),
    ink: makeBits(width, height),
    shape: makeBits(width, height),
    opaque: makeBits(width, height),
    ghostPx: 0,
    colours: new ColourTable(),
    factors: [8, 7, 6, 5, 4, 3, 2],
  };
  for (const share of [1 / 2, 1 / 4, 3 / 4]) keepFactors(work, Math.floor(share * height)); // most art fails here already
  return work;
}

/** Scans rows `from` up to but not including `to`. Bands may come in any order and be scanned apart, see {@link mergeScans}. */
export function scanRows(work: ScanWork, from: number, to: number): void {
  for (let y = from; y < to; y++) {
    if (work.factors.length > 0) keepFactors(work, y);
    scanRow(work, y);
  }
}

/** Adds what another worker found in its own rows of the same image. */
export function mergeScans(work: ScanWork, other: ScanWork): void {
  for (const plane of ['ink', 'shape', 'opaque'] as const)
    for (let i = 0; i < work[plane].words.length; i++) work[plane].words[i] |= other[plane].words[i];
  work.ghostPx += other.ghostPx;
  work.colours.merge(other.colours);
  work.factors = work.factors.filter((factor) => other.factors.includes(factor));
}

/** Adds up what the bands found. */
export function finishScan(work: ScanWork): ArtScan {
  const { colours, factors, ...rest } = work;
  return {
    ...rest,
    colours,
    alphaPx: colours.totalAlphaPx(),
    inkPx: countBits(work.ink),
    shapePx: countBits(work.shape),
    opaquePx: countBits(work.opaque),
    box: boundsOfBits(work.ink),
    nnScale: factors[0] ?? 1,
  };
}

/** Scans a whole image. */
export function scanArt(image: Pixels): ArtScan {
  const work = startScan(image);
  scanRows(work, 0, image.height);
  return finishScan(work);
}

/** Marks the inked pixels whose word `isMarked` says yes to; neighbours mostly repeat, so it is asked once a run. */
export function markWords(
  { width, height, pixels, ink }: Pick<ArtScan, 'width' | 'height' | 'pixels' | 'ink'>,
  isMarked: (word: number) => boolean,
): BitPlane {
  const out = makeBits(width, height);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    for (let x = 0; x < width;) {
      const from = x;
      const word = pixels[row + x];
      while (x < width && pixels[row + x] === word) x++;
      if (hasBit(ink, from, y) && isMarked(word)) setRun(out, y, from, x);
    }
  }
  return out;
}

/** One row, run by run of equal pixels. */
function scanRow(work: ScanWork, y: number): void {
  const { pixels, width, height, colours, ink, shape, opaque } = work;
  const start = y * width;
  const end = start + width;
  const below = y + 1 < height ? width : 0; // the last row has no lower neighbour: nothing there is flat
  let level = 0; // of the stretch under way, see {@link levelOf}
  let since = 0;
  let before = 0; // alpha of the run before
  for (let i = start; i < end;) {
    const word = pixels[i];
    const from = i;
    const alpha = word >>> 24;
    i++;
    while (i < end && pixels[i] === word) i++;
    if (alpha !== before) {
      before = alpha;
      const now = levelOf(alpha);
      if (now !== level) {
        mark(work, y, level, since, from - start);
        level = now;
        since = from - start;
      }
    }
    if (level === 0) {
      if (alpha > 0) work.ghostPx += i - from;
      continue;
    }
    const rgb = word & RGB_OF_WORD;
    if (alpha === 255) colours.addFull(rgb, i - from);
    else colours.addPartial(rgb, alpha * (i - from), level === 3);
    if (level < 3 || below === 0) continue;
    const last = i < end && isAlike(pixels[i], word) ? i : i - 1; // only the run's last pixel has another neighbour
    if (last === from) continue;
    let flat = 0;
    for (let k = from + below; k < last + below; k++)
      if (pixels[k] === word || isAlike(pixels[k], word)) flat++;
    if (flat > 0) colours.addFlat(rgb, flat);
  }
  mark({ ink, shape, opaque }, y, level, since, width);
}

/** Level of an alpha: 0 empty or faint, 1 ink, 2 shape, 3 opaque. */
const levelOf = (alpha: number): number =>
  alpha >= OPAQUE_ALPHA ? 3 : alpha >= SHAPE_ALPHA ? 2 : alpha >= FAINT_ALPHA ? 1 : 0;

/** True when a neighbour is opaque and of the same colour. */
const isAlike = (neighbour: number, word: number): boolean =>
  ((neighbour ^ word) & RGB_OF_WORD) === 0 && neighbour >>> 24 >= OPAQUE_ALPHA;

function mark(
  { ink, shape, opaque }: Pick<ScanWork, 'ink' | 'shape' | 'opaque'>,
  y: number,
  level: number,
  from: number,
  to: number,
): void {
  if (level === 0) return;
  setRun(ink, y, from, to);
  if (level >= 2) setRun(shape, y, from, to);
  if (level === 3) setRun(opaque, y, from, to);
}

/** Drops each factor k for which some pixel of the row differs from the one at (x − x mod k, y − y mod k). */
function keepFactors(work: ScanWork, y: number): void {
  const { pixels, width } = work;
  work.factors = work.factors.filter((k) => {
    const row = y * width;
    const origin = (y - (y % k)) * width;
    for (let x = 0; x < width; x++) if (pixels[row + x] !== pixels[origin + x - (x % k)]) return false;
    return true;
  });
}
