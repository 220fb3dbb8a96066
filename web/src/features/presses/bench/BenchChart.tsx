import type { OperationHeat, ProbeName } from '@saltflat/core/heat';
import { formatQuantity } from '@saltflat/core/units';
import { useMemo } from 'react';
import { useUnits } from '../../../units/writingSlice.ts';
import { Chart } from '../../../ui/index.ts';
import type { ChartData } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import type { Variant } from './variant.ts';

const PLACES: readonly { at: ProbeName; name: string }[] = [
  { at: 'glue', name: t('glue line') },
  { at: 'powder', name: t('powder') },
  { at: 'ink', name: t('ink') },
  { at: 'face', name: t('garment face') },
];
const MOST_POINTS = 120;

/** The most telling place of a stack. */
const placeOf = ({ courses }: OperationHeat) => PLACES.find(({ at }) => courses[at] !== undefined);

/** Every stack's most telling temperature over time. */
export function BenchChart({
  variants,
  heats,
}: {
  variants: readonly Variant[];
  heats: readonly (OperationHeat | null)[];
}) {
  const system = useUnits();
  const data = useMemo((): ChartData => {
    const lastS = Math.max(1, ...heats.map((own) => own?.timesS.at(-1) ?? 0));
    const stepS = Math.max(1, Math.ceil(lastS / MOST_POINTS));
    const moments = Array.from({ length: Math.floor(lastS / stepS) + 1 }, (_, i) => i * stepS);
    return {
      along: { title: t('s after closing'), values: moments.map(String) },
      up: {
        title: '',
        write: (tempC) => formatQuantity(Math.round(tempC), 'temperature', system),
        min: 0,
        max: 200,
      },
      series: variants.map(({ name }, i) => {
        const heat = heats[i] ?? null;
        const place = heat && placeOf(heat);
        return {
          name: place ? `${name}, ${place.name}` : name,
          kind: 'line' as const,
          values: heat && place ? moments.map((s) => courseAt(heat, place.at, s)) : moments.map(() => null),
        };
      }),
    };
  }, [variants, heats, system]);
  return <Chart title={t('Temperatures')} data={data} heightPx={340} />;
}

function courseAt({ timesS, courses }: OperationHeat, at: ProbeName, s: number): number | null {
  const i = timesS.findIndex((own) => own >= s);
  return i < 0 ? null : (courses[at]?.[i] ?? null);
}
