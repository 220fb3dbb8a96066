import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
} from '@tanstack/react-table';
import type { SortingState } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Button } from '../actions/Button.tsx';
import { MenuButton } from '../actions/MenuButton.tsx';
import { Grow } from '../layout/boxes.tsx';
import { useIsNarrow } from '../layout/useIsNarrow.ts';
import { plainOf } from './columns.ts';
import type { TableColumn } from './columns.ts';
import { keepColumns, keptColumns } from './keptColumns.ts';
import { saveCsv } from './saveCsv.ts';
import { Body, Cell, Foot, Frame, Head, HeadCell, SortButton, Table, Trunk } from './tableParts.tsx';
import { moveFor } from './tableKeys.ts';

export interface Sorting {
  key: string;
  direction: 'asc' | 'desc';
}

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
/** Letters from which on a title goes over two lines. */
const LONG = 20;

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
    onNearEnd,
  } = props;
  const [shown, setShown] = useState(() => keptColumns(name, columns));
  const [own, setOwn] = useState<SortingState>([]);
  const scroller = useRef<HTMLDivElement>(null);
  const body = useRef<HTMLTableSectionElement>(null);
  const [active, setActive] = useState(0);
  const wanted = useRef<number | null>(null); // the row that gets the focus as soon as it is drawn
  const isSortedOutside = onSort !== undefined;
  const isNarrow = useIsNarrow(NARROW);
  const defs = useMemo(() => {
    const column = createColumnHelper<Row>();
    return columns.map((one) =>
      column.accessor((row: Row) => plainOf(one, row), {
        id: one.key,
        header: one.title,
        cell: (context) => one.cell(context.row.original),
        enableSorting: !isSortedOutside,
        meta: one,
      }),
    );
  }, [columns, isSortedOutside]);
  const table = useReactTable({
    data: rows as Row[], // it is only read
    columns: defs,
    state: {
      columnVisibility: isNarrow ? withoutWide(shown, columns) : shown,
      sorting: isSortedOutside ? [] : own,
      globalFilter: search,
    },
    onSortingChange: setOwn,
    getRowId: keyOf,
    globalFilterFn: 'includesString',
    getCoreRowModel: getCoreRowModel(),
    ...(isSortedOutside
      ? {}
      : { getSortedRowModel: getSortedRowModel(), getFilteredRowModel: getFilteredRowModel() }),
  });
  const { rows: all } = table.getRowModel();
  const virtual = useVirtualizer({
    count: all.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => props.rowPx ?? 54,
    overscan: all.length <= SHORT ? SHORT : AHEAD,
    getItemKey: (i) => all[i]?.id ?? i,
  });
  const items = virtual.getVirtualItems();
  const last = items.at(-1)?.index ?? -1;
  useEffect(() => {
    if (onNearEnd && last >= all.length - AHEAD) onNearEnd();
  }, [onNearEnd, last, all.length]);
  useEffect(() => {
    const at = wanted.current;
    if (at === null) return;
    const row = body.current?.querySelector<HTMLElement>(`[data-index="${at}"]`);
    if (!row) return; // it is drawn once the table has scrolled there
    wanted.current = null;
    row.focus({ preventScroll: true });
  });
  const go = (to: number): void => {
    wanted.current = to;
    setActive(to);
    virtual.scrollToIndex(to, { align: 'auto' });
  };
  const onKeyDown = (event: React.KeyboardEvent): void => {
    if (event.target instanceof Element && event.target.closest('a, button')) return; // what is pressed there is its own
    const row = all[active];
    if (event.key === 'Enter' && row && onOpen) {
      onOpen(row.id);
      return;
    }
    const to = moveFor(event.key, active, all.length, items.length);
    if (to === null) return;
    event.preventDefault();
    go(to);
  };
  const toggle = (key: string): void => {
    const next = { ...shown, [key]: !(shown[key] ?? true) };
    setShown(next);
    keepColumns(name, next);
  };
  const exportRows = (): void => {
    const told = columns.filter(({ key }) => shown[key] !== false);
    void saveCsv(name, [
      told.map(({ title }) => title),
      ...all.map(({ original }) => told.map((column) => plainOf(column, original))),
    ]);
  };
  const before = items[0]?.start ?? 0;
  const after = virtual.getTotalSize() - (items.at(-1)?.end ?? 0);
  return (
    <Frame>
      <Trunk ref={scroller} tabIndex={-1}>
        <Table role="grid" aria-label={label} aria-rowcount={all.length + 1} onKeyDown={onKeyDown}>
          <Head>
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id} aria-rowindex={1}>
                {group.headers.map(({ id, column }) => {
                  const meta = column.columnDef.meta as TableColumn<Row>; // as it was made above
                  const isSorted = isSortedOutside
                    ? sorting?.key === id && sorting.direction
                    : column.getIsSorted();
                  const canSort = isSortedOutside ? meta.isSortable === true : true;
                  return (
                    <HeadCell
                      key={id}
                      isNumber={meta.isNumber === true}
                      isLong={meta.title.length > LONG}
                      aria-sort={isSorted ? (isSorted === 'asc' ? 'ascending' : 'descending') : undefined}
                      style={meta.width === undefined ? undefined : { width: meta.width }}
                    >
                      {canSort ? (
                        <SortButton
                          onClick={() =>
                            isSortedOutside
                              ? onSort({ key: id, direction: isSorted === 'asc' ? 'desc' : 'asc' })
                              : column.toggleSorting()
                          }
                        >
                          {meta.title}
                          <span aria-hidden="true">{isSorted ? (isSorted === 'asc' ? '↑' : '↓') : '↕'}</span>
                        </SortButton>
                      ) : (
                        meta.title
                      )}
                    </HeadCell>
                  );
                })}
              </tr>
            ))}
          </Head>
          <Body ref={body} isPressable={onOpen !== undefined}>
            {before > 0 && <tr aria-hidden="true" style={{ height: before }} />}
            {items.map(({ index, key }) => {
              const row = all[index];
              if (!row) return null;
              return (
                <tr
                  key={key}
                  ref={virtual.measureElement}
                  data-index={index}
                  aria-rowindex={index + 2}
                  aria-selected={row.id === selectedKey}
                  tabIndex={index === Math.min(active, all.length - 1) ? 0 : -1}
                  onFocus={() => setActive(index)}
                  onClick={() => onOpen?.(row.id)}
                >
                  {row.getVisibleCells().map(({ id, column, getContext }) => {
                    const meta = column.columnDef.meta as TableColumn<Row>; // as it was made above
                    return (
                      <Cell key={id} isNumber={meta.isNumber === true} isNoWrap={meta.isNoWrap === true}>
                        {flexRender(column.columnDef.cell, getContext())}
                      </Cell>
                    );
                  })}
                </tr>
              );
            })}
            {after > 0 && <tr aria-hidden="true" style={{ height: after }} />}
          </Body>
        </Table>
        {all.length === 0 && props.empty}
      </Trunk>
      <Foot>
        <span className="muted small" role="status">
          {props.isMoreComing === true ? 'Fetching more …' : (props.says ?? `${all.length} shown`)}
        </span>
        <Grow />
        <MenuButton
          look="quiet"
          choices={columns.map(({ key, title }) => ({
            key,
            label: title,
            isChecked: shown[key] !== false,
            onChoose: () => toggle(key),
          }))}
        >
          Columns
        </MenuButton>
        {props.csvHref === undefined ? (
          <Button look="quiet" size="small" onClick={exportRows} disabled={all.length === 0}>
            CSV
          </Button>
        ) : (
          <Button look="quiet" size="small" download={props.csvHref}>
            CSV
          </Button>
        )}
      </Foot>
    </Frame>
  );
}

const withoutWide = <Row,>(
  shown: Record<string, boolean>,
  columns: readonly TableColumn<Row>[],
): Record<string, boolean> => ({
  ...shown,
  ...Object.fromEntries(columns.filter(({ isWideOnly }) => isWideOnly).map(({ key }) => [key, false])),
});
