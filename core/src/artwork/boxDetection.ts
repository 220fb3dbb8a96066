import { colourDistance, parseHex, perceptualDistance, toHex, toLab, toPerceptual } from './colour.ts';
import { OPAQUE_ALPHA } from './pixels.ts';
import type { PixelBox, Pixels, Rgb } from './pixels.ts';

/** A rectangle behind the art that was meant to be transparent, or may have been. */
export type OpaqueBox =
  | { kind: 'none' }
  | { kind: 'fake-checkerboard' }
  | { kind: 'opaque-rectangle' }
  | {
      kind: 'uniform-box';
      hex: string;
      tone: 'white' | 'black' | 'other';
      isGarmentColour: boolean;
      boxShare: number;
    };

/** Colours within this perceptual distance are one background. */
const SAME_COLOUR = 6;

/**
 * Looks for an opaque box round the art: a ring of one pixel along the ink's rectangle that is (nearly) all opaque,
 * tried at the rectangle and up to two pixels inside it.
 */
export function detectOpaqueBox(image: Pixels, box: PixelBox | null, garmentHex: string): OpaqueBox {
  if (box === null) return { kind: 'none' };
  const ring = opaqueRing(image, box);
  if (ring === null) return { kind: 'none' };
  const median = medianColour(image, ring);
  const near = toPerceptual(median);
  const uniform =
    ring.filter((i) => perceptualDistance(toPerceptual(colourAt(image, i)), near) <= SAME_COLOUR).length /
    ring.length;
  if (uniform < 0.9)
    return { kind: isCheckerboard(image, ring, box.width) ? 'fake-checkerboard' : 'opaque-rectangle' };
  return {
    kind: 'uniform-box',
    hex: toHex(median),
    tone: toneOf(median),
    isGarmentColour: colourDistance(median, parseHex(garmentHex)) <= SAME_COLOUR,
    boxShare: floodFromRing(image, box, ring, median) / (box.width * box.height),
  };
}

function opaqueRing(image: Pixels, box: PixelBox): number[] | null {
  for (let inset = 0; inset <= 2; inset++) {
    const ring = ringIndices(image.width, box, inset);
    if (ring.length === 0) return null;
    const opaque = ring.filter((i) => image.data[4 * i + 3] >= OPAQUE_ALPHA).length;
    if (opaque >= 0.98 * ring.length) return ring;
  }
  return null;
}

/** Pixel indices along the rectangle's edge, inset by some pixels: top row first, left to right. */
function ringIndices(imageWidth: number, box: PixelBox, inset: number): number[] {
  const left = box.x + inset;
  const top = box.y + inset;
  const right = box.x + box.width - 1 - inset;
  const bottom = box.y + box.height - 1 - inset;
  if (right < left || bottom < top) return [];
  const ring: number[] = [];
  for (let x = left; x <= right; x++) ring.push(top * imageWidth + x);
  for (let y = top + 1; y <= bottom; y++) ring.push(y * imageWidth + right);
  if (bottom > top) for (let x = right - 1; x >= left; x--) ring.push(bottom * imageWidth + x);
  if (right > left) for (let y = bottom - 1; y > top; y--) ring.push(y * imageWidth + left);
  return ring;
}

const colourAt = ({ data }: Pixels, i: number): Rgb => ({
  r: data[4 * i],
  g: data[4 * i + 1],
  b: data[4 * i + 2],
});

function medianColour({ data }: Pixels, ring: number[]): Rgb {
  const lowerMedian = (channel: number): number => {
    const values = ring.map((i) => data[4 * i + channel]).sort((p, q) => p - q);
    return values[(values.length - 1) >> 1];
  };
  return { r: lowerMedian(0), g: lowerMedian(1), b: lowerMedian(2) };
}

function toneOf(colour: Rgb): 'white' | 'black' | 'other' {
  const { lightness, chroma } = toLab(colour);
  if (lightness >= 95 && chroma < 5) return 'white';
  return lightness <= 10 ? 'black' : 'other';
}

