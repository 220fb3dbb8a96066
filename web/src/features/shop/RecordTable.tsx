import { valueAt } from '@saltflat/contract/shopFields';
import { BLANK_KIND_NAMES } from '@saltflat/core/blank';
import type { BlankKind, Fibres } from '@saltflat/core/blank';
import { fibreWords } from '@saltflat/core/route';
import { formatMoney, formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { standInsOf } from './recordState.ts';
import type { ShopRow } from './recordState.ts';
import type { RecordList } from './shopApi.ts';

interface Props {
  list: RecordList;
  rows: readonly ShopRow[];
  picked: string | null;
  /** Beside an open record: names only. */
  isNarrow: boolean;
  system: UnitSystem;
  onPick: (id: string) => void;
}

/** What is set up, a line a record, each with what it can do and how its figures are known. */
export function RecordTable({ list, rows, picked, isNarrow, system, onPick }: Props) {
  return (
    <table className="dense">
      <thead>
        <tr>
          <th>{list === 'blanks' ? 'Blank' : 'Name'}</th>
          <th>Kind</th>
          {!isNarrow && (
            <>
              <th>{list === 'blanks' ? 'Fabric' : 'What it is'}</th>
              <th>{list === 'blanks' ? 'Colours' : 'Figures'}</th>
              {list === 'materials' && <th className="number">Stock</th>}
              {list === 'blanks' && <th className="number">From</th>}
            </>
          )}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.id} aria-selected={row.id === picked} onClick={() => onPick(row.id)}>
            <td>
              <button type="button" className="row-name">
                {row.name}
              </button>
              <div className="muted small">{row.maker}</div>
            </td>
            <td className="nowrap">
              {list === 'blanks' ? BLANK_KIND_NAMES[row.kind as BlankKind] : row.kind.replaceAll('-', ' ')}
              {isFirst(row, rows, list) && <div className="muted small">used first</div>}
            </td>
            {!isNarrow && (
              <>
                <td>{list === 'blanks' ? fabricWords(row, system) : summaryOf(row, system)}</td>
                <td>{list === 'blanks' ? <Swatches row={row} /> : <Status row={row} />}</td>
                {list === 'materials' && <td className="number nowrap">{stockWords(row)}</td>}
                {list === 'blanks' && <td className="number nowrap">{cheapest(row)}</td>}
              </>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const at = (row: ShopRow, ...path: string[]): unknown => valueAt(row.record, path);

const isFirst = (row: ShopRow, rows: readonly ShopRow[], list: RecordList): boolean => {
  const standIns = list === 'blanks' ? [] : standInsOf(row, rows);
  return standIns.length > 1 && standIns[0]?.id === row.id;
};

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

function Swatches({ row }: { row: ShopRow }) {
  const colours = at(row, 'colours') as { name: string; hex: string }[];
  return (
    <span
      className="row"
      style={{ gap: 4, flexWrap: 'nowrap' }}
      title={colours.map(({ name }) => name).join(', ')}
    >
      {colours.slice(0, 8).map(({ name, hex }) => (
        <span key={name} className="swatch" style={{ background: hex }} />
      ))}
      <span className="muted small">{colours.length}</span>
    </span>
  );
}

const cheapest = (row: ShopRow): string =>
  formatMoney(Math.min(...(at(row, 'sizes') as { cents: number }[]).map(({ cents }) => cents)));

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

/** How the figures of a record are known: by weighing or gauge in this shop, by its maker, or not at all yet. */
function Status({ row }: { row: ShopRow }) {
  const status = at(row, 'properties', 'status');
  const scale = at(row, 'properties', 'pressureScale');
  if (status === 'weighed' || (Array.isArray(scale) && scale.length > 1)) return <span>● measured here</span>;
  if (status === 'assumed') return <span className="muted">○ assumed</span>;
  return <span className="muted">◐ maker’s</span>;
}
