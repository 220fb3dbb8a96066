import { t } from '../../words/index.ts';
import { Money } from '../../units/Written.tsx';
import { valueAt } from '@saltflat/contract/shopFields';
import { BLANK_KIND_NAMES } from '@saltflat/core/blank';
import type { BlankKind, Fibres } from '@saltflat/core/blank';
import { fibreWords } from '@saltflat/core/route';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { usedFirst } from './recordState.ts';
import type { ShopRow } from './recordState.ts';
import { useMemo } from 'react';
import type { RecordList } from './shopApi.ts';
import { DataTable, Empty, Mark, Swatch, Tip } from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';

interface Props {
  list: RecordList;
  rows: readonly ShopRow[];
  picked: string | null;
  search: string;
  /** Beside an open record: names only. */
  isNarrow: boolean;
  system: UnitSystem;
  onPick: (id: string) => void;
}

/** What is set up, a line a record, each with what it can do and how its figures are known. */
export function RecordTable({ list, rows, picked, search, isNarrow, system, onPick }: Props) {
  const first = useMemo(() => (list === 'blanks' ? NONE : usedFirst(rows)), [list, rows]);
  const columns = useMemo(
    () => [
      ...nameColumns(list, first),
      ...(isNarrow ? [] : list === 'blanks' ? blankColumns(system) : figureColumns(list, system)),
    ],
    [list, first, isNarrow, system],
  );
  return (
    <DataTable
      name={isNarrow ? `shop.${list}.names` : `shop.${list}`}
      label={t('All {list}', { list })}
      columns={columns}
      rows={rows}
      keyOf={({ id }) => id}
      selectedKey={picked}
      search={search}
      empty={
        <Empty title={rows.length === 0 ? t('No {list} yet', { list }) : t('Nothing found')}>
          {rows.length === 0
            ? t('Add the first one: routes are planned from what is here.')
            : t('Search for less, or add it.')}
        </Empty>
      }
      onOpen={onPick}
    />
  );
}

/** Blanks do not stand in for each other. */
const NONE: ReadonlySet<string> = new Set();

const kindWords = (list: RecordList, { kind }: ShopRow): string =>
  list === 'blanks' ? BLANK_KIND_NAMES[kind as BlankKind] : kind.replaceAll('-', ' ');

const nameColumns = (list: RecordList, first: ReadonlySet<string>): TableColumn<ShopRow>[] => [
  {
    key: 'name',
    title: list === 'blanks' ? t('Blank') : t('Name'),
    plain: ({ name, maker }) => `${name} ${maker}`,
    cell: ({ name, maker }) => (
      <>
        <strong>{name}</strong>
        <div className="muted small">{maker}</div>
      </>
    ),
  },
  {
    key: 'kind',
    title: t('Kind'),
    isNoWrap: true,
    plain: (row) => kindWords(list, row),
    cell: (row) => (
      <>
        {kindWords(list, row)}
        {first.has(row.id) && <div className="muted small">{t('used first')}</div>}
      </>
    ),
  },
];

const blankColumns = (system: UnitSystem): TableColumn<ShopRow>[] => [
  { key: 'fabric', title: t('Fabric'), cell: (row) => fabricWords(row, system) },
  {
    key: 'colours',
    title: t('Colours'),
    plain: (row) =>
      coloursOf(row)
        .map(({ name }) => name)
        .join(', '),
    cell: (row) => <Swatches row={row} />,
  },
  {
    key: 'from',
    title: t('From'),
    isNumber: true,
    plain: cheapestCents,
    cell: (row) => <Money cents={cheapestCents(row)} />,
  },
];

const figureColumns = (list: RecordList, system: UnitSystem): TableColumn<ShopRow>[] => [
  { key: 'what', title: t('What it is'), cell: (row) => summaryOf(row, system) },
  {
    key: 'figures',
    title: t('Figures'),
    plain: (row) => STATUS[statusOf(row)],
    cell: (row) => <Status row={row} />,
  },
  ...(list === 'materials' ? [{ key: 'stock', title: t('Stock'), isNumber: true, cell: stockWords }] : []),
];

const at = (row: ShopRow, ...path: string[]): unknown => valueAt(row.record, path);

