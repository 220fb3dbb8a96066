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

/** Quantiles of the mixture at each place, each made monotone, read off linearly between. */
export function curveOf(model: SprayerModel, passes: number): FitCurve {
  const solved = model.components.map((component) => ({
    component,
    ...model.posterior(component, PLACES, passes === 2),
  }));
  const rows = {
    low: [] as number[],
    middle: [] as number[],
    high: [] as number[],
    sprayLow: [] as number[],
    sprayHigh: [] as number[],
  };
  const curve: Bell[] = solved.map(({ component }) => ({ weight: component.weight, mean: 0, sd: 0 }));
  const spray: Bell[] = solved.map(({ component }) => ({ weight: component.weight, mean: 0, sd: 0 }));
  for (const i of PLACES.keys()) {
    for (const [c, { component, mean, variance }] of solved.entries()) {
      curve[c].mean = spray[c].mean = mean[i]!;
      curve[c].sd = Math.sqrt(variance[i]);
      spray[c].sd = Math.sqrt(variance[i] + component.noiseSd ** 2);
    }
    rows.low.push(mixtureQuantile(curve, 0.05, rows.low.at(-1)));
    rows.middle.push(mixtureQuantile(curve, 0.5, rows.middle.at(-1)));
    rows.high.push(mixtureQuantile(curve, 0.95, rows.high.at(-1)));
    rows.sprayLow.push(mixtureQuantile(spray, 0.05, rows.sprayLow.at(-1)));
    rows.sprayHigh.push(mixtureQuantile(spray, 0.95, rows.sprayHigh.at(-1)));
  }
  const { sign } = model;
  const low = monotone(rows.low, sign);
  const middle = monotone(rows.middle, sign);
  const high = monotone(rows.high, sign);
  const sprayLow = monotone(rows.sprayLow, sign);
  const sprayHigh = monotone(rows.sprayHigh, sign);
  const ends = [Math.exp(middle[0]), Math.exp(middle.at(-1)!)] as const;
  return {
    reachable: [Math.min(...ends), Math.max(...ends)],
    at: (t) => ({
      gm2: Math.exp(readAt(middle, t)),
      low: Math.exp(readAt(low, t)),
      high: Math.exp(readAt(high, t)),
      sprayLow: Math.exp(readAt(sprayLow, t)),
      sprayHigh: Math.exp(readAt(sprayHigh, t)),
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
