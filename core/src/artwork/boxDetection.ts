import type { BitPlane } from './bits.ts';
import { colourDistance, parseHex, toHex, toLab } from './colour.ts';
import { likeColours } from './likeColours.ts';
import type { LikeColours } from './likeColours.ts';
import { OPAQUE_ALPHA, RGB_OF_WORD, rgbOfWord } from './pixels.ts';
import type { Box, Rgb } from './pixels.ts';
import { connectParts, partAt } from './runs.ts';
import { markWords } from './scan.ts';
import type { ArtScan } from './scan.ts';

/** A rectangle behind the art that was meant to be transparent, or may have been. */
export type OpaqueBox =
  | { kind: 'none' }
  | {
      kind: 'fake-checkerboard';
      ringUniform: number;
      /** The two greys that take turns. */
      greys: [string, string];
      /** Side of their squares, px. */
      cellPx: number;
    }
  | { kind: 'opaque-rectangle'; ringUniform: number }
  | {
      kind: 'uniform-box';
      /** Share of the ring, 0–1, that looks like its median. */
      ringUniform: number;
      hex: string;
      tone: 'white' | 'black' | 'other';
      /** Whether the garment would show that colour for free. */
      likeGarment: boolean;
      /** Share of the ink's rectangle that the box is seen in, 0–1. */
      boxShare: number;
    };

/** Colours within this perceptual distance are one background. */
const SAME_COLOUR = 6;

/**
 * Looks for an opaque box round the art: a ring of one pixel along the ink's rectangle that is (nearly) all opaque,
 * tried at the rectangle and up to two pixels inside it.
 */
export function detectOpaqueBox(scan: ArtScan, garmentHex: string): OpaqueBox {
  const { box } = scan;
  if (box === null) return { kind: 'none' };
  const ring = opaqueRing(scan, box);
  if (ring === null) return { kind: 'none' };
  const median = medianColour(scan, ring);
  const background = likeColours([median], SAME_COLOUR);
  const alike = ring.filter((i) => background.has(scan.pixels[i] & RGB_OF_WORD));
  const ringUniform = alike.length / ring.length;
  if (ringUniform < 0.9)
    return checkerboard(scan, ring, box.w, ringUniform) ?? { kind: 'opaque-rectangle', ringUniform };
  return {
    kind: 'uniform-box',
    ringUniform,
    hex: toHex(median),
    tone: toneOf(median),
    likeGarment: colourDistance(median, parseHex(garmentHex)) <= SAME_COLOUR,
    boxShare: floodFromRing(scan, ring, background) / (box.w * box.h),
  };
}

function opaqueRing(scan: ArtScan, box: Box): number[] | null {
  for (let inset = 0; inset <= 2; inset++) {
    const ring = ringIndices(scan.width, box, inset);
    if (ring.length === 0) return null;
    const opaque = ring.filter((i) => scan.pixels[i] >>> 24 >= OPAQUE_ALPHA).length;
    if (opaque >= 0.98 * ring.length) return ring;
  }
  return null;
}

/** Pixel indices along the rectangle's edge, inset by some pixels: top row first, left to right. */
function ringIndices(imageWidth: number, box: Box, inset: number): number[] {
  const left = box.x + inset;
  const top = box.y + inset;
  const right = box.x + box.w - 1 - inset;
  const bottom = box.y + box.h - 1 - inset;
  if (right < left || bottom < top) return [];
  const ring: number[] = [];
  for (let x = left; x <= right; x++) ring.push(top * imageWidth + x);
  for (let y = top + 1; y <= bottom; y++) ring.push(y * imageWidth + right);
  if (bottom > top) for (let x = right - 1; x >= left; x--) ring.push(bottom * imageWidth + x);
  if (right > left) for (let y = bottom - 1; y > top; y--) ring.push(y * imageWidth + left);
  return ring;
}

const colourAt = ({ pixels }: ArtScan, i: number): Rgb => rgbOfWord(pixels[i]);

