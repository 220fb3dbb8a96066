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

/** The same as a table: a heading, then a row a place along; empty where there is no value. */
export const chartRows = ({ along, series }: ChartData): (string | number)[][] => [
  [along.title, ...series.map(({ name }) => name)],
  ...along.values.map((value, i) => [value, ...series.map(({ values }) => values[i] ?? '')]),
];

/** In a sentence: from where to where each series goes, for who does not see the drawing. */
export const chartWords = ({ along, up, series }: ChartData): string =>
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
