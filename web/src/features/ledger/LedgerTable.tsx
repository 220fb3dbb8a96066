import type { LedgerRow } from '@saltflat/contract';
import { shortNames } from '@saltflat/core/route';
import { FAULTS, readStepId } from '@saltflat/core/run';
import type { Role } from '@saltflat/core/work';
import { formatQuantity } from '@saltflat/core/units';
import { createColumnHelper, flexRender, getCoreRowModel, useReactTable } from '@tanstack/react-table';
import dayjs from 'dayjs';
import { Link } from 'react-router';
import { StateMark } from '../../ui/StateMark.tsx';
import { useUnits } from '../../units/unitsSlice.ts';
import type { UnitSystem } from '@saltflat/core/units';

const column = createColumnHelper<LedgerRow>();
const seconds = (value: number | null): string =>
  value === null ? '–' : formatQuantity(Math.round(value), 'duration');

const columns = (system: UnitSystem) => [
  column.accessor('at', {
    header: 'When',
    cell: ({ getValue }) => <span className="nowrap">{dayjs(getValue()).format('D MMM, HH:mm')}</span>,
  }),
  column.accessor('code', {
    header: 'Line',
    cell: ({ row: { original } }) => (
      <Link className="code nowrap" to={`/orders/${original.orderId}`}>
        {original.code}
      </Link>
    ),
  }),
  column.accessor('piece', { header: 'Piece', meta: 'number' }),
  column.accessor('customer', {
    header: 'Customer and garment',
    cell: ({ row: { original } }) => (
      <>
        {original.customer} <span className="muted">{original.garment}</span>
      </>
    ),
  }),
  column.accessor('processes', {
    header: 'Process',
    cell: ({ getValue }) => shortNames(getValue()),
  }),
  column.accessor('plateC', {
    header: 'Plate',
    meta: 'number',
    cell: ({ getValue }) => {
      const value = getValue();
      return value === null ? '' : formatQuantity(value, 'temperature', system);
    },
  }),
  column.accessor('dwellS', {
    header: 'Dwell, set / kept',
    meta: 'number',
    cell: ({ row: { original } }) => (
      <span className="nowrap">
        {seconds(original.dwellS)} / {seconds(original.actualDwellS)}
      </span>
    ),
  }),
  column.accessor('pretreatmentG', {
    header: () => <span className="two-lines">Pretreatment, wanted / weighed</span>,
    meta: 'number',
    cell: ({ row: { original } }) =>
      original.pretreatmentTargetG === null ? (
        ''
      ) : (
        <span className="nowrap">
          {formatQuantity(original.pretreatmentTargetG, 'mass', system, 1)} /{' '}
          {original.pretreatmentG === null
            ? 'not weighed'
            : formatQuantity(original.pretreatmentG, 'mass', system, 1)}
        </span>
      ),
  }),
  column.accessor('verdict', {
    header: 'Came out',
    cell: ({ getValue }) => <StateMark state={getValue()} />,
  }),
  column.accessor('faults', {
    header: 'Fault, first cause to look at',
    cell: ({ row: { original } }) => (
      <>
        {original.faults.map((fault) => (
          <div key={fault}>
            {FAULTS[fault]?.name ?? fault} <span className="muted">{FAULTS[fault]?.firstCause}</span>
          </div>
        ))}
        {original.note && <div className="muted">“{original.note}”</div>}
        {original.photo && (
          <a href={`/api/v1/photos/${original.photo}`} target="_blank" rel="noreferrer">
            Photo
          </a>
        )}
        {original.verdict !== 'good' && (
          <Link to={`/route/${original.lineId}?version=${original.routeNumber}`}>
            Route, version {original.routeNumber}
          </Link>
        )}
      </>
    ),
  }),
  column.accessor('made', {
    header: 'Made together with, and from which lots',
    cell: ({ row: { original } }) => <MadeTogether row={original} />,
  }),
  column.accessor('by', { header: 'By' }),
];

const DONE: Partial<Record<Role, string>> = {
  print: 'printed',
  melt: 'melted',
  spray: 'sprayed',
  bond: 'pressed',
  cure: 'cured',
};

/** Sheets and loads the piece shared, each leading to all that came of it. */
function MadeTogether({ row: { runId, made, lots } }: { row: LedgerRow }) {
  return (
    <>
      {made.flatMap(({ role, step }) => {
        const others = (readStepId(step)?.parts.length ?? 1) - 1;
        return others < 1
          ? []
          : [
              <Link
                key={step}
                className="nowrap"
                style={{ display: 'block', lineHeight: '28px' }}
                to={`/ledger?${new URLSearchParams({ run: runId, step }).toString()}`}
              >
                {DONE[role] ?? role} with {others} more
              </Link>,
            ];
      })}
      {lots.map(({ material, lot }) => (
        <Link
          key={`${material} ${lot}`}
          className="nowrap small"
          style={{ display: 'block', lineHeight: '24px' }}
          to={`/ledger?${new URLSearchParams({ search: lot }).toString()}`}
        >
          {material} {lot}
        </Link>
      ))}
    </>
  );
}

/** What came out, one row a piece, with the settings and readings it really had. */
export function LedgerTable({ rows }: { rows: LedgerRow[] }) {
  const system = useUnits();
  const table = useReactTable({ data: rows, columns: columns(system), getCoreRowModel: getCoreRowModel() });
  return (
    <table className="dense">
      <thead>
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id}>
            {group.headers.map((header) => (
              <th key={header.id} className={header.column.columnDef.meta === 'number' ? 'number' : ''}>
                {flexRender(header.column.columnDef.header, header.getContext())}
              </th>
            ))}
          </tr>
        ))}
      </thead>
      <tbody>
        {table.getRowModel().rows.map((row) => (
          <tr key={row.id}>
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
