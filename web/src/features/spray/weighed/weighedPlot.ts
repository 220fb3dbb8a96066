import type { FloorWeighing } from '@saltflat/contract';
import { USUAL_CHART, chartAmounts } from '@saltflat/core/spray';
import type { ChartedAmount, WeighChart } from '@saltflat/core/spray';
import type { PlotData } from '../../../ui/index.ts';
import { AMOUNT_MARKS } from '../../../weighed/index.ts';
import { t } from '../../../words/index.ts';

/** A garment of the floor with its place in the running chart. */
export interface Charted extends FloorWeighing {
  point: ChartedAmount;
}

export interface FloorChart {
  /** Oldest first. */
  garments: Charted[];
  limits: WeighChart['limits'];
}

/** Garments weighed in on the floor in one running chart. */
export function floorChart(newestFirst: readonly FloorWeighing[]): FloorChart {
  const own = [...newestFirst].reverse();
  const { points, limits } = chartAmounts(
    own.map(({ beforeG, afterG, ...wanted }) => ({ addedG: afterG - beforeG, wanted })),
  );
  return {
    garments: own.flatMap((garment, i) => {
      const point = points[i];
      return point ? [{ ...garment, point }] : [];
    }),
    limits,
  };
}

/** The chart as it is drawn: one after the other, with what was wanted and where the process lies. */
export function weighedPlot({ garments, limits }: FloorChart, when: (at: string) => string): PlotData {
  const count = Math.max(2, garments.length);
  const across = (y: number) => [[1, y] as const, [count, y] as const];
  return {
    along: { title: t('garment'), write: (value) => String(Math.round(value)), min: 1, max: count },
    up: { title: t('of what was wanted'), write: (value) => `${Math.round(value)} %` },
    curves: [
      { name: t('wanted'), points: across(100) },
      ...(limits
        ? [
            { name: t('where the sprayer lies'), isDashed: true, points: across(limits.lowPct) },
            { name: t('where the sprayer lies'), isDashed: true, points: across(limits.highPct) },
          ]
        : []),
    ],
    band: {
      name: t('right'),
      points: across(100).map(
        ([x]) => [x, 100 - USUAL_CHART.tolerancePct, 100 + USUAL_CHART.tolerancePct] as const,
      ),
    },
    dotsName: t('a garment'),
    dots: garments.map(({ point, code, at }, i) => ({
      x: i + 1,
      y: point.pct,
      isHollow: point.signals.length > 0,
      words: `${code}, ${when(at)}: ${AMOUNT_MARKS[point.verdict].word}`,
    })),
  };
}
