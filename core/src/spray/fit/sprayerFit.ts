import { curveRows, readCurve } from './fitCurve.ts';
import type { CurveRows, FitCurve } from './fitCurve.ts';
import { SprayerModel, placeOf, settingAt, signOf } from './sprayerModel.ts';
import type { SprayWeighing, SprayerSetting } from './sprayerModel.ts';
import { bestNext } from './bestNext.ts';
import type { NextWeighing } from './bestNext.ts';

/** What a setting gives: the sprayer's own curve, and one spray of it, each within 90 %. */
export interface Gm2AtSetting {
  setting: number;
  passes: number;
  gm2: number;
  low: number;
  high: number;
  sprayLow: number;
  sprayHigh: number;
  /** Beyond what was weighed. */
  extrapolates: boolean;
  /** Nothing was weighed with so many passes. */
  passesUntried: boolean;
}

interface SettingAsked {
  gm2: number;
  passes: number;
  passesUntried: boolean;
  /** Least and most that the machine gives, by the middle curve, g/m². */
  reachable: readonly [number, number];
}

/** The setting for an amount, or why there is none. */
export type SettingForGm2 = SettingAsked &
  (
    | { setting: number; low: number; high: number; extrapolates: boolean; reason?: undefined }
    | { setting: null; reason: 'less-than-the-machine-gives' | 'more-than-the-machine-gives' }
  );

/** What can be asked of a sprayer that was weighed. */
export interface SprayerAnswers {
  gm2At: (setting: number, passes: number) => Gm2AtSetting;
  settingFor: (gm2: number, passes: number) => SettingForGm2;
}

/** How a sprayer's setting becomes an amount, from what was weighed. */
export interface SprayerFit extends SprayerAnswers {
  n: number;
  /** Scatter of one spray about the curve, %. */
  noisePct: number;
  /** Smallest and largest setting that was weighed. */
  dataRange: readonly [number, number];
  /** Weighings that are more likely wrong than not. */
  outliers: { index: number; probability: number }[];
  /** Which weighing would teach most. @param settings that can be set; `null` for any */
  next: (passes: number, settings: readonly number[] | null) => NextWeighing;
  /** The curve as it is kept. */
  rows: (passes: number) => CurveRows;
}

/**
 * Fits a sprayer: a monotone curve of g/m² over its setting with 90 % intervals, from two weighings on. Mixed over how crooked the
 * curve may be, how much sprays scatter, and which weighing may be grossly wrong.
 *
 * @param weighings two or more of one fluid on one nozzle, each within the range
 * @throws RangeError with fewer than two
 */
export function fitSprayer(range: SprayerSetting, weighings: readonly SprayWeighing[]): SprayerFit {
  const model = new SprayerModel(range, weighings);
  const rows = remembered((passes) => curveRows(model, passes));
  const used = weighings.map(({ setting }) => setting);
  const dataRange = [Math.min(...used), Math.max(...used)] as const;
  const tried = new Set(weighings.map(({ passes }) => passes));
  return {
    n: weighings.length,
    noisePct: 100 * model.meanNoise,
    dataRange,
    outliers: Array.from(model.outlierShares, (probability, index) => ({ index, probability })).filter(
      ({ probability }) => probability > 0.5,
    ),
    ...answersOf({ range, dataRange, tried, rows }),
    next: (passes, settings) => bestNext(model, passes, settings),
    rows,
  };
}

/** What a curve is read with. */
interface Known {
  range: SprayerSetting;
  dataRange: readonly [number, number];
  /** Numbers of passes that were weighed. */
  tried: ReadonlySet<number>;
  rows: (passes: number) => CurveRows;
}

/** Answers both ways by curves that are known. */
export function answersOf({ range, dataRange, tried, rows }: Known): SprayerAnswers {
  const curve = remembered((passes): FitCurve => readCurve(rows(passes), signOf(range)));
  const extrapolates = (setting: number): boolean => setting < dataRange[0] || setting > dataRange[1];
  return {
    gm2At: (setting, passes) => ({
      setting,
      passes,
      ...curve(passes).at(placeOf(range, setting)),
      extrapolates: extrapolates(setting),
      passesUntried: !tried.has(passes),
    }),
    settingFor: (gm2, passes) => {
      const own = curve(passes);
      const asked = { gm2, passes, passesUntried: !tried.has(passes), reachable: own.reachable };
      if (gm2 < own.reachable[0]) return { ...asked, setting: null, reason: 'less-than-the-machine-gives' };
      if (gm2 > own.reachable[1]) return { ...asked, setting: null, reason: 'more-than-the-machine-gives' };
      const { place, early, late } = own.where(gm2);
      const [a, b] = [settingAt(range, early), settingAt(range, late)];
      const setting = settingAt(range, place);
      return {
        ...asked,
        setting,
        low: Math.min(a, b),
        high: Math.max(a, b),
        extrapolates: extrapolates(setting),
      };
    },
  };
}

function remembered<T>(make: (passes: number) => T): (passes: number) => T {
  const made = new Map<number, T>();
  return (passes) => {
    const known = made.get(passes) ?? make(passes);
    made.set(passes, known);
    return known;
  };
}
