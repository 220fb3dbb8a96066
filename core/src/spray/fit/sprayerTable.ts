import { eachRow } from './fitCurve.ts';
import type { CurveRows } from './fitCurve.ts';
import type { NextWeighing } from './bestNext.ts';
import { answersOf, fitSprayer } from './sprayerFit.ts';
import type { SprayerAnswers } from './sprayerFit.ts';
import type { SprayWeighing, SprayerSetting } from './sprayerModel.ts';

/** A fit as it is kept and sent: plain figures, so that whoever has it can ask it again. */
export interface SprayerTable {
  range: SprayerSetting;
  n: number;
  noisePct: number;
  dataRange: readonly [number, number];
  /** Numbers of passes that were weighed. */
  tried: readonly number[];
  /** By number of passes: rows of g/m² over the range, evenly by the setting's logarithm. */
  curves: readonly { passes: number; gm2: CurveRows }[];
  /** By number of passes: the weighing that would teach most. */
  next: readonly NextWeighing[];
  outliers: readonly { index: number; probability: number }[];
}

/** A single and a double pass: what dials are set for. */
const PASSES = [1, 2] as const;
/** No scale tells more. */
const DIGITS = 5;

/** Fits a sprayer and keeps what came out. @param step smallest change of the setting; `null` where it moves freely */
export function sprayerTable(
  range: SprayerSetting,
  weighings: readonly SprayWeighing[],
  step: number | null,
): SprayerTable {
  const fit = fitSprayer(range, weighings);
  const settings = step === null ? null : settingsOf(range, step);
  const { n, noisePct, dataRange, outliers } = fit;
  return {
    range,
    n,
    noisePct,
    dataRange,
    tried: [...new Set(weighings.map(({ passes }) => passes))].sort((a, b) => a - b),
    curves: PASSES.map((passes) => {
      const rows = fit.rows(passes);
      return {
        passes,
        gm2: eachRow((name) => rows[name].map((ln) => Number(Math.exp(ln).toPrecision(DIGITS)))),
      };
    }),
    next: PASSES.map((passes) => fit.next(passes, settings)),
    outliers,
  };
}

/** Asks a kept fit. */
export function readSprayer({ range, dataRange, tried, curves }: SprayerTable): SprayerAnswers {
  return answersOf({
    range,
    dataRange,
    tried: new Set(tried),
    rows: (passes) => {
      const found = curves.find((own) => own.passes === passes);
      if (!found) throw new RangeError(`a sprayer is known for 1 and 2 passes, not for ${passes}`);
      return eachRow((name) => found.gm2[name].map(Math.log));
    },
  });
}

/** Settings that a dial of so fine a step can be put to. */
export function settingsOf({ least, most }: Pick<SprayerSetting, 'least' | 'most'>, step: number): number[] {
  const count = Math.floor((most - least) / step + 1e-9);
  return Array.from({ length: count + 1 }, (_, i) => Number((least + i * step).toPrecision(12)));
}

/** The nearest of those. */
export function nearestSetting(
  range: Pick<SprayerSetting, 'least' | 'most'>,
  step: number,
  wished: number,
): number {
  const { least, most } = range;
  const steps = Math.min(
    Math.floor((most - least) / step + 1e-9),
    Math.max(0, Math.round((wished - least) / step)),
  );
  return Number((least + steps * step).toPrecision(12));
}
