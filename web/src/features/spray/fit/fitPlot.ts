import type { NozzleFit, SprayWeighing } from '@saltflat/contract';
import { readSprayer } from '@saltflat/core/spray';
import { formatQuantity } from '@saltflat/core/units';
import type { PlotData } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';

const PLACES = 46;

interface Shown {
  /** What is set, as its maker calls it. */
  name: string;
  passes: number;
  /** `null` before two weighings. */
  fit: NozzleFit | null;
  range: { least: number; most: number };
  /** Newest first, of one fluid and nozzle. */
  weighings: readonly SprayWeighing[];
  /** When one was weighed, for who points at it. */
  day: (at: string) => string;
}

/** What a sprayer gives over what is set: its curve, where that and single sprays may lie, and what was weighed. */
export function fitPlot({ name, passes, fit, range, weighings, day }: Shown): PlotData {
  const { least, most } = range;
  const settings = Array.from({ length: PLACES }, (_, i) => least + (i / (PLACES - 1)) * (most - least));
  const asked = fit && readSprayer(fit);
  const curve = asked ? settings.map((setting) => asked.gm2At(setting, passes)) : [];
  const doubted = new Set(fit?.outliers.map(({ index }) => index));
  return {
    along: {
      title: name,
      write: (value) => formatQuantity(Math.round(100 * value) / 100, 'mark'),
      min: least,
      max: most,
    },
    up: {
      title: t('on the garment'),
      write: (value) => formatQuantity(Math.round(value), 'arealMass'),
      min: 0,
    },
    curves: [
      ...(asked
        ? [{ name: t('what it gives'), points: curve.map((own) => [own.setting, own.gm2] as const) }]
        : []),
      ...(asked
        ? [
            {
              name: t('one spray, nine in ten'),
              isDashed: true,
              points: curve.map((own) => [own.setting, own.sprayLow] as const),
            },
            {
              name: t('one spray, nine in ten'),
              isDashed: true,
              points: curve.map((own) => [own.setting, own.sprayHigh] as const),
            },
          ]
        : []),
    ],
    band: asked
      ? {
          name: t('the curve itself, nine in ten'),
          points: curve.map((own) => [own.setting, own.low, own.high] as const),
        }
      : null,
    dotsName: t('weighed'),
    dots: weighings.flatMap(({ input, gm2, at }, i) =>
      input.passes === passes
        ? [
            {
              x: input.setting,
              y: gm2,
              isHollow: doubted.has(i),
              words: doubted.has(i)
                ? t('{who}, {day}: more likely a slip than not', { who: input.by, day: day(at) })
                : t('{who}, {day}', { who: input.by, day: day(at) }),
            },
          ]
        : [],
    ),
  };
}
