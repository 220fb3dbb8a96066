import { baselineOf } from './baseline.ts';
import type { Baseline } from './baseline.ts';
import { signalsAt } from './signals.ts';
import type { SignalRule } from './signals.ts';

/** One garment's amount, judged by itself against what was wanted. */
export type AmountVerdict = 'ok' | 'watch' | 'too-little' | 'too-much';

export interface ChartSetting {
  /** So many garments make the baseline, 5–100. */
  baseline: number;
  /** Within so much of the target an amount is right, %. */
  tolerancePct: number;
  /** No garment is weighed better than this, %. */
  sigmaFloorPct: number;
  rules: readonly SignalRule[];
  /** First garments of a new memory: a nozzle was cleaned, a bottle changed. */
  resets: readonly number[];
}

export const USUAL_CHART: ChartSetting = {
  baseline: 12,
  tolerancePct: 10,
  sigmaFloorPct: 0.5,
  rules: ['beyond', 'two-of-three', 'same-side', 'jump'],
  resets: [],
};

export interface ChartPoint {
  pct: number;
  verdict: AmountVerdict;
  signals: SignalRule[];
  /** Of the centre; `null` in the baseline and without one. */
  side: 'low' | 'high' | null;
}

export interface WeighChart {
  /** `null` until the baseline is there. */
  limits: (Baseline & { lowPct: number; highPct: number; rangePct: number }) | null;
  /** Of the first point that a rule speaks of; `null` where none does. */
  firstSignal: number | null;
  points: ChartPoint[];
}

/** Differences of neighbours beyond so many sigma are a jump (not the usual 3.686, which alone cries wolf once in 119). */
const RANGE_SIGMAS = 4.5;

/**
 * A running chart of individuals and moving range over amounts in per cent of what was wanted, so that different jobs share it.
 *
 * @param pcts garments in the order they were sprayed
 */
export function weighChart(pcts: readonly number[], setting: ChartSetting): WeighChart {
  const base = pcts.length >= setting.baseline ? baselineOf(pcts.slice(0, setting.baseline), setting) : null;
  const how = base && { ...base, rules: setting.rules, rangeSigmas: RANGE_SIGMAS };
  const points = pcts.map((pct, i): ChartPoint => {
    const verdict = verdictOf(pct, setting.tolerancePct);
    if (how === null || i < setting.baseline) return { pct, verdict, signals: [], side: null };
    const since = setting.resets.reduce(
      (most, reset) => (reset <= i ? Math.max(most, reset) : most),
      setting.baseline,
    );
    return {
      pct,
      verdict,
      signals: signalsAt({ values: pcts, since, last: i }, how),
      side: pct >= how.centrePct ? 'high' : 'low',
    };
  });
  const first = points.findIndex(({ signals }) => signals.length > 0);
  return {
    limits:
      base === null
        ? null
        : {
            ...base,
            lowPct: base.centrePct - 3 * base.sigmaPct,
            highPct: base.centrePct + 3 * base.sigmaPct,
            rangePct: RANGE_SIGMAS * base.sigmaPct,
          },
    firstSignal: first < 0 ? null : first,
    points,
  };
}

export function verdictOf(pct: number, tolerancePct: number): AmountVerdict {
  const off = pct - 100;
  if (Math.abs(off) <= tolerancePct) return 'ok';
  if (Math.abs(off) <= 2 * tolerancePct) return 'watch';
  return off < 0 ? 'too-little' : 'too-much';
}
