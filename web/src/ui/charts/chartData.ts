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

export const isMap = (data: ChartData | MapData): data is MapData => 'cellName' in data;

/** The same as a table: a heading, then a row a place along; empty where there is no value. */
export const chartRows = (data: ChartData | MapData): (string | number)[][] =>
  isMap(data)
    ? [[t('Place'), t('Value')], ...data.spots.map(({ name, text }) => [name, text])]
    : [
        [data.along.title, ...data.series.map(({ name }) => name)],
        ...data.along.values.map((value, i) => [value, ...data.series.map(({ values }) => values[i] ?? '')]),
      ];

/** In a sentence: from where to where each series goes, for who does not see the drawing. */
export const chartWords = (data: ChartData | MapData): string =>
  isMap(data) ? data.spots.map(({ name, text }) => `${name}: ${text}`).join('; ') : courseWords(data);

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
