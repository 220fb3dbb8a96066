import { t } from '../../words/index.ts';
import {
  createColumnHelper,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
} from '@tanstack/react-table';
import type { SortingState } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useIsNarrow } from '../layout/useIsNarrow.ts';
import { inOrder, plainOf, textOf } from './columns.ts';
import type { TableColumn } from './columns.ts';
import { keepColumns, keptColumns } from './keptColumns.ts';
import { saveCsv } from './saveCsv.ts';
import { DataRow } from './DataRow.tsx';
import { TableFoot } from './TableFoot.tsx';
import { TableHeadings } from './TableHeadings.tsx';
import type { Sorting } from './TableHeadings.tsx';
import { Body, Frame, Table, Trunk } from './tableParts.tsx';
import { useRowWalk } from './useRowWalk.ts';

interface Props<Row> {
  /** Names the table on this device: which columns are shown is kept under it. */
  name: string;
  /** What the table is of. */
  label: string;
  columns: readonly TableColumn<Row>[];
  rows: readonly Row[];
  keyOf: (row: Row) => string;
  selectedKey?: string | null;
  /** Opens a row: by a press, or Enter on the row that has the focus. */
  onOpen?: ((key: string) => void) | undefined;
  /** How whoever gives the rows has sorted them; without it the table sorts what it has. */
  sorting?: Sorting;
  onSort?: (sorting: Sorting) => void;
  /** Narrows what is shown, over every column. */
  search?: string;
  /** Asked for as the end comes into sight. */
  onNearEnd?: (() => void) | undefined;
  isMoreComing?: boolean;
  /** Said at the foot, for example how many there are in all. */
  says?: React.ReactNode;
  /** Where the whole list comes as a file, with what is not loaded here; otherwise the rows of the table. */
  csvHref?: string;
  /** A guess of a row's height, px; rows are measured as they are drawn. */
  rowPx?: number;
  /** What stands in place of rows. */
  empty?: React.ReactNode;
}

/** Drawn beyond what is in sight. */
const AHEAD = 8;
/** A list so short is drawn whole: the browser’s own search finds all of it. */
const SHORT = 60;
/** px */
const NARROW = 620;
const ROW_PX = 54;

/**
 * A list of any length: only what is in sight is drawn. Headings sort, columns are chosen and kept on this device, arrows,
 * Page Up and Down, Home and End walk the rows, Enter opens one, and everything goes out as CSV.
 */
