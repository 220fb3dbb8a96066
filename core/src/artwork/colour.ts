import type { Rgb } from './pixels.ts';

/** sRGB code (0–255) to linear light (0–1), IEC 61966-2-1 with the 0.04045 knee. */
export const LINEAR: Float64Array = buildLinear();

function buildLinear(): Float64Array {
  const table = new Float64Array(256);
  for (let code = 0; code < 256; code++) {
    const v = code / 255;
    table[code] = v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
  }
  return table;
}

/** Linear light from which a code is the nearest one: `CODE_FROM[c]` is the light of code c − ½. */
const CODE_FROM: Float64Array = buildCodeEdges();
const GUESS_STEPS = 4096;
const FIRST_GUESS: Uint8Array = buildGuesses();

function buildCodeEdges(): Float64Array {
  const edges = new Float64Array(257);
  for (let code = 0; code <= 256; code++) {
    const v = (code - 0.5) / 255;
    edges[code] = v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
  }
  return edges;
}

function buildGuesses(): Uint8Array {
  const guesses = new Uint8Array(GUESS_STEPS);
  for (let i = 0, code = 0; i < GUESS_STEPS; i++) {
    while (code < 255 && i / GUESS_STEPS >= CODE_FROM[code + 1]) code++;
    guesses[i] = code;
  }
  return guesses;
}

/** Linear light (0–1, clamped) to the nearest sRGB code, exactly; a table spares the power function. */
export function encodeSrgb(linear: number): number {
  if (linear <= 0) return 0;
  if (linear >= 1) return 255;
  let code = FIRST_GUESS[Math.floor(linear * GUESS_STEPS)];
  while (linear >= CODE_FROM[code + 1]) code++;
  return code;
}

// Toe of the lightness correction for OKLab (Ottosson, "Okhsv and Okhsl", 2021).
const K1 = 0.206;
const K2 = 0.03;
const K3 = (1 + K1) / (1 + K2);

/** A colour in OKLab with toe-corrected lightness, each axis times 100. */
export interface PerceptualColour {
  lightness: number;
  a: number;
  b: number;
}

/** Cube roots of the three cone responses, 0–1: each rises with red, green and blue alike. */
export interface ConeRoots {
  l: number;
  m: number;
  s: number;
}

/** Cube roots of the cone responses to an sRGB colour (Ottosson, "A perceptual color space for image processing", 2020). */
export function coneRoots({ r, g, b }: Rgb): ConeRoots {
  const lr = LINEAR[r];
  const lg = LINEAR[g];
  const lb = LINEAR[b];
  return {
    l: Math.cbrt(0.4122214708 * lr + 0.5363325363 * lg + 0.0514459929 * lb),
    m: Math.cbrt(0.2119034982 * lr + 0.6806995451 * lg + 0.1073969566 * lb),
    s: Math.cbrt(0.0883024619 * lr + 0.2817188376 * lg + 0.6299787005 * lb),
  };
}

/** Toe-corrected lightness × 100: rises with l and m, falls with s. */
export function lightnessOf({ l, m, s }: ConeRoots): number {
  const t = K3 * (0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s) - K1;
  return (100 * (t + Math.sqrt(t * t + 4 * K2 * (t + K1)))) / 2;
}

/** Green to red × 100: rises with l and s, falls with m. */
export const greenRedOf = ({ l, m, s }: ConeRoots): number =>
  100 * (1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s);

/** Blue to yellow × 100: rises with l and m, falls with s. */
export const blueYellowOf = ({ l, m, s }: ConeRoots): number =>
  100 * (0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s);

/**
 * sRGB to toe-corrected OKLab, × 100.
 * OKLab after Ottosson (2020); the toe keeps differences between near-blacks as small as the eye sees them.
 */
export function toPerceptual(colour: Rgb): PerceptualColour {
  const roots = coneRoots(colour);
  return { lightness: lightnessOf(roots), a: greenRedOf(roots), b: blueYellowOf(roots) };
}

/** How different two colours look: Euclid in toe-corrected OKLab × 100. About 1 is just visible. */
export function perceptualDistance(p: PerceptualColour, q: PerceptualColour): number {
  return Math.sqrt((p.lightness - q.lightness) ** 2 + (p.a - q.a) ** 2 + (p.b - q.b) ** 2); // many times faster than hypot
}

/** {@link perceptualDistance} of two sRGB colours. */
export const colourDistance = (c1: Rgb, c2: Rgb): number =>
  perceptualDistance(toPerceptual(c1), toPerceptual(c2));

/** CIE L*a*b* under D65, for words about a colour ("white", "black", "light garment"). */
export interface Lab {
  lightness: number;
  chroma: number;
}

const LAB_WHITE = { x: 0.95047, y: 1, z: 1.08883 }; // D65, 2° observer

/** CIE L* (0–100) and chroma C* of an sRGB colour, D65. */
export function toLab({ r, g, b }: Rgb): Lab {
  const lr = LINEAR[r];
  const lg = LINEAR[g];
  const lb = LINEAR[b];
  const fx = labRoot((0.4124564 * lr + 0.3575761 * lg + 0.1804375 * lb) / LAB_WHITE.x);
  const fy = labRoot(0.2126729 * lr + 0.7151522 * lg + 0.072175 * lb);
  const fz = labRoot((0.0193339 * lr + 0.119192 * lg + 0.9503041 * lb) / LAB_WHITE.z);
  return { lightness: 116 * fy - 16, chroma: Math.hypot(500 * (fx - fy), 200 * (fy - fz)) };
}

const labRoot = (t: number): number => (t > 216 / 24389 ? Math.cbrt(t) : ((24389 / 27) * t + 16) / 116);

/** Reads "#rrggbb". @throws RangeError for anything else */
export function parseHex(hex: string): Rgb {
  if (!/^#[0-9a-f]{6}$/i.test(hex)) throw new RangeError(`“${hex}” is not a colour like #1b2a4a`);
  const n = Number.parseInt(hex.slice(1), 16);
  return { r: n >> 16, g: (n >> 8) & 255, b: n & 255 };
}

/** Writes a colour as "#rrggbb". */
export function toHex({ r, g, b }: Rgb): string {
  return `#${((1 << 24) | (r << 16) | (g << 8) | b).toString(16).slice(1)}`;
}
