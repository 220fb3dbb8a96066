import { mixtureQuantile } from './mixture.ts';
import type { Bell } from './mixture.ts';
import { CURVE_PLACES } from './sprayerModel.ts';
import type { SprayerModel } from './sprayerModel.ts';

/** A sprayer's curve for so many passes, with its bounds. */
export interface FitCurve {
  /** Least and most of the middle curve, g/m². */
  reachable: readonly [number, number];
  at: (t: number) => { gm2: number; low: number; high: number; sprayLow: number; sprayHigh: number };
  /** Where the curve reaches an amount within `reachable`, and where its bounds do: the range's end where one never does. */
  where: (gm2: number) => { place: number; early: number; late: number };
}

/** Places t that a curve is told at. */
export const PLACES = Array.from({ length: CURVE_PLACES }, (_, i) => i / (CURVE_PLACES - 1));

/** Quantiles of ln(g/m²) at each place: the sprayer's own curve within 90 %, and one spray's, each only rising or only falling. */
export interface CurveRows {
  low: readonly number[];
  middle: readonly number[];
  high: readonly number[];
  sprayLow: readonly number[];
  sprayHigh: readonly number[];
}

/** Quantiles of the mixture, made monotone. */
export function curveRows(model: SprayerModel, passes: number): CurveRows {
  const solved = model.components.map((component) => ({
    component,
    ...model.posterior(component, PLACES, passes === 2),
  }));
  const curve: Bell[] = solved.map(({ component }) => ({ weight: component.weight, mean: 0, sd: 0 }));
  const spray: Bell[] = curve.map((bell) => ({ ...bell }));
  const rows: Record<keyof CurveRows, number[]> = {
    low: [],
    middle: [],
    high: [],
    sprayLow: [],
    sprayHigh: [],
  };
  for (const i of PLACES.keys()) {
    for (const [c, { component, mean, variance }] of solved.entries()) {
      curve[c].mean = spray[c].mean = mean[i];
      curve[c].sd = Math.sqrt(variance[i]);
      spray[c].sd = Math.sqrt(variance[i] + component.noiseSd ** 2);
    }
    for (const name of ROWS) {
      const { of, share } = QUANTILES[name];
      rows[name].push(mixtureQuantile(of === 'spray' ? spray : curve, share, rows[name].at(-1)));
    }
  }
  return eachRow((name) => monotone(rows[name], model.sign));
}

const QUANTILES: Record<keyof CurveRows, { of: 'curve' | 'spray'; share: number }> = {
  low: { of: 'curve', share: 0.05 },
  middle: { of: 'curve', share: 0.5 },
  high: { of: 'curve', share: 0.95 },
  sprayLow: { of: 'spray', share: 0.05 },
  sprayHigh: { of: 'spray', share: 0.95 },
};
const ROWS = Object.keys(QUANTILES) as (keyof CurveRows)[];

/** Rows made one by one. */
export const eachRow = (make: (name: keyof CurveRows) => readonly number[]): CurveRows => ({
  low: make('low'),
  middle: make('middle'),
  high: make('high'),
  sprayLow: make('sprayLow'),
  sprayHigh: make('sprayHigh'),
});

/** Reads a curve off its rows, linearly between places. */
export function readCurve(rows: CurveRows, sign: 1 | -1): FitCurve {
  const { low, middle, high } = rows;
  const ends = [Math.exp(middle[0]), Math.exp(middle.at(-1)!)] as const;
  const at = (name: keyof CurveRows, t: number): number => Math.exp(readAt(rows[name], t));
  return {
    reachable: [Math.min(...ends), Math.max(...ends)],
    at: (t) => ({
      gm2: at('middle', t),
      low: at('low', t),
      high: at('high', t),
      sprayLow: at('sprayLow', t),
      sprayHigh: at('sprayHigh', t),
    }),
    where: (gm2) => {
      const y = Math.log(gm2);
      return {
        place: crossing(middle, y, sign),
        early: crossing(high, y, sign),
        late: crossing(low, y, sign),
      };
    },
  };
}

/** Least squares with values that only rise (or fall): pool adjacent violators (Ayer et al., 1955), equal weights. */
export function monotone(values: readonly number[], sign: 1 | -1): number[] {
  const pools: { sum: number; count: number }[] = [];
  const mean = ({ sum, count }: { sum: number; count: number }): number => sum / count;
  for (const value of values) {
    pools.push({ sum: sign * value, count: 1 });
    while (pools.length > 1 && mean(pools.at(-2)!) > mean(pools.at(-1)!)) {
      const { sum, count } = pools.pop()!;
      pools.at(-1)!.sum += sum;
      pools.at(-1)!.count += count;
    }
  }
  return pools.flatMap((pool) => Array.from({ length: pool.count }, () => sign * mean(pool)));
}

function readAt(values: readonly number[], t: number): number {
  const place = Math.min(1, Math.max(0, t)) * (values.length - 1);
  const whole = Math.min(values.length - 2, Math.floor(place));
  return values[whole] + (place - whole) * (values[whole + 1] - values[whole]);
}

/** First place where a monotone row reaches a value; the end it would be beyond where it never does. */
function crossing(values: readonly number[], y: number, sign: 1 | -1): number {
  const wanted = sign * y;
  const next = values.findIndex((value) => sign * value >= wanted);
  if (next <= 0) return next === 0 ? 0 : 1;
  const [a, b] = [sign * values[next - 1], sign * values[next]];
  return (next - 1 + (wanted - a) / (b - a)) / (values.length - 1);
}