export function DataTable<Row>(props: Props<Row>) {
  const {
    name,
    label,
    columns,
    rows,
    keyOf,
    selectedKey = null,
    onOpen,
    sorting,
    onSort,
    search = '',
  } = props;
  const { onNearEnd } = props;
  const [shown, setShown] = useState(() => keptColumns(name, columns));
  const [own, setOwn] = useState<SortingState>([]);
  const scroller = useRef<HTMLDivElement>(null);
  const body = useRef<HTMLTableSectionElement>(null);
  const isNarrow = useIsNarrow(NARROW);
  const isSortedOutside = onSort !== undefined;
  const defs = useMemo(() => {
    const column = createColumnHelper<Row>();
    return columns.map((one, i) =>
      column.accessor((row: Row) => plainOf(one, row), {
        id: one.key,
        enableGlobalFilter: i === 0,
        sortingFn: (p, q, id) => inOrder(p.getValue(id), q.getValue(id)),
      }),
    );
  }, [columns]);
  const texts = useMemo(
    () => (isSortedOutside ? [] : rows.map((row) => textOf(columns, row))),
    [isSortedOutside, rows, columns],
  );
  const table = useReactTable({
    data: rows as Row[], // it is only read
    columns: defs,
    state: {
      sorting: isSortedOutside ? [] : own,
      globalFilter: search.trim().toLowerCase(),
    },
    onSortingChange: setOwn,
    getRowId: keyOf,
    getColumnCanGlobalFilter: (column) => column.columnDef.enableGlobalFilter === true,
    globalFilterFn: (row, _column, sought: string) => texts[row.index]?.includes(sought) ?? false,
    getCoreRowModel: getCoreRowModel(),
    ...(isSortedOutside
      ? {}
      : { getSortedRowModel: getSortedRowModel(), getFilteredRowModel: getFilteredRowModel() }),
  });
  const { rows: all } = table.getRowModel();
  const virtual = useVirtualizer({
    count: all.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => props.rowPx ?? ROW_PX,
    overscan: all.length <= SHORT ? SHORT : AHEAD,
    getItemKey: (i) => all[i]?.id ?? i,
  });
  const items = virtual.getVirtualItems();
  const last = items.at(-1)?.index ?? -1;
  useEffect(() => {
    if (onNearEnd && last >= all.length - AHEAD) onNearEnd();
  }, [onNearEnd, last, all.length]);
  const walk = useRowWalk({
    rows: all.length,
    virtual,
    page: items.length,
    body,
    onOpen: onOpen && ((index) => all[index] && onOpen(all[index].id)),
  });
  const told = useMemo(
    () => columns.filter(({ key, isWideOnly }) => shown[key] !== false && !(isNarrow && isWideOnly === true)),
    [columns, shown, isNarrow],
  );
  const latestOpen = useRef(onOpen);
  useEffect(() => {
    latestOpen.current = onOpen;
  });
  const open = useCallback((key: string) => latestOpen.current?.(key), []);
  const [ownSort] = own;
  const before = items[0]?.start ?? 0;
  const after = virtual.getTotalSize() - (items.at(-1)?.end ?? 0);
  return (
    <Frame>
      <Trunk ref={scroller} tabIndex={-1}>
        <Table role="grid" aria-label={label} aria-rowcount={all.length + 1} onKeyDown={walk.onKeyDown}>
          <TableHeadings
            columns={told}
            sorting={
              isSortedOutside
                ? (sorting ?? null)
                : ownSort
                  ? { key: ownSort.id, direction: ownSort.desc ? 'desc' : 'asc' }
                  : null
            }
            canSort={(key) =>
              !isSortedOutside || told.some((one) => one.key === key && one.isSortable === true)
            }
            onSort={(key) =>
              onSort
                ? onSort({
                    key,
                    direction: sorting?.key === key && sorting.direction === 'asc' ? 'desc' : 'asc',
                  })
                : table.getColumn(key)?.toggleSorting()
            }
          />
          <Body ref={body} isPressable={onOpen !== undefined}>
            {before > 0 && <tr aria-hidden="true" style={{ height: before }} />}
            {items.map(({ index, key }) => {
              const row = all[index];
              if (!row) return null;
              return (
                <DataRow
                  key={key}
                  row={row}
                  index={index}
                  columns={told}
                  isSelected={onOpen && row.id === selectedKey}
                  isActive={index === walk.active}
                  measure={virtual.measureElement}
                  onFocus={walk.setActive}
                  onOpen={open}
                />
              );
            })}
            {after > 0 && <tr aria-hidden="true" style={{ height: after }} />}
          </Body>
        </Table>
        {all.length === 0 && props.empty}
      </Trunk>
      <TableFoot
        says={
          props.isMoreComing === true
            ? t('Fetching more …')
            : (props.says ?? t('{count} shown', { count: all.length }))
        }
        columns={columns}
        shown={shown}
        csvHref={props.csvHref}
        isEmpty={all.length === 0}
        onToggle={(key) => {
          const next = { ...shown, [key]: !(shown[key] ?? true) };
          setShown(next);
          keepColumns(name, next);
        }}
        onCsv={() =>
          void saveCsv(name, [
            told.map(({ title }) => title),
            ...all.map(({ original }) => told.map((column) => plainOf(column, original))),
          ])
        }
      />
    </Frame>
  );
}
