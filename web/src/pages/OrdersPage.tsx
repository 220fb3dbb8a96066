import type { Order } from '@saltflat/contract';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { useDeferredValue, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { problemMessage } from '../api/problemMessage.ts';
import { serverNow } from '../api/serverClock.ts';
import { BackupNotice } from '../features/backups/index.ts';
import { useStartRunMutation } from '../features/floor/index.ts';
import {
  OrderDetail,
  OrderTable,
  useCancelOrderMutation,
  useDuplicateOrderMutation,
  useOrderQuery,
  useOrderPagesInfiniteQuery,
  useRestoreOrderMutation,
  withoutEmpty,
} from '../features/orders/index.ts';
import { usePerson } from '../person/personSlice.ts';
import { Loading, Notice } from '../ui/Notice.tsx';

const STATES = ['open', 'needs-art', 'ready', 'running', 'done', 'cancelled'] as const;
type StateFilter = (typeof STATES)[number] | '';
type Sort = 'due' | 'code' | 'customer';

/** Intake: the list on the left, the chosen order on the right. Filters live in the address. */
export function OrdersPage() {
  const { orderId = null } = useParams();
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  const state = (params.get('state') ?? 'open') as StateFilter;
  const sort = (params.get('sort') ?? 'due') as Sort;
  const direction = params.get('direction') === 'desc' ? 'desc' : 'asc';
  const [search, setSearch] = useState(params.get('search') ?? '');
  const query = {
    search: useDeferredValue(search),
    state: state === ('all' as string) || state === '' ? undefined : state,
    sort,
    direction,
    limit: 100,
  } as const;
  const { data, error, refetch, fetchNextPage, hasNextPage, isFetchingNextPage } =
    useOrderPagesInfiniteQuery(query);
  const [first] = data?.pages ?? [];
  const orders = data?.pages.flatMap(({ items }) => items) ?? [];
  const set = (changes: Record<string, string>): void =>
    setParams((before) => {
      for (const [key, value] of Object.entries(changes)) before.set(key, value);
      return before;
    });
  const onSort = (next: Sort): void =>
    set({ sort: next, direction: next === sort && direction === 'asc' ? 'desc' : 'asc' });

  return (
    <>
      <div className="page-head">
        <h1>Orders</h1>
        <span className="muted">
          {first &&
            `${first.isMore ? 'more than ' : ''}${first.total} ${first.total === 1 ? 'order' : 'orders'}`}
        </span>
        <span className="spacer" />
        <input
          type="search"
          className="search"
          aria-label="Search orders"
          placeholder="Search code, customer, garment"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
        <select
          className="filter"
          aria-label="State"
          value={state}
          onChange={(event) => set({ state: event.target.value })}
        >
          <option value="all">every state</option>
          {STATES.map((own) => (
            <option key={own} value={own}>
              {own.replace('-', ' ')}
            </option>
          ))}
        </select>
        <Button
          variant="outlined"
          component="a"
          href={`/api/v1/orders.csv?${new URLSearchParams(withoutEmpty({ ...query, limit: undefined })).toString()}`}
          download
        >
          CSV
        </Button>
        <Button variant="contained" component={Link} to="/orders/new">
          New order
        </Button>
      </div>
      <BackupNotice />
      <div className="orders-split">
        <div className="panel order-list">
          {error && (
            <Notice title="The orders cannot be fetched" onRetry={() => void refetch()}>
              {problemMessage(error)}
            </Notice>
          )}
          {!data && !error && <Loading what="the orders" />}
          {data && orders.length === 0 && (
            <Notice title={search === '' ? 'No orders here' : 'Nothing matches'}>
              {search === ''
                ? 'Press “New order”, drop the artwork and say how many.'
                : 'Try fewer letters, or every state.'}
            </Notice>
          )}
          {orders.length > 0 && (
            <OrderTable
              orders={orders}
              selectedId={orderId}
              sort={sort}
              direction={direction}
              nowMs={serverNow()}
              onSort={onSort}
              onSelect={(id) => void navigate({ pathname: `/orders/${id}`, search: params.toString() })}
            />
          )}
          {hasNextPage && (
            <div className="row" style={{ padding: '8px 16px' }}>
              <Button
                size="small"
                variant="outlined"
                disabled={isFetchingNextPage}
                onClick={() => void fetchNextPage()}
              >
                {isFetchingNextPage ? 'Fetching …' : 'Show more'}
              </Button>
              <span className="muted">{orders.length} shown</span>
            </div>
          )}
        </div>
        {orderId ? (
          <ChosenOrder orderId={orderId} />
        ) : (
          <Notice title="No order chosen">
            Choose one on the left to see its lines and start it on the floor.
          </Notice>
        )}
      </div>
    </>
  );
}

function ChosenOrder({ orderId }: { orderId: string }) {
  const { data: order, error } = useOrderQuery(orderId);
  const navigate = useNavigate();
  const by = usePerson().trim() || 'not named';
  const [cancel] = useCancelOrderMutation();
  const [restore] = useRestoreOrderMutation();
  const [duplicate] = useDuplicateOrderMutation();
  const [start] = useStartRunMutation();
  const [told, setTold] = useState<{ text: string; undo: (() => void) | null } | null>(null);
  if (error) return <Notice title="This order cannot be shown">{problemMessage(error)}</Notice>;
  if (!order) return <Loading what="the order" />;

  const tell = (failure: unknown): void => setTold({ text: problemMessage(failure), undo: null });
  const onCancel = async (): Promise<void> => {
    const answer = await cancel({ id: order.id, version: order.version });
    if (answer.error) tell(answer.error);
    else setTold({ text: `${order.code} is cancelled.`, undo: () => void onRestore(answer.data) });
  };
  const onRestore = async (was: Order): Promise<void> => {
    const answer = await restore({ id: was.id, version: was.version });
    if (answer.error) tell(answer.error);
    else setTold({ text: `${was.code} is open again.`, undo: null });
  };
  const onDuplicate = async (): Promise<void> => {
    const answer = await duplicate(order.id);
    if (answer.error) tell(answer.error);
    else {
      setTold({ text: `${answer.data.code} is a copy of ${order.code}.`, undo: null });
      void navigate(`/orders/${answer.data.id}/edit`);
    }
  };
  const onStart = async (lineId: string): Promise<void> => {
    const answer = await start({ lineIds: [lineId], by });
    if (answer.error) tell(answer.error);
    else void navigate(`/floor/${answer.data.id}`);
  };
  return (
    <>
      <OrderDetail
        order={order}
        by={by}
        nowMs={serverNow()}
        onEdit={() => void navigate(`/orders/${order.id}/edit`)}
        onDuplicate={() => void onDuplicate()}
        onCancel={() => void onCancel()}
        onRestore={() => void onRestore(order)}
        onStart={(lineId) => void onStart(lineId)}
      />
      <Snackbar
        open={told !== null}
        autoHideDuration={12_000}
        onClose={(_event, reason) => reason !== 'clickaway' && setTold(null)}
        message={told?.text}
        action={
          told?.undo && (
            <Button size="small" sx={{ color: '#9FE0E4' }} onClick={told.undo}>
              Undo
            </Button>
          )
        }
      />
    </>
  );
}
