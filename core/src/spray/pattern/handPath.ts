import { mulberry32 } from '../noise.ts';
import type { Box, Point } from '../shapes.ts';

/** Where a gun is at a time, mm; z towards the gun. Position and tilt are linear in time to the next point; `on` and the turn hold. */
export interface PathPoint {
  t: number;
  x: number;
  y: number;
  z: number;
  /** The trigger is held from here on. */
  on: boolean;
  /** 0: the fan's long side lies along y, for bands along x. */
  rotDeg: number;
  tiltXDeg: number;
  tiltYDeg: number;
}

/** How a hand covers an area: bands that cross, or one stroke without letting go. */
export interface HandPattern {
  kind: 'bands' | 's';
  /** Bands along x. */
  horizontal: number;
  /** Bands along y. */
  vertical: number;
  /** Between two bands of the same direction; `null` where there is one at most. */
  spacingHMm: number | null;
  spacingVMm: number | null;
  speedMmPerS: number;
  distanceMm: number;
  /** A band starts and ends so far beside the area. */
  leadMm: number;
  /** Between two bands, s. */
  pauseS: number;
  /** Every second band runs backwards. */
  alternate: boolean;
  tiltXDeg: number;
  tiltYDeg: number;
  /** One stroke: turns so far beyond the area. */
  overhangMm: number;
  /** One stroke: speed of a turn / speed of a band. */
  turnSpeedShare: number;
}

/** What nobody says otherwise of a pattern. */
export const USUAL_PATTERN = {
  pauseS: 0.6,
  alternate: true,
  tiltXDeg: 0,
  tiltYDeg: 0,
  overhangMm: 0,
  turnSpeedShare: 1,
} as const;

/** How unsteady a hand is: standard deviations of its slowness (share, at most 0.28), of its line and of its distance. */
export interface Wobble {
  speed: number;
  lateralMm: number;
  heightMm: number;
}

interface Leg {
  from: Point;
  to: Point;
  speedMmPerS: number;
}

/** What is sprayed in one go. */
interface Stroke {
  rotDeg: number;
  /** The hand strays along y from bands along x, and the other way round. */
  strays: 'x' | 'y';
  legs: readonly Leg[];
}

/**
 * The gun's way over an area by a pattern, from t = 0.
 *
 * @param box of the area
 * @param wobble of the hand; `null` for a perfectly steady one
 * @param seed of the wobble
 */
export function handPath(
  pattern: HandPattern,
  box: Box,
  { wobble, seed }: { wobble: Wobble | null; seed: number },
): PathPoint[] {
  const strokes = pattern.kind === 's' ? [oneStroke(pattern, box)] : bandsOver(pattern, box);
  const random = mulberry32(seed);
  const points: PathPoint[] = [];
  let startS = 0;
  for (const stroke of strokes) {
    const own = strokePoints(stroke, pattern, startS, wobble === null ? null : straying(wobble, random));
    points.push(...own);
    startS = own.at(-1)!.t + pattern.pauseS;
  }
  return points;
}

const placesOf = (count: number, spacing: number | null, centre: number): number[] =>
  Array.from({ length: count }, (_, k) => centre + (k - (count - 1) / 2) * (spacing ?? 0));

function bandsOver(pattern: HandPattern, { x0, y0, x1, y1 }: Box): Stroke[] {
  const { leadMm, alternate, speedMmPerS } = pattern;
  const band = (k: number, from: Point, to: Point): readonly Leg[] =>
    alternate && k % 2 === 1 ? [{ from: to, to: from, speedMmPerS }] : [{ from, to, speedMmPerS }];
  return [
    ...placesOf(pattern.horizontal, pattern.spacingHMm, (y0 + y1) / 2).map((y, k): Stroke => ({
      rotDeg: 0,
      strays: 'y',
      legs: band(k, [x0 - leadMm, y], [x1 + leadMm, y]),
    })),
    ...placesOf(pattern.vertical, pattern.spacingVMm, (x0 + x1) / 2).map((x, k): Stroke => ({
      rotDeg: 90,
      strays: 'x',
      legs: band(k, [x, y0 - leadMm], [x, y1 + leadMm]),
    })),
  ];
}

