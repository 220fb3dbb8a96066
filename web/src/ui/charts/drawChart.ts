import { BarChart, LineChart } from 'echarts/charts';
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { SANS, TOKENS } from '../theme/tokens.ts';
import type { ChartData } from './chartData.ts';

use([BarChart, LineChart, GridComponent, LegendComponent, TooltipComponent, CanvasRenderer]);

/** Told apart by lightness as well as by hue, so that they are in grey too. */
const COLOURS = [TOKENS.brine, '#E58A1F', '#6E5BA6', TOKENS.muted];
/** Two names of some length stand side by side. */
const LEGEND_ROW_PX = 20;
const TEXT = { fontFamily: SANS, color: TOKENS.muted, fontSize: 12 } as const;

export interface DrawnChart {
  show: (data: ChartData) => void;
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
    show: ({ along, up, series, isStacked = false }) =>
      chart.setOption(
        {
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
            barMaxWidth: 36,
            ...(isStacked ? { stack: 'whole' } : {}),
          })),
        },
        true,
      ),
    resize: () => chart.resize(),
    png: () => chart.getDataURL({ type: 'png', pixelRatio: 2, backgroundColor: TOKENS.surface }),
    end: () => chart.dispose(),
  };
}

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
