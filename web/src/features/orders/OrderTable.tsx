import type { OrderSummary } from '@saltflat/contract';
import { PROCESS_NAMES, shortNames } from '@saltflat/core/route';
import { createColumnHelper, flexRender, getCoreRowModel, useReactTable } from '@tanstack/react-table';
import { Spark } from '../../trace/index.ts';
import { StateMark } from '../../ui/StateMark.tsx';
import { dueWords, isLate } from './dates.ts';
import './orders.css';

const column = createColumnHelper<OrderSummary>();

interface Props {
  orders: OrderSummary[];
  selectedId: string | null;
  sort: string;
  direction: 'asc' | 'desc';
  nowMs: number;
  onSort: (sort: 'due' | 'code' | 'customer') => void;
  onSelect: (id: string) => void;
}

const SORTABLE: Record<string, 'due' | 'code' | 'customer'> = {
  code: 'code',
  customer: 'customer',
  due: 'due',
};

function columns(nowMs: number) {
  return [
    column.accessor('code', {
      header: 'Order',
      cell: ({ getValue }) => <span className="code">{getValue()}</span>,
    }),
    column.accessor('customer', {
      header: 'Customer and garments',
      cell: ({ getValue, row }) => (
        <>
          {getValue()}
          <div className="muted">{row.original.garments.join(', ')}</div>
        </>
      ),
    }),
    column.accessor('pieces', { header: 'Pieces', meta: 'number' }),
    column.accessor('processes', {
      header: 'Process',
      cell: ({ getValue }) => (
        <span
          title={getValue()
            .map((process) => PROCESS_NAMES[process])
            .join(', ')}
        >
          {shortNames(getValue())}
        </span>
      ),
    }),
    column.accessor('spark', {
      header: 'Heat trace',
      cell: ({ getValue }) => (
        <Spark
          pieces={getValue().map(([tempC, durationS, isHandsOn]) => ({ tempC, durationS, isHandsOn }))}
        />
      ),
    }),
    column.accessor('dueAt', {
      id: 'due',
      header: 'Due',
      cell: ({ getValue, row }) =>
        isLate(getValue(), row.original.state, nowMs) ? (
          <span className="state" data-tone="hands">
            <span aria-hidden="true">◆</span>late, {dueWords(getValue())}
          </span>
        ) : (
          <span className="nowrap">{dueWords(getValue())}</span>
        ),
    }),
    column.accessor('state', { header: 'State', cell: ({ getValue }) => <StateMark state={getValue()} /> }),
  ];
}

/** The order list: dense, sortable by its headings, walked with the arrow keys. */
export function OrderTable({ orders, selectedId, sort, direction, nowMs, onSort, onSelect }: Props) {
  const table = useReactTable({
    data: orders,
    columns: columns(nowMs),
    getCoreRowModel: getCoreRowModel(),
    manualSorting: true,
  });
  const move = (event: React.KeyboardEvent<HTMLTableRowElement>): void => {
    const step = { ArrowDown: 'nextElementSibling', ArrowUp: 'previousElementSibling' }[event.key] as
      'nextElementSibling' | undefined;
    if (!step) return;
    event.preventDefault();
    (event.currentTarget[step] as HTMLElement | null)?.focus();
  };
  return (
    <table className="dense">
      <thead>
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id}>
            {group.headers.map((header) => {
              const key = SORTABLE[header.id];
              const isSorted = key !== undefined && key === sort;
              return (
                <th
                  key={header.id}
                  className={header.column.columnDef.meta === 'number' ? 'number' : ''}
                  aria-sort={isSorted ? (direction === 'asc' ? 'ascending' : 'descending') : undefined}
                >
                  {key ? (
                    <button type="button" onClick={() => onSort(key)}>
                      {flexRender(header.column.columnDef.header, header.getContext())}
                      <span aria-hidden="true">{isSorted ? (direction === 'asc' ? '↑' : '↓') : '↕'}</span>
                    </button>
                  ) : (
                    flexRender(header.column.columnDef.header, header.getContext())
                  )}
                </th>
              );
            })}
          </tr>
        ))}
      </thead>
      <tbody>
        {table.getRowModel().rows.map((row) => (
          <tr
            key={row.id}
            tabIndex={0}
            aria-selected={row.original.id === selectedId}
            style={{ cursor: 'pointer' }}
            onClick={() => onSelect(row.original.id)}
            onKeyDown={(event) => (event.key === 'Enter' ? onSelect(row.original.id) : move(event))}
          >
            {row.getVisibleCells().map((cell) => (
              <td key={cell.id} className={cell.column.columnDef.meta === 'number' ? 'number' : ''}>
                {flexRender(cell.column.columnDef.cell, cell.getContext())}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
