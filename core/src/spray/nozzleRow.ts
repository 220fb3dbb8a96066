import { halfFan } from './gun.ts';
import type { Nozzle } from './gun.ts';
import { footprintOf, raised, spanAbove0 } from './deposit/cone.ts';

/** Nozzles of a machine in a row across its travel, each with the same cone. */
export interface NozzleRow {
  nozzle: Nozzle;
  count: number;
  pitchMm: number;
  /** 90: the fans lie along the row. */
  rotDeg: number;
}

/** What is wrong with one nozzle. */
export interface NozzleFault {
  /** 1: the leftmost. */
  nozzle: number;
  /** Share of its flow that it still gives, 0 where it is blocked. */
  flowShare: number;
  tiltXDeg: number;
  tiltYDeg: number;
  turnDeg: number;
}

export interface SprayRun {
  row: NozzleRow;
  heightMm: number;
  speedMmPerS: number;
  /** A double pass retraces the same line: it does not blur a stripe. */
  passes: number;
  widthMm: number;
  lengthMm: number;
  /** Sprays so far beyond the target at each end. */
  overrunMm: number;
  faults: readonly NozzleFault[];
  stepMm: number;
}

export interface RowFigures {
  meanGm2: number;
  cvPct: number;
  minGm2: number;
  maxGm2: number;
}

export interface RowDeposit extends RowFigures {
  /** Mid-points across the target, mm from its middle. */
  acrossMm: Float64Array;
  gm2: Float64Array;
  healthyGm2: Float64Array;
  healthy: RowFigures;
  /** The deepest loss against a healthy row: how deep, where, and how wide it is at half its depth. */
  stripe: { depthShare: number; atMm: number; widthMm: number } | null;
  excess: { share: number; atMm: number } | null;
  sprayedG: number;
  onTargetG: number;
  wasteShare: number;
}

/** Changes smaller than this are arithmetic. */
const LEAST_CHANGE = 1e-6;

/** What a nozzle row leaves across its travel, with its faults and without. */
export function sprayRow(run: SprayRun): RowDeposit {
  const { row, widthMm, stepMm, passes, lengthMm, overrunMm, speedMmPerS, faults } = run;
  const places = Math.max(1, Math.round(widthMm / stepMm));
  const cellMm = widthMm / places;
  const acrossMm = Float64Array.from({ length: places }, (_, i) => (i + 0.5) * cellMm - widthMm / 2);
  const faulty = rowProfile(run);
  const sound = rowProfile({ ...run, faults: [] });
  const gm2 = acrossMm.map(faulty);
  const healthyGm2 = acrossMm.map(sound);
  const shares = row.count + faults.reduce((sum, { flowShare }) => sum + flowShare - 1, 0);
  const sprayedG = (row.nozzle.flowGPerS * shares * passes * (lengthMm + 2 * overrunMm)) / speedMmPerS;
  const figures = figuresAcross(gm2);
  const onTargetG = (figures.meanGm2 * widthMm * lengthMm) / 1e6;
  return {
    acrossMm,
    gm2,
    healthyGm2,
    ...figures,
    healthy: figuresAcross(healthyGm2),
    ...changes(acrossMm, gm2, healthyGm2, cellMm),
    sprayedG,
    onTargetG,
    wasteShare: sprayedG > 0 ? 1 - onTargetG / sprayedG : 0,
  };
}

/** g/m² at a place across the travel, mm from the row's middle. */
export function rowProfile({
  row,
  heightMm,
  speedMmPerS,
  passes,
  faults,
}: SprayRun): (xMm: number) => number {
  const { nozzle, count, pitchMm, rotDeg } = row;
  const scale = (1e6 * nozzle.flowGPerS * passes) / speedMmPerS;
  const nozzles = Array.from({ length: count }, (_, k) => {
    const fault = faults.find((own) => own.nozzle === k + 1);
    const across = travelIntegral(nozzle, {
      z: heightMm,
      rotDeg: rotDeg + (fault?.turnDeg ?? 0),
      tiltXDeg: fault?.tiltXDeg ?? 0,
      tiltYDeg: fault?.tiltYDeg ?? 0,
    });
    return { x: (k - (count - 1) / 2) * pitchMm, share: fault?.flowShare ?? 1, across };
  });
  return (xMm) => scale * nozzles.reduce((sum, { x, share, across }) => sum + share * across(xMm - x), 0);
}

