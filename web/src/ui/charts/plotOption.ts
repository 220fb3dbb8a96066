import { SANS, TOKENS } from '../theme/tokens.ts';
import type { PlotData } from './chartData.ts';

const TEXT = { fontFamily: SANS, color: TOKENS.muted, fontSize: 12 } as const;
const DOT = '#E58A1F';

/** Points, with curves and a band through them, over two axes of numbers. */
export const plotOption = ({ along, up, curves, band, dots, dotsName }: PlotData, isStill: boolean) => ({
  animation: !isStill,
  animationDuration: 200,
  textStyle: TEXT,
  grid: { left: 8, right: 20, top: 52, bottom: 30, containLabel: true },
  legend: {
    top: 0,
    left: 0,
    textStyle: TEXT,
    itemWidth: 14,
    itemHeight: 8,
    data: [...new Set([...curves.map(({ name }) => name), ...(band === null ? [] : [band.name])])]
      .map((name) => ({ name, icon: 'roundRect' }))
      .concat({ name: dotsName, icon: 'circle' }),
  },
  tooltip: {
    trigger: 'item' as const,
    confine: true,
    textStyle: { ...TEXT, color: TOKENS.ink },
    formatter: ({ data }: { data?: unknown }) => {
      const { words = '', value = [0, 0] } = (data ?? {}) as { words?: string; value?: number[] }; // a dot, as it was given
      return `${along.write(value[0] ?? 0)}: ${up.write(value[1] ?? 0)}${words === '' ? '' : `<br>${words}`}`;
    },
  },
  xAxis: {
    type: 'value' as const,
    min: along.min,
    max: along.max,
    name: along.title,
    nameLocation: 'middle' as const,
    nameGap: 28,
    nameTextStyle: TEXT,
    axisLabel: { ...TEXT, formatter: along.write, hideOverlap: true },
    splitLine: { show: false },
    axisLine: { lineStyle: { color: TOKENS.edge } },
  },
  yAxis: {
    type: 'value' as const,
    axisLine: { show: true, onZero: false, lineStyle: { color: TOKENS.edge } },
    name: up.title,
    nameTextStyle: { ...TEXT, align: 'left' as const },
    axisLabel: { ...TEXT, formatter: up.write, hideOverlap: true },
    splitLine: { lineStyle: { color: TOKENS.hairline } },
    scale: true,
    ...(up.min === undefined ? {} : { min: up.min }),
    ...(up.max === undefined ? {} : { max: up.max }),
  },
  series: [...bandSeries(band), ...curves.map(curveSeries), dotSeries(dotsName, dots)],
});

/** The band stands on its lower edge, which itself is not seen. */
const bandSeries = (band: PlotData['band']) =>
  band === null
    ? []
    : [
        { ...EDGE, name: `${band.name} `, data: band.points.map(([x, low]) => [x, low]) },
        {
          ...EDGE,
          name: band.name,
          itemStyle: { color: 'rgba(11, 107, 115, 0.3)' },
          areaStyle: { color: 'rgba(11, 107, 115, 0.16)' },
          data: band.points.map(([x, low, high]) => [x, high - low]),
        },
      ];
const EDGE = {
  type: 'line' as const,
  stack: 'band',
  stackStrategy: 'all' as const,
  symbol: 'none',
  silent: true,
  lineStyle: { opacity: 0 },
};

const curveSeries = ({ name, points, isDashed = false }: PlotData['curves'][number]) => ({
  type: 'line' as const,
  name,
  data: points.map((point) => [...point]),
  symbol: 'none',
  silent: true,
  color: isDashed ? TOKENS.muted : TOKENS.brine,
  lineStyle: { width: isDashed ? 1 : 2, ...(isDashed ? { type: 'dashed' as const } : {}) },
});

const dotSeries = (name: string, dots: PlotData['dots']) => ({
  type: 'scatter' as const,
  name,
  z: 5,
  symbolSize: 10,
  color: DOT,
  data: dots.map(({ x, y, words, isHollow = false }) => ({
    value: [x, y],
    words,
    itemStyle: isHollow
      ? { color: TOKENS.surface, borderColor: TOKENS.rose, borderWidth: 2 }
      : { color: DOT, borderColor: TOKENS.surface, borderWidth: 1 },
  })),
});
