import { rich, t } from '../../words/index.ts';
import type { OrderSummary } from '@saltflat/contract';
import { PROCESS_NAMES, shortNames } from '@saltflat/core/route';
import { useMemo } from 'react';
import { Spark } from '../../trace/index.ts';
import { When } from '../../units/Written.tsx';
import { isLate } from './isLate.ts';
import { DataTable, Mark, StateMark, styled } from '../../ui/index.ts';
import type { Sorting, TableColumn } from '../../ui/index.ts';

interface Props {
  orders: readonly OrderSummary[];
  selectedId: string | null;
  sorting: Sorting;
  nowMs: number;
  /** How many there are in all, in words. */
  says: string;
  /** Address of the whole list as a file. */
  csvHref: string;
  isMoreComing: boolean;
  onSort: (sorting: Sorting) => void;
  onOpen: (id: string) => void;
  onNearEnd: (() => void) | undefined;
}

const Short = styled('abbr')({ textDecoration: 'none' });

const columnsAt = (nowMs: number): TableColumn<OrderSummary>[] => [
  {
    key: 'code',
    title: t('Order'),
    isSortable: true,
    cell: ({ code }) => <span className="code">{code}</span>,
  },
  {
    key: 'customer',
    title: t('Customer and garments'),
    isSortable: true,
    cell: ({ customer, garments }) => (
      <>
        {customer}
        <div className="muted">{garments.join(', ')}</div>
      </>
    ),
  },
  { key: 'pieces', title: t('Pieces'), isNumber: true, isWideOnly: true, cell: ({ pieces }) => pieces },
  {
    key: 'processes',
    title: t('Process'),
    isWideOnly: true,
    cell: ({ processes }) => (
      <Short title={processes.map((process) => t(PROCESS_NAMES[process])).join(', ')}>
        {shortNames(processes, t)}
      </Short>
    ),
  },
  {
    key: 'spark',
    title: t('Heat trace'),
    isWideOnly: true,
    cell: ({ spark }) => (
      <Spark pieces={spark.map(([tempC, durationS, isHandsOn]) => ({ tempC, durationS, isHandsOn }))} />
    ),
  },
  {
    key: 'due',
    title: t('Due'),
    isSortable: true,
    cell: ({ dueAt, state }) =>
      isLate(dueAt, state, nowMs) ? (
        <Mark mark="◆" tone="hands">
          {rich('late, {when}', { when: <When at={dueAt} as="weekday-time" /> })}
        </Mark>
      ) : (
        <When at={dueAt} as="weekday-time" />
      ),
  },
  { key: 'state', title: t('State'), cell: ({ state }) => <StateMark state={state} /> },
];

const MINUTE_MS = 60_000;

/** The order list: dense, sortable by its headings, walked with the arrow keys, as long as it is. */
export function OrderTable({ orders, selectedId, nowMs, ...rest }: Props) {
  const minute = Math.floor(nowMs / MINUTE_MS); // late by the minute: the columns stay the same between
  const columns = useMemo(() => columnsAt(minute * MINUTE_MS), [minute]);
  return (
    <DataTable
      name="orders"
      label={t('Orders')}
      columns={columns}
      rows={orders}
      keyOf={({ id }) => id}
      selectedKey={selectedId}
      {...rest}
    />
  );
}