/** Opaque pixels of the box colour reachable from the ring through their four neighbours, px. */
function floodFromRing(image: Pixels, box: PixelBox, ring: number[], colour: Rgb): number {
  const { width, height } = box;
  const open = matchColour(image, box, colour);
  const stack = new Int32Array(width * height); // a pixel is pushed once at most
  let top = 0;
  let count = 0;
  const push = (at: number): void => {
    if (open[at] === 0) return;
    open[at] = 0;
    stack[top++] = at;
  };
  for (const i of ring) push((Math.floor(i / image.width) - box.y) * width + (i % image.width) - box.x);
  while (top > 0) {
    const at = stack[--top];
    const x = at % width;
    count++;
    if (x > 0) push(at - 1);
    if (x < width - 1) push(at + 1);
    if (at >= width) push(at - width);
    if (at < width * (height - 1)) push(at + width);
  }
  return count;
}

/** Marks the opaque pixels of the box that look like `colour`; neighbours mostly repeat, so the last answer is kept. */
function matchColour({ width, data }: Pixels, box: PixelBox, colour: Rgb): Uint8Array {
  const near = toPerceptual(colour);
  const known = new Map<number, number>();
  const marks = new Uint8Array(box.width * box.height);
  let lastKey = -1;
  let last = 0;
  for (let y = 0; y < box.height; y++) {
    let p = 4 * ((box.y + y) * width + box.x);
    for (let i = y * box.width; i < (y + 1) * box.width; i++, p += 4) {
      if (data[p + 3] < OPAQUE_ALPHA) continue;
      const key = (data[p] << 16) | (data[p + 1] << 8) | data[p + 2];
      if (key !== lastKey) {
        lastKey = key;
        last = known.get(key) ?? -1;
        if (last < 0) {
          const distance = perceptualDistance(
            toPerceptual({ r: data[p], g: data[p + 1], b: data[p + 2] }),
            near,
          );
          known.set(key, (last = distance <= SAME_COLOUR ? 1 : 0));
        }
      }
      marks[i] = last;
    }
  }
  return marks;
}

/** A "transparent" background that was painted: two greys in squares of one size along the ring's top row. */
function isCheckerboard(image: Pixels, ring: number[], boxWidth: number): boolean {
  const greys = ring.filter((i) => toLab(colourAt(image, i)).chroma < 4).length;
  if (greys < 0.98 * ring.length) return false;
  const histogram = new Int32Array(64);
  for (const i of ring) histogram[image.data[4 * i + 1] >> 2]++;
  const byCount = [...histogram.keys()].sort((p, q) => histogram[q] - histogram[p]);
  const first = byCount[0];
  const second = byCount.find((bin) => Math.abs(bin - first) >= 2) ?? first;
  const isTwoTone =
    histogram[second] >= 0.3 * ring.length && histogram[first] + histogram[second] >= 0.9 * ring.length;
  if (second === first || !isTwoTone) return false;
  const topLength = ring.findIndex((i, k) => k > 0 && i !== ring[k - 1] + 1);
  const topRow = ring.slice(0, topLength < 0 ? boxWidth : topLength).map((i) => {
    const bin = image.data[4 * i + 1] >> 2;
    return Math.abs(bin - first) <= Math.abs(bin - second);
  });
  return hasEvenRuns(topRow);
}

function hasEvenRuns(row: boolean[]): boolean {
  const runs: number[] = [];
  row.forEach((value, x) => {
    if (x > 0 && value === row[x - 1]) runs[runs.length - 1]++;
    else runs.push(1);
  });
  if (runs.length < 6) return false;
  const inner = runs.slice(1, -1);
  const median = [...inner].sort((p, q) => p - q)[(inner.length - 1) >> 1];
  return median >= 4 && inner.filter((run) => Math.abs(run - median) <= 1).length >= 0.8 * inner.length;
}
