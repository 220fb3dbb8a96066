import { LINEAR, encodeSrgb, parseHex } from './colour.ts';
import { forEachBit } from './bits.ts';
import type { BitPlane } from './bits.ts';
import { FAINT_ALPHA, wordOfRgb } from './pixels.ts';
import type { Pixels, Rgb } from './pixels.ts';
import type { ArtScan } from './scan.ts';
import type { PrintProcess, WhitePlane } from './white.ts';

/**
 * How the print will look on the garment: transparent inks over white over fabric, mixed in linear light.
 * A picture of a model: real fabric, ink gain and gloss differ.
 *
 * @param white the underbase; `null` for none
 * @param garmentHex the garment's colour, "#rrggbb"
 * @returns an opaque image of the same size
 */
export function previewOnGarment(
  scan: Pick<ArtScan, 'width' | 'height' | 'pixels'>,
  white: WhitePlane | null,
  garmentHex: string,
  process: PrintProcess,
): Pixels {
  const { width, height, pixels } = scan;
  const out = new Uint32Array(pixels.length);
  const garment = parseHex(garmentHex);
  const bare = (0xff000000 | wordOfRgb(garment)) >>> 0;
  const seen = new Map<number, number>(); // colour, alpha and white to what is seen: art repeats itself
  let lastKey = -1;
  let last = 0;
  for (let y = 0; y < height; y++) {
    const row = y * width;
    const plane = rowOfPlane(white, y);
    for (let x = 0; x < width; x++) {
      const word = pixels[row + x];
      if (word >>> 24 < FAINT_ALPHA) {
        out[row + x] = bare;
        continue;
      }
      const w = plane === null ? 0 : whiteCode(plane, x);
      const key = (word >>> 0) * 256 + w; // below 2^40: exact
      if (key !== lastKey) {
        lastKey = key;
        last = seen.get(key) ?? keep(seen, key, look(word, w, garment, process));
      }
      out[row + x] = last;
    }
  }
  return { width, height, data: new Uint8Array(out.buffer) };
}

const REMEMBERED = 1 << 18; // photos have too many colours to keep them all

function keep(seen: Map<number, number>, key: number, value: number): number {
  if (seen.size < REMEMBERED) seen.set(key, value);
  return value;
}

function look(word: number, w: number, garment: Rgb, process: PrintProcess): number {
  const alpha = (word >>> 24) / 255;
  const one = (code: number, fabric: number): number => mix(code, alpha, w / 255, LINEAR[fabric], process);
  const r = one(word & 255, garment.r);
  const g = one((word >>> 8) & 255, garment.g);
  const b = one((word >>> 16) & 255, garment.b);
  return (0xff000000 | wordOfRgb({ r, g, b })) >>> 0;
}

function mix(code: number, alpha: number, white: number, garment: number, process: PrintProcess): number {
  const c = LINEAR[code];
  const surface = (1 - white) * garment + white; // what shines back through the ink
  if (process === 'dtg-light' || process === 'sub') return encodeSrgb(surface * (1 - alpha + alpha * c));
  return encodeSrgb(Math.min(alpha * c + (1 - alpha) * garment, surface));
}

/** One row of a plane, and where it begins in the image. */
interface PlaneRow {
  codes: Uint8Array;
  from: number;
}

function rowOfPlane(white: WhitePlane | null, y: number): PlaneRow | null {
  if (white === null) return null;
  const { box, plane } = white;
  const v = y - box.y;
  return v < 0 || v >= box.h ? null : { codes: plane.subarray(v * box.w, (v + 1) * box.w), from: box.x };
}

const whiteCode = ({ codes, from }: PlaneRow, x: number): number =>
  x < from || x >= from + codes.length ? 0 : codes[x - from];

/** A white plane as a picture: white ink where the plane is, the rest transparent. Of the image's size. */
export function pictureWhite(white: WhitePlane, width: number, height: number): Pixels {
  const out = new Uint32Array(width * height);
  const { box, plane } = white;
  for (let y = 0; y < box.h; y++) {
    const to = (box.y + y) * width + box.x;
    for (let x = 0; x < box.w; x++) out[to + x] = ((plane[y * box.w + x] << 24) | 0xffffff) >>> 0;
  }
  return { width, height, data: new Uint8Array(out.buffer) };
}

/** A white plane over the whole image, one byte a pixel: as it is printed or exported. */
export function wholePlane({ box, plane }: WhitePlane, width: number, height: number): Uint8Array {
  const out = new Uint8Array(width * height);
  for (let y = 0; y < box.h; y++)
    out.set(plane.subarray(y * box.w, (y + 1) * box.w), (box.y + y) * width + box.x);
  return out;
}

/** A mask as a picture in one colour, the rest transparent. */
export function pictureBits(bits: BitPlane, colour: Rgb): Pixels {
  const { width, height } = bits;
  const out = new Uint32Array(width * height);
  const set = (0xff000000 | wordOfRgb(colour)) >>> 0;
  forEachBit(bits, (x, y) => (out[y * width + x] = set));
  return { width, height, data: new Uint8Array(out.buffer) };
}

/**
 * The image mirrored left to right, for film. Mirroring is done here and nowhere else: a film mirrored twice reads backwards.
 */
export function mirrorPixels(image: Pixels): Pixels {
  const { width, height } = image;
  const from = new Uint32Array(image.data.slice().buffer);
  const out = new Uint32Array(from.length);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) out[y * width + x] = from[y * width + width - 1 - x];
  return { width, height, data: new Uint8Array(out.buffer) };
}

/** A plane of one byte a pixel mirrored left to right, see {@link mirrorPixels}. */
export function mirrorPlane(plane: Uint8Array, width: number): Uint8Array {
  const out = new Uint8Array(plane.length);
  for (let row = 0; row < plane.length; row += width)
    for (let x = 0; x < width; x++) out[row + x] = plane[row + width - 1 - x];
  return out;
}
