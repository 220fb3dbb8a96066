import {
  blueYellowOf,
  coneRoots,
  greenRedOf,
  lightnessOf,
  perceptualDistance,
  toPerceptual,
} from './colour.ts';
import type { PerceptualColour } from './colour.ts';
import { CUBES, CUBE_SIZE, colourAt, cubeOf } from './colourTable.ts';
import type { ColourTable } from './colourTable.ts';
import { rgbOfWord } from './pixels.ts';
import type { Rgb } from './pixels.ts';

const UNKNOWN = 0;
const UNLIKE = 1;
const LIKE = 2;
/** Of a cube that may hold both: each colour is asked by itself. */
const MIXED = 3;
/** Kept away from the edge of a cube's bounds, so that rounding never decides: perceptual distance. */
const ROUNDING = 1e-6;

/** Tells which colours look like one of some. */
export interface LikeColours {
  /** True for a colour (0xBBGGRR) that does. */
  has: (rgb: number) => boolean;
  /** Ink of the colours that do, in whole pixels' worth. */
  alphaPx: (colours: ColourTable) => number;
}

/**
 * Colours that look like one of some. Whole cubes of neighbouring colours are settled by bounds on what they hold, and a colour
 * of a cube left open is worked out once: so a photo of millions of colours costs little more than flat art.
 *
 * @param within largest perceptual distance that is alike
 */
export function likeColours(colours: readonly Rgb[], within: number): LikeColours {
  const near = colours.map(toPerceptual);
  const cubes = new Uint8Array(CUBES);
  let single: Uint8Array | null = null; // by colour; made when a cube is left open
  const verdictOn = (cube: number): number => {
    if (cubes[cube] === UNKNOWN) cubes[cube] = verdictOnCube(cube, near, within);
    return cubes[cube];
  };
  const settle = (rgb: number): boolean => {
    single ??= new Uint8Array(CUBES * CUBE_SIZE);
    const own = toPerceptual(rgbOfWord(rgb));
    const isLike = near.some((one) => perceptualDistance(own, one) <= within);
    single[rgb] = isLike ? LIKE : UNLIKE;
    return isLike;
  };
  const has = (rgb: number): boolean => {
    const verdict = verdictOn(cubeOf(rgb));
    if (verdict !== MIXED) return verdict === LIKE;
    const known = single === null ? UNKNOWN : single[rgb];
    return known === UNKNOWN ? settle(rgb) : known === LIKE;
  };
  const alphaPx = (table: ColourTable): number => {
    let sum = 0;
    table.forEach(
      (number, rgb) => {
        if (has(rgb)) sum += table.alphaPx(number);
      },
      (cube) => verdictOn(cube) !== UNLIKE,
    );
    return sum;
  };
  return { has, alphaPx };
}

/** What a cube's colours are: unlike, like, or mixed as far as its bounds tell. */
function verdictOnCube(cube: number, near: readonly PerceptualColour[], within: number): number {
  const bounds = boundsOfCube(cube);
  let isNear = false;
  for (const one of near) {
    const spans = [spanTo(one.lightness, bounds.lightness), spanTo(one.a, bounds.a), spanTo(one.b, bounds.b)];
    const farthest = Math.hypot(...spans.map(([, most]) => most));
    const nearest = Math.hypot(...spans.map(([least]) => least));
    if (farthest <= within - ROUNDING) return LIKE;
    if (nearest <= within + ROUNDING) isNear = true;
  }
  return isNear ? MIXED : UNLIKE;
}

type Span = readonly [least: number, most: number];

/** Least and most distance along one axis from a value to a span. */
const spanTo = (value: number, [least, most]: Span): Span => [
  Math.max(0, least - value, value - most),
  Math.max(value - least, most - value),
];

/** Bounds of each axis over a cube: cone responses rise with each channel, and each axis rises or falls with each of them. */
function boundsOfCube(cube: number): Record<keyof PerceptualColour, Span> {
  const from = coneRoots(rgbOfWord(colourAt(cube, 0)));
  const to = coneRoots(rgbOfWord(colourAt(cube, CUBE_SIZE - 1)));
  return {
    lightness: [lightnessOf({ ...from, s: to.s }), lightnessOf({ ...to, s: from.s })],
    a: [greenRedOf({ ...from, m: to.m }), greenRedOf({ ...to, m: from.m })],
    b: [blueYellowOf({ ...from, s: to.s }), blueYellowOf({ ...to, s: from.s })],
  };
}
