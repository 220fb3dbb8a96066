import { LINEAR, parseHex, perceptualDistance, toPerceptual } from './colour.ts';
import { squaredDistances } from './distance.ts';
import { FAINT_ALPHA, alphaMask, cropPixels } from './pixels.ts';
import type { PixelBox, Pixels, Rgb } from './pixels.ts';

/** How the art gets onto the garment, as far as ink is concerned. */
export type PrintProcess = 'dtf' | 'dtg-dark' | 'dtg-light';

/** Knobs of the white under the colour. */
export interface UnderbaseSettings {
  /** How far the white stays inside the colour's edge, mm, ≥ 0. */
  chokeMm: number;
  /** Share (0–1) of the full white that is laid down. */
  density: number;
  /** White below this share (0–1) is not laid at all: single droplets do not hold. */
  minDot: number;
  /** Below 1 lifts light whites, since fabric swallows the first of it. Only direct print on dark. */
  gamma: number;
  /** Perceptual distance to the garment's colour at which white begins, and from which it is full. Only direct print. */
  nearGarment: { from: number; to: number };
  /** On light garments: lay white under tints all the same. */
  lightTints: boolean;
}

/** Trade defaults per process; every one is a starting point to be tested. */
export function defaultUnderbase(process: PrintProcess): UnderbaseSettings {
  const chokeMm = process === 'dtg-dark' ? 0.15 : process === 'dtf' ? 0.1 : 0;
  return {
    chokeMm,
    density: 1,
    minDot: 0.05,
    gamma: 0.45,
    nearGarment: { from: 3, to: 10 },
    lightTints: false,
  };
}

/** The white to be printed, one byte a pixel over a rectangle of the image: 255 is full white. */
export interface WhitePlane {
  box: PixelBox;
  /** Row-major over `box`. */
  plane: Uint8Array;
  /** Pixels that wanted white but lost all of it to the choke. */
  lostToChokePx: number;
}

/**
 * The white underbase of an image on a garment.
 * Least white through which a transparent ink still reaches its colour (Neugebauer, in linear light), choked by an
 * exact distance, so that fractions of a pixel count and a straight edge loses exactly the choke.
 *
 * @param box rectangle round the ink; the plane covers just that
 * @param pitchMm width of one pixel as printed, mm
 * @param garmentHex the garment's colour, "#rrggbb"
 * @throws RangeError for a negative choke or a density outside 0–1
 */
export function layWhite(
  image: Pixels,
  box: PixelBox,
  pitchMm: number,
  garmentHex: string,
  process: PrintProcess,
  settings: UnderbaseSettings = defaultUnderbase(process),
): WhitePlane {
  if (!(settings.chokeMm >= 0)) throw new RangeError(`choke is ${settings.chokeMm} mm, expected 0 or more`);
  if (!(settings.density >= 0 && settings.density <= 1)) {
    throw new RangeError(`white density is ${settings.density}, expected 0 to 1`);
  }
  const part = cropPixels(image, box);
  const plane = new Uint8Array(box.width * box.height);
  const chokePx = settings.chokeMm / pitchMm;
  const distances2 =
    chokePx > 0
      ? squaredDistances(alphaMask(part, FAINT_ALPHA), box.width, box.height, Math.ceil(chokePx) + 1)
      : null;
  const whiteFor = whiteByColour(parseHex(garmentHex), process, settings);
  let lostToChokePx = 0;
  for (let i = 0, p = 0; i < plane.length; i++, p += 4) {
    const alpha = part.data[p + 3];
    if (alpha < FAINT_ALPHA) continue;
    const wanted =
      whiteFor((part.data[p] << 16) | (part.data[p + 1] << 8) | part.data[p + 2]) * (alpha / 255);
    const keep = distances2 === null ? 1 : Math.min(1, Math.max(0, Math.sqrt(distances2[i]) - chokePx));
    const white = wanted * keep;
    if (white >= settings.minDot) plane[i] = Math.floor(255 * white + 0.5);
    else if (wanted >= settings.minDot) lostToChokePx++;
  }
  return { box, plane, lostToChokePx };
}

/** White wanted under an opaque pixel of a colour (0xRRGGBB), 0–1, each colour worked out once. */
function whiteByColour(
  garment: Rgb,
  process: PrintProcess,
  settings: UnderbaseSettings,
): (rgb: number) => number {
  if (process === 'dtf') return () => settings.density;
  if (process === 'dtg-light' && !settings.lightTints) return () => 0;
  const near = toPerceptual(garment);
  const { from, to } = settings.nearGarment;
  const known = new Map<number, number>();
  let lastRgb = -1; // neighbours mostly repeat
  let last = 0;
  return (rgb) => {
    if (rgb === lastRgb) return last;
    lastRgb = rgb;
    const found = known.get(rgb);
    if (found !== undefined) return (last = found);
    const colour = { r: rgb >> 16, g: (rgb >> 8) & 255, b: rgb & 255 };
    const ramp = Math.min(
      1,
      Math.max(0, (perceptualDistance(toPerceptual(colour), near) - from) / (to - from)),
    );
    const white = Math.min(1, leastWhite(colour, garment) ** settings.gamma * ramp * settings.density);
    known.set(rgb, white);
    return (last = white);
  };
}

/**
 * Smallest white coverage (0–1) on which a transparent ink can still reach `colour` over `garment`:
 * the brightest channel decides (Murray–Davies mixing in linear light).
 */
export function leastWhite(colour: Rgb, garment: Rgb): number {
  const need = (c: number, g: number): number => (g >= 255 ? 0 : (LINEAR[c] - LINEAR[g]) / (1 - LINEAR[g]));
  return Math.max(0, need(colour.r, garment.r), need(colour.g, garment.g), need(colour.b, garment.b));
}
