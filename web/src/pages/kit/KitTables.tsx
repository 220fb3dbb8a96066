import { useMemo, useState } from 'react';
import {
  Chart,
  DataTable,
  Empty,
  Panel,
  SearchField,
  SimpleTable,
  Split,
  StateMark,
} from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';

interface MadeUp {
  id: string;
  code: string;
  customer: string;
  pieces: number;
  state: 'ready' | 'running' | 'done';
}

const MANY = 10_000;
const NAMES = ['Gull Rock', 'Reed Bay', 'Mooring', 'Lighthouse', 'Tide Table'] as const;
const KINDS = ['Kite Club', 'Singers', 'Café', 'Keepers', 'Press'] as const;
const STATES = ['ready', 'running', 'done'] as const;

/** So many rows as a busy year leaves, made up by their number. */
const madeUp = (count: number): MadeUp[] =>
  Array.from({ length: count }, (_, i) => ({
    id: String(i),
    code: `K-${1000 + i}`,
    customer: `${NAMES[i % 5] ?? ''} ${KINDS[Math.floor(i / 5) % 5] ?? ''}`,
    pieces: 1 + ((i * 7) % 48),
    state: STATES[i % 3] ?? 'ready',
  }));

const CHART = {
  along: { title: 'Week', values: ['40', '41', '42', '43', '44'] },
  up: { title: 'Good', write: (share: number) => `${Math.round(100 * share)} %`, min: 0.8, max: 1 },
  series: [
    { name: 'Film', kind: 'line' as const, values: [0.91, 0.94, null, 0.95, 0.97] },
    { name: 'Direct', kind: 'line' as const, values: [0.84, 0.88, 0.9, 0.86, 0.93] },
  ],
};

const COLUMNS: TableColumn<MadeUp>[] = [
  {
    key: 'code',
    title: 'Order',
    cell: ({ code }) => <span className="code">{code}</span>,
    plain: ({ code }) => code,
  },
  { key: 'customer', title: 'Customer', cell: ({ customer }) => customer },
  { key: 'pieces', title: 'Pieces', isNumber: true, cell: ({ pieces }) => pieces },
  {
    key: 'state',
    title: 'State',
    cell: ({ state }) => <StateMark state={state} />,
    plain: ({ state }) => state,
  },
  { key: 'note', title: 'Note', isHiddenAtFirst: true, cell: ({ id }) => `row ${id}` },
];

/** Lists: a long one that is drawn as it is scrolled, an empty one, and a few figures. */
export function KitTables() {
  const [search, setSearch] = useState('');
  const [opened, setOpened] = useState<string | null>(null);
  const rows = useMemo(() => madeUp(MANY), []);
  return (
    <Split columns="minmax(0, 2fr) minmax(0, 1fr)">
      <Panel
        title="A list of ten thousand"
        actions={
          <SearchField label="Search the list" placeholder="Search" value={search} onChange={setSearch} />
        }
      >
        <div style={{ height: 460 }}>
          <DataTable
            name="kit"
            label="Made-up orders"
            columns={COLUMNS}
            rows={rows}
            keyOf={({ id }) => id}
            selectedKey={opened}
            search={search}
            rowPx={36}
            onOpen={setOpened}
            empty={<Empty title="Nothing matches">Try fewer letters.</Empty>}
          />
        </div>
      </Panel>
      <Panel title="A few figures">
        <SimpleTable
          label="Prices"
          columns={[
            { key: 'size', title: 'Size', cell: ({ size }: { size: string }) => size },
            { key: 'price', title: 'Price', isNumber: true, cell: () => '€ 8.40' },
          ]}
          rows={[{ size: 'S' }, { size: 'M' }, { size: 'L' }]}
          keyOf={({ size }) => size}
          isSelected={({ size }) => size === 'M'}
          foot={['All', '€ 25.20']}
        />
        <div style={{ padding: 16 }}>
          <Chart title="Made-up share of good" data={CHART} />
        </div>
      </Panel>
    </Split>
  );
}
