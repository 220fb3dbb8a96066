import { READY_SHARE } from '@saltflat/core/spray';
import type { DriedBy } from '@saltflat/core/spray';
import { formatDuration, formatQuantity } from '@saltflat/core/units';
import type { PlotData } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';

/** Water left on the cloth as time goes by, with how far the model may be off, and the two lines that matter. */
export function dryPlot({ course: { ends, waterStartGm2, boundGm2 } }: DriedBy): PlotData {
  const lastS = ends.at(-1)?.t ?? 0;
  const across = (y: number) => [[0, y] as const, [lastS, y] as const];
  return {
    along: {
      title: t('since it was sprayed'),
      write: (s) => formatDuration(Math.round(s)),
      min: 0,
      max: lastS,
    },
    up: { title: t('water left'), write: (gm2) => formatQuantity(Math.round(gm2), 'arealMass'), min: 0 },
    curves: [
      {
        name: t('water left'),
        points: [[0, waterStartGm2], ...ends.map((own) => [own.t, own.waterGm2] as const)],
      },
      { name: t('dry to the touch'), isDashed: true, points: across(boundGm2) },
      { name: t('ready to print'), isDashed: true, points: across(READY_SHARE * boundGm2) },
    ],
    band: {
      name: t('as far as the model may be off'),
      points: [
        [0, waterStartGm2, waterStartGm2],
        ...ends.map((own) => [own.t, own.waterLowGm2, own.waterHighGm2] as const),
      ],
    },
    dotsName: t('the end of it'),
    dots: [{ x: lastS, y: ends.at(-1)?.waterGm2 ?? 0, words: '' }],
  };
}
