import { BarChart, HeatmapChart, LineChart, ScatterChart } from 'echarts/charts';
import {
  GridComponent,
  LegendComponent,
  MarkAreaComponent,
  TooltipComponent,
  VisualMapComponent,
} from 'echarts/components';
import { init, use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { SANS, TOKENS } from '../theme/tokens.ts';
import { isMap, isPlot } from './chartData.ts';
import type { AnyChart, ChartData, MapData } from './chartData.ts';
import { plotOption } from './plotOption.ts';

use([
  BarChart,
  HeatmapChart,
  LineChart,
  ScatterChart,
  GridComponent,
  LegendComponent,
  MarkAreaComponent,
  TooltipComponent,
  VisualMapComponent,
  CanvasRenderer,
]);

/** Told apart by lightness as well as by hue, so that they are in grey too. */
const COLOURS = [TOKENS.brine, '#E58A1F', '#6E5BA6', TOKENS.muted];
/** More places than that, and the marks on a line run together. */
const MOST_MARKED = 30;
/** Two names of some length stand side by side. */
const LEGEND_ROW_PX = 20;
const TEXT = { fontFamily: SANS, color: TOKENS.muted, fontSize: 12 } as const;

export interface DrawnChart {
  show: (data: AnyChart) => void;
  resize: () => void;
  /** The picture, at twice its size, as an address. */
  png: () => string;
  end: () => void;
}

/**
 * Draws a chart and keeps drawing it.
 *
 * @param isStill nothing moves, for who asked the system for that
 */
export function drawChart(place: HTMLElement, isStill: boolean): DrawnChart {
  const chart = init(place, null, { renderer: 'canvas' });
  return {
    show: (data) => chart.setOption(optionOf(data, isStill), true),
    resize: () => chart.resize(),
    png: () => chart.getDataURL({ type: 'png', pixelRatio: 2, backgroundColor: TOKENS.surface }),
    end: () => chart.dispose(),
  };
}

function optionOf(data: AnyChart, isStill: boolean) {
  if (isMap(data)) return mapOption(data);
  return isPlot(data) ? plotOption(data, isStill) : courseOption(data, isStill);
}

const courseOption = ({ along, up, series, isStacked = false }: ChartData, isStill: boolean) => ({
  animation: !isStill,
  animationDuration: 200,
  color: COLOURS,
  textStyle: TEXT,
  grid: {
    left: 8,
    right: 16,
    top: 28 + (series.length > 1 ? LEGEND_ROW_PX * Math.ceil(series.length / 2) : 0),
    bottom: 26,
    containLabel: true,
  },
  legend: series.length > 1 ? { top: 0, left: 0, textStyle: TEXT } : undefined,
  tooltip: {
    trigger: 'axis',
    confine: true,
    textStyle: { ...TEXT, color: TOKENS.ink },
    valueFormatter: (value: unknown) => (typeof value === 'number' ? up.write(value) : '–'),
  },
  xAxis: {
    type: 'category',
    name: along.title,
    nameLocation: 'middle',
    nameGap: 26,
    nameTextStyle: TEXT,
    data: [...along.values],
    axisLabel: TEXT,
    axisLine: { lineStyle: { color: TOKENS.edge } },
  },
  yAxis: upAxis(up),
  series: series.map(({ name, kind, values }) => ({
    name,
    type: kind,
    data: [...values],
    symbolSize: 7,
    showSymbol: values.length <= MOST_MARKED,
    barMaxWidth: 36,
    ...(isStacked ? { stack: 'whole' } : {}),
  })),
});

/** Cells coloured by their value, numbers where something was measured, a frame round what it is about. */
const mapOption = ({ cellName, write, low, high, ramp, ...map }: MapData) => ({
  animation: false,
  textStyle: TEXT,
  grid: { left: 4, right: 4, top: 24, bottom: 24 },
  tooltip: {
    confine: true,
    textStyle: { ...TEXT, color: TOKENS.ink },
    formatter: ({ data }: { data?: unknown }) => {
      const [column = 0, row = 0, value = 0] = Array.isArray(data) ? (data as number[]) : []; // a cell, as it was given
      return `${cellName(column, row)}: ${write(value)}`;
    },
  },
  visualMap: {
    show: false,
    min: low,
    max: high,
    dimension: 2,
    inRange: { color: [...ramp] },
    seriesIndex: 0,
  },
  xAxis: [
    mapSide(map.sides.bottom, map.columns),
    { ...mapSide(map.sides.top, map.columns), position: 'top' as const },
  ],
  yAxis: { ...mapSide('', map.rows), inverse: true },
  series: [cellSeries(map), spotSeries(map)],
});

const mapSide = (name: string, count: number) => ({
  type: 'category' as const,
  data: Array.from({ length: count }, (_, i) => String(i)),
  axisLabel: { show: false },
  axisTick: { show: false },
  axisLine: { show: false },
  name,
  nameLocation: 'middle' as const,
  nameTextStyle: TEXT,
  nameGap: 10,
});

const cellSeries = ({ values, columns }: Pick<MapData, 'values' | 'columns'>) => ({
  type: 'heatmap' as const,
  data: values.map((value, i) => [i % columns, Math.floor(i / columns), value]),
  emphasis: { disabled: true },
});

const spotSeries = ({ spots, frame }: Pick<MapData, 'spots' | 'frame'>) => ({
  type: 'scatter' as const,
  ...(frame === null
    ? {}
    : {
        markArea: {
          z: 4, // over the cells: its own place is under them
          silent: true,
          itemStyle: {
            color: 'transparent',
            borderColor: TOKENS.ink,
            borderWidth: 1.5,
            borderType: 'dashed' as const,
          },
          label: { ...TEXT, color: TOKENS.ink, position: 'insideTopLeft' as const, fontWeight: 600 as const },
          data: [
            [
              { name: frame.name, coord: [frame.fromColumn, frame.fromRow] },
              { coord: [frame.toColumn, frame.toRow] },
            ],
          ] as never, // ECharts' own type asks for a pair and takes no literal for one
        },
      }),

  symbolSize: 1,
  silent: true,
  data: spots.map(({ column, row, text }) => ({
    value: [column, row],
    label: {
      show: true,
      formatter: text,
      fontFamily: SANS,
      fontSize: 13,
      fontWeight: 600 as const,
      color: TOKENS.ink,
      backgroundColor: 'rgba(255, 255, 255, 0.86)',
      padding: [2, 5],
      borderRadius: 3,
    },
  })),
});

/** What is up: from one end to the other in quarters where both are known, else as it fits. */
const upAxis = ({ title, write, min, max }: ChartData['up']) => ({
  type: 'value' as const,
  name: title,
  nameTextStyle: { ...TEXT, align: 'left' as const },
  axisLabel: { ...TEXT, formatter: write, hideOverlap: true },
  splitLine: { lineStyle: { color: TOKENS.hairline } },
  scale: true,
  ...(min === undefined || max === undefined ? {} : { interval: (max - min) / 4 }),
  ...(min === undefined ? {} : { min }),
  ...(max === undefined ? {} : { max }),
});