function fabricWords(row: ShopRow, system: UnitSystem): string {
  const features = (at(row, 'features') as string[]).map((feature) => feature.replaceAll('-', ' '));
  const most = at(row, 'maxPressC');
  return [
    fibreWords({ fibres: at(row, 'fibres') as Fibres }),
    `${String(at(row, 'construction'))}, ${String(at(row, 'massGM2'))} g/m²`,
    ...(typeof most === 'number' ? [`up to ${formatQuantity(most, 'temperature', system)}`] : []),
    ...((at(row, 'colours') as readonly { dye: string }[]).some(({ dye }) => dye === 'migrating')
      ? ['dye wanders']
      : []),
    ...features,
  ].join(', ');
}

const coloursOf = (row: ShopRow): { name: string; hex: string }[] =>
  at(row, 'colours') as { name: string; hex: string }[];

function Swatches({ row }: { row: ShopRow }) {
  const colours = coloursOf(row);
  return (
    <Tip says={colours.map(({ name }) => name).join(', ')}>
      <span style={{ display: 'inline-flex', gap: 4, alignItems: 'center' }}>
        {colours.slice(0, 8).map(({ name, hex }) => (
          <Swatch key={name} hex={hex} />
        ))}
        <span className="muted small">{colours.length}</span>
      </span>
    </Tip>
  );
}

const cheapestCents = (row: ShopRow): number =>
  Math.min(...(at(row, 'sizes') as { cents: number }[]).map(({ cents }) => cents));

function stockWords(row: ShopRow): string {
  const stock = at(row, 'stock');
  const unit = at(row, 'stockUnit');
  return typeof stock === 'number' ? `${stock} ${typeof unit === 'string' ? unit : ''}` : '–';
}

/** What matters most of a record, in a few words: its spans, what it is for. */
function summaryOf(row: ShopRow, system: UnitSystem): string {
  const spans: [key: string, words: string][] = [
    ['pressC', 'presses at'],
    ['cureC', 'cures at'],
    ['plateC', 'plate'],
    ['chamberC', 'chamber'],
    ['surfaceC', 'surface'],
  ];
  const words = ['peel', 'use', 'fibre', 'kind', 'purpose', 'opening'].flatMap((key) => {
    const value = at(row, 'properties', key);
    return typeof value === 'string' ? [value.replaceAll('-', ' ')] : [];
  });
  const tasks = at(row, 'properties', 'tasks');
  const heat = spans.flatMap(([key, name]) => {
    const [min, max] = ['min', 'max'].map((end) => at(row, 'properties', key, end));
    return typeof min === 'number' && typeof max === 'number'
      ? [
          `${name} ${formatQuantity(min, 'temperature', system)} to ${formatQuantity(max, 'temperature', system)}`,
        ]
      : [];
  });
  const [width, height, places] = ['widthMm', 'heightMm', 'places'].map((key) => at(row, 'properties', key));
  const size =
    typeof width !== 'number'
      ? []
      : typeof height === 'number'
        ? [`${formatQuantity(width, 'length', system)} × ${formatQuantity(height, 'length', system)}`]
        : [`${formatQuantity(width, 'length', system)} wide`];
  const room = typeof places === 'number' ? [`${places} places`] : [];
  return [
    ...(Array.isArray(tasks) ? [`prints ${tasks.join(', ')}`] : []),
    ...words,
    ...heat,
    ...size,
    ...room,
  ].join(', ');
}

const STATUS = { measured: 'measured here', assumed: 'assumed', maker: 'maker’s' } as const;

/** How the figures of a record are known: by weighing or gauge in this shop, by its maker, or not at all yet. */
function statusOf(row: ShopRow): keyof typeof STATUS {
  const status = at(row, 'properties', 'status');
  const scale = at(row, 'properties', 'pressureScale');
  if (status === 'weighed' || (Array.isArray(scale) && scale.length > 1)) return 'measured';
  return status === 'assumed' ? 'assumed' : 'maker';
}

const MARKS = { measured: '●', assumed: '○', maker: '◐' } as const;

const Status = ({ row }: { row: ShopRow }) => {
  const status = statusOf(row);
  return (
    <Mark mark={MARKS[status]} tone={status === 'measured' ? 'go' : 'calm'}>
      {STATUS[status]}
    </Mark>
  );
};