/** There and back without letting go: what builds up at the turns. */
function oneStroke(pattern: HandPattern, { x0, y0, x1, y1 }: Box): Stroke {
  const { leadMm, overhangMm, speedMmPerS, turnSpeedShare } = pattern;
  const ys = placesOf(pattern.horizontal, pattern.spacingHMm, (y0 + y1) / 2);
  const legs: Leg[] = [];
  let x = x0 - leadMm;
  for (const [k, y] of ys.entries()) {
    const isLast = k === ys.length - 1;
    const beyond = isLast ? leadMm : overhangMm;
    const end = k % 2 === 0 ? x1 + beyond : x0 - beyond;
    legs.push({ from: [x, y], to: [end, y], speedMmPerS });
    if (!isLast)
      legs.push({ from: [end, y], to: [end, ys[k + 1]], speedMmPerS: speedMmPerS * turnSpeedShare });
    x = end;
  }
  return { rotDeg: 0, strays: 'y', legs };
}

/** Sideways, lengthways in time and in height: how far a hand is off at a nominal time since the band's start. */
interface Straying {
  lateS: (u: number) => number;
  sideMm: (u: number) => number;
  heightMm: (u: number) => number;
}

const WAVES = 6;
const LOWEST_HZ = 0.3; // free choice: a hand's slow sway
const VERTEX_S = 0.02;

/** Six waves of 0.3 to 1.8 Hz a channel, of variance one together. */
function straying({ speed, lateralMm, heightMm }: Wobble, random: () => number): Straying {
  const phases = (): number[] => Array.from({ length: WAVES }, () => 2 * Math.PI * random());
  const [ofSpeed, ofSide, ofHeight] = [phases(), phases(), phases()];
  const size = Math.sqrt(2 / WAVES);
  const pulse = (k: number): number => 2 * Math.PI * LOWEST_HZ * (k + 1);
  const swing = (own: readonly number[], u: number): number =>
    size * own.reduce((sum, phase, k) => sum + Math.sin(pulse(k) * u + phase), 0);
  const summed = (own: readonly number[], u: number): number =>
    size *
    own.reduce((sum, phase, k) => sum + (Math.cos(phase) - Math.cos(pulse(k) * u + phase)) / pulse(k), 0);
  return {
    lateS: (u) => speed * summed(ofSpeed, u),
    sideMm: (u) => lateralMm * swing(ofSide, u),
    heightMm: (u) => heightMm * swing(ofHeight, u),
  };
}

function strokePoints(
  { rotDeg, strays, legs }: Stroke,
  { distanceMm, tiltXDeg, tiltYDeg }: HandPattern,
  startS: number,
  hand: Straying | null,
): PathPoint[] {
  const points: PathPoint[] = [];
  const put = (u: number, [x, y]: Point): void => {
    const side = hand?.sideMm(u) ?? 0;
    points.push({
      t: startS + u + (hand?.lateS(u) ?? 0),
      x: x + (strays === 'x' ? side : 0),
      y: y + (strays === 'y' ? side : 0),
      z: distanceMm + (hand?.heightMm(u) ?? 0),
      on: true,
      rotDeg,
      tiltXDeg,
      tiltYDeg,
    });
  };
  let u0 = 0;
  for (const { from, to, speedMmPerS } of legs) {
    const takesS = Math.hypot(to[0] - from[0], to[1] - from[1]) / speedMmPerS;
    const parts = hand === null ? 1 : Math.max(1, Math.ceil(takesS / VERTEX_S));
    for (let i = points.length === 0 ? 0 : 1; i <= parts; i++) {
      const share = i / parts;
      put(u0 + share * takesS, [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])]);
    }
    u0 += takesS;
  }
  points.at(-1)!.on = false;
  return points;
}
