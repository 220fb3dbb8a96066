import { t } from '../../words/t.ts';

/** What a chart shows, whatever draws it: one value a series at each place along. */
export interface ChartData {
  /** What is along: pieces, weeks. */
  along: { title: string; values: readonly string[] };
  /** What is up, with how a value is written. */
  up: { title: string; write: (value: number) => string; min?: number; max?: number };
  series: readonly { name: string; kind: 'bar' | 'line'; values: readonly (number | null)[] }[];
  /** Bars stand on each other: together they are a whole. */
  isStacked?: boolean;
}

/** A plane seen from above, a value in each cell, with places on it that are marked. */
export interface MapData {
  columns: number;
  rows: number;
  /** Row by row from the top. */
  values: readonly number[];
  /** What a cell is called, as it is pointed at. */
  cellName: (column: number, row: number) => string;
  write: (value: number) => string;
  low: number;
  high: number;
  /** Colours from low to high. */
  ramp: readonly string[];
  /** Marked places, by cell, with what stands there. */
  spots: readonly { column: number; row: number; name: string; text: string }[];
  /** A framed part, by cells. */
  frame: { name: string; fromColumn: number; toColumn: number; fromRow: number; toRow: number } | null;
  sides: { top: string; bottom: string };
}

/** What was measured, as points in a plane, with the curves and the band drawn through them. */
export interface PlotData {
  along: { title: string; write: (value: number) => string; min: number; max: number };
  up: { title: string; write: (value: number) => string; min?: number; max?: number };
  /** Dashed: a bound rather than the thing itself. */
  curves: readonly { name: string; points: readonly PlotPoint[]; isDashed?: boolean }[];
  /** Between two curves. */
  band: { name: string; points: readonly (readonly [x: number, low: number, high: number])[] } | null;
  /** Hollow: doubted, or beside what the curves are of. */
  dots: readonly { x: number; y: number; words: string; isHollow?: boolean }[];
  /** What the dots are. */
  dotsName: string;
}
export type PlotPoint = readonly [x: number, y: number];

export type AnyChart = ChartData | MapData | PlotData;

export const isMap = (data: AnyChart): data is MapData => 'cellName' in data;
export const isPlot = (data: AnyChart): data is PlotData => 'dots' in data;

/** The same as a table: a heading, then a row a place along; empty where there is no value. */
export function chartRows(data: AnyChart): (string | number)[][] {
  if (isMap(data)) return [[t('Place'), t('Value')], ...data.spots.map(({ name, text }) => [name, text])];
  if (isPlot(data))
    return [
      [data.along.title, data.up.title, data.dotsName],
      ...data.dots.map(({ x, y, words }) => [data.along.write(x), data.up.write(y), words]),
    ];
  return [
    [data.along.title, ...data.series.map(({ name }) => name)],
    ...data.along.values.map((value, i) => [value, ...data.series.map(({ values }) => values[i] ?? '')]),
  ];
}

/** In a sentence: from where to where each series goes, for who does not see the drawing. */
export function chartWords(data: AnyChart): string {
  if (isMap(data)) return data.spots.map(({ name, text }) => `${name}: ${text}`).join('; ');
  return isPlot(data) ? plotWords(data) : courseWords(data);
}

const plotWords = ({ along, up, curves, dots, dotsName }: PlotData): string =>
  [
    ...curves.flatMap(({ name, points }) => {
      const [first, last] = [points[0], points.at(-1)];
      if (first === undefined || last === undefined) return [];
      const at = ([x, y]: PlotPoint): string =>
        t('{value} at {place}', { value: up.write(y), place: along.write(x) });
      return [t('{name}: from {first} to {last}', { name, first: at(first), last: at(last) })];
    }),
    `${dotsName}: ${dots.length}`,
  ].join('; ');

const courseWords = ({ along, up, series }: ChartData): string =>
  series
    .map(({ name, values }) => {
      const known = values.flatMap((value, i) => (value === null ? [] : [i]));
      const [first = -1] = known;
      const last = known.at(-1) ?? -1;
      const at = (i: number): string => `${up.write(values[i] ?? 0)} at ${along.values[i] ?? ''}`;
      return first < 0
        ? t('{name}: nothing yet', { name })
        : t('{name}: from {first} to {last}', { name, first: at(first), last: at(last) });
    })
    .join('; ');