const CHORD_POINTS = 96; // errors fall with the fourth power of their number or faster: below 1e-8

/**
 * Integral of a cone's flux along the travel (y) at a distance beside the nozzle, as a share of the flow, 1/mm. Over the chord of the
 * footprint with y = middle - half cos theta, by mid-points.
 */
function travelIntegral(
  { fan, shape, efficiency }: Nozzle,
  aim: Parameters<typeof footprintOf>[0],
): (dx: number) => number {
  const { P, Q } = halfFan(fan);
  const { w1, w2, w0, room } = footprintOf(aim, fan);
  const scale = (efficiency * (shape + 1) * aim.z) / (Math.PI * P * Q);
  return (dx) => {
    const linear = room.xy * dx + room.y;
    const fixed = (room.xx * dx + room.x) * dx + room.one;
    const chord = spanAbove0(room.yy, linear, fixed);
    if (chord === null || !Number.isFinite(chord[0])) return 0;
    const middle = (chord[0] + chord[1]) / 2;
    const half = (chord[1] - chord[0]) / 2;
    let sum = 0;
    for (let i = 0; i < CHORD_POINTS; i++) {
      const theta = (Math.PI * (i + 0.5)) / CHORD_POINTS;
      const dy = middle - half * Math.cos(theta);
      const inside = (room.yy * dy + linear) * dy + fixed;
      const depth = w1 * dx + w2 * dy + w0;
      if (inside > 0 && depth > 0)
        sum += (raised(inside / (depth * depth), shape) / (depth * depth * depth)) * Math.sin(theta);
    }
    return (scale * sum * half * Math.PI) / CHORD_POINTS;
  };
}

function figuresAcross(gm2: Float64Array): RowFigures {
  const mean = gm2.reduce((sum, own) => sum + own, 0) / gm2.length;
  const variance = gm2.reduce((sum, own) => sum + (own - mean) ** 2, 0) / gm2.length;
  return {
    meanGm2: mean,
    cvPct: mean > 0 ? (100 * Math.sqrt(variance)) / mean : 0,
    minGm2: gm2.reduce((least, own) => Math.min(least, own), Infinity),
    maxGm2: gm2.reduce((most, own) => Math.max(most, own), -Infinity),
  };
}

/** Where a faulty row gives least and most against a healthy one. */
function changes(
  acrossMm: Float64Array,
  gm2: Float64Array,
  healthyGm2: Float64Array,
  cellMm: number,
): Pick<RowDeposit, 'stripe' | 'excess'> {
  const change = gm2.map((own, i) => (healthyGm2[i] > 0 ? own / healthyGm2[i] - 1 : 0));
  const at = (isBetter: (a: number, b: number) => boolean): number =>
    change.reduce((best, own, i) => (isBetter(own, change[best]) ? i : best), 0);
  const lowest = at((a, b) => a < b);
  const highest = at((a, b) => a > b);
  const least = change[lowest];
  let [first, last] = [lowest, lowest];
  while (first > 0 && change[first - 1] <= least / 2) first--;
  while (last < change.length - 1 && change[last + 1] <= least / 2) last++;
  return {
    stripe:
      -least < LEAST_CHANGE
        ? null
        : { depthShare: -least, atMm: acrossMm[lowest], widthMm: (last - first + 1) * cellMm },
    excess: change[highest] < LEAST_CHANGE ? null : { share: change[highest], atMm: acrossMm[highest] },
  };
}