function medianColour(scan: ArtScan, ring: number[]): Rgb {
  const lowerMedian = (channel: keyof Rgb): number => {
    const counts = new Uint32Array(256);
    for (const i of ring) counts[colourAt(scan, i)[channel]]++;
    let code = 0;
    for (let below = counts[0]; 2 * below < ring.length; below += counts[code]) code++;
    return code;
  };
  return { r: lowerMedian('r'), g: lowerMedian('g'), b: lowerMedian('b') };
}

function toneOf(colour: Rgb): 'white' | 'black' | 'other' {
  const { lightness, chroma } = toLab(colour);
  if (lightness >= 95 && chroma < 5) return 'white';
  return lightness <= 10 ? 'black' : 'other';
}

/** Opaque pixels of the box colour reachable from the ring through their four neighbours, px. */
function floodFromRing(scan: ArtScan, ring: number[], background: LikeColours): number {
  const parts = connectParts(markLike(scan, background, OPAQUE_ALPHA), 4);
  const isReached = new Uint8Array(parts.count);
  for (const i of ring) {
    const part = partAt(parts, i % scan.width, Math.floor(i / scan.width));
    if (part >= 0) isReached[part] = 1;
  }
  return parts.areaPx.reduce((sum, area, part) => sum + isReached[part] * area, 0);
}

/** Marks the pixels of at least some alpha whose colour is one of those that look alike. */
export const markLike = (scan: ArtScan, like: LikeColours, minAlpha: number): BitPlane =>
  markWords(scan, (word) => word >>> 24 >= minAlpha && like.has(word & RGB_OF_WORD));

/** Marks the pixels of at least some alpha that look like one of the colours. */
export const markColours = (scan: ArtScan, colours: Rgb[], within: number, minAlpha: number): BitPlane =>
  markLike(scan, likeColours(colours, within), minAlpha);

/** A "transparent" background that was painted: two greys in squares of one size along the ring's top row; `null` if it is none. */
function checkerboard(
  scan: ArtScan,
  ring: number[],
  boxWidth: number,
  ringUniform: number,
): OpaqueBox | null {
  const colours = ring.map((i) => colourAt(scan, i));
  if (colours.filter((colour) => toLab(colour).chroma < 4).length < 0.98 * ring.length) return null;
  const histogram = new Int32Array(64);
  for (const { g } of colours) histogram[g >> 2]++;
  const byCount = [...histogram.keys()].sort((p, q) => histogram[q] - histogram[p]);
  const first = byCount[0];
  const second = byCount.find((bin) => Math.abs(bin - first) >= 2) ?? first;
  const isTwoTone =
    histogram[second] >= 0.3 * ring.length && histogram[first] + histogram[second] >= 0.9 * ring.length;
  if (second === first || !isTwoTone) return null;
  const topLength = ring.findIndex((i, k) => k > 0 && i !== ring[k - 1] + 1);
  const topRow = colours
    .slice(0, topLength < 0 ? boxWidth : topLength)
    .map(({ g }) => Math.abs((g >> 2) - first) <= Math.abs((g >> 2) - second));
  const cellPx = evenRun(topRow);
  if (cellPx === null) return null;
  const greyOf = (bin: number): string =>
    toHex(colours.find(({ g }) => g >> 2 === bin) ?? { r: 0, g: 0, b: 0 });
  return { kind: 'fake-checkerboard', ringUniform, greys: [greyOf(first), greyOf(second)], cellPx };
}

/** Length of the row's runs when they are many, long and nearly all alike, else `null`. */
function evenRun(row: boolean[]): number | null {
  const runs: number[] = [];
  row.forEach((value, x) => {
    if (x > 0 && value === row[x - 1]) runs[runs.length - 1]++;
    else runs.push(1);
  });
  if (runs.length < 6) return null;
  const inner = runs.slice(1, -1);
  const median = [...inner].sort((p, q) => p - q)[(inner.length - 1) >> 1];
  const isEven = inner.filter((run) => Math.abs(run - median) <= 1).length >= 0.8 * inner.length;
  return median >= 4 && isEven ? median : null;
}
