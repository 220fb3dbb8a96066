import { t } from '../words/index.ts';
import type { OrderPage } from '@saltflat/contract';
import { Suspense, lazy, useCallback, useDeferredValue, useMemo, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { problemMessage } from '../api/problemMessage.ts';
import { serverNow } from '../api/serverClock.ts';
import { BackupNotice } from '../features/backups/index.ts';
import { OrderTable, useOrderPagesInfiniteQuery, withoutEmpty } from '../features/orders/index.ts';
import { ChosenOrder } from './ChosenOrder.tsx';
import {
  Button,
  Empty,
  Failed,
  FillSplit,
  Loading,
  PageHead,
  Panel,
  Scroll,
  SearchField,
  SelectField,
  Stack,
  useIsNarrow,
} from '../ui/index.ts';

/** A shop is new once: what to set up first comes when there is nothing to list. */
const EmptyShop = lazy(() => import('./EmptyShop.tsx'));

const STATES = ['open', 'needs-art', 'art-to-mend', 'ready', 'running', 'done', 'cancelled'] as const;
type StateFilter = (typeof STATES)[number] | 'all';
/** px: one thing at a time below it. */
const NARROW = 1000;
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
    state: state === 'all' ? undefined : state,
    sort,
    direction,
    limit: 100,
  } as const;
  const { data, error, refetch, fetchNextPage, hasNextPage, isFetchingNextPage } =
    useOrderPagesInfiniteQuery(query);
  const orders = useMemo(() => data?.pages.flatMap(({ items }) => items) ?? [], [data]);
  const set = (changes: Record<string, string>): void =>
    setParams((before) => {
      for (const [key, value] of Object.entries(changes)) before.set(key, value);
      return before;
    });
  const isNarrow = useIsNarrow(NARROW);
  const more = useCallback(() => void fetchNextPage(), [fetchNextPage]);

  const isNothingOpen =
    data !== undefined && orders.length === 0 && search === '' && state === 'open' && !orderId;
  return (
    <>
      <PageHead title={t('Orders')} says={data && countWords(data.pages[0])}>
        <SearchField
          label={t('Search orders')}
          placeholder={t('Code, customer, garment')}
          value={search}
          onChange={setSearch}
        />
        <SelectField
          label={t('State')}
          isNameHidden
          width={140}
          value={state}
          options={[
            { value: 'all', label: t('every state') },
            ...STATES.map((own) => ({ value: own, label: own.replaceAll('-', ' ') })),
          ]}
          onChange={(own) => set({ state: own })}
        />
        <Button look="primary" to="/orders/new">
          {t('New order')}
        </Button>
      </PageHead>
      <BackupNotice />
      {isNarrow && orderId ? (
        <Stack>
          <div>
            <Button size="small" to={`/orders?${params.toString()}`}>
              {t('Back to the list')}
            </Button>
          </div>
          <ChosenOrder key={orderId} orderId={orderId} />
        </Stack>
      ) : isNothingOpen ? (
        <FillSplit columns="minmax(0, 1fr)">
          <Panel as="div">
            <Suspense fallback={<Loading what={t('the shop')} />}>
              <EmptyShop />
            </Suspense>
          </Panel>
        </FillSplit>
      ) : (
        <FillSplit columns="minmax(0, 1fr) minmax(360px, 30%)">
          <Panel as="div">
            {error && (
              <Failed title={t('The orders cannot be fetched')} onRetry={() => void refetch()}>
                {problemMessage(error)}
              </Failed>
            )}
            {!data && !error && <Loading what={t('the orders')} />}
            {data && orders.length === 0 && <NoneHere search={search} />}
            {orders.length > 0 && (
              <OrderTable
                orders={orders}
                selectedId={orderId}
                sorting={{ key: sort, direction }}
                nowMs={serverNow()}
                says={t('{count} loaded', { count: orders.length })}
                csvHref={`/api/v1/orders.csv?${new URLSearchParams(withoutEmpty({ ...query, limit: undefined })).toString()}`}
                isMoreComing={isFetchingNextPage}
                onSort={({ key, direction: way }) => set({ sort: key, direction: way })}
                onOpen={(id) => void navigate({ pathname: `/orders/${id}`, search: params.toString() })}
                onNearEnd={hasNextPage && !isFetchingNextPage ? more : undefined}
              />
            )}
          </Panel>
          <Scroll>
            {orderId ? (
              <ChosenOrder key={orderId} orderId={orderId} />
            ) : (
              <Empty title={t('No order chosen')}>
                {t('Choose one on the left to see its lines and start it on the floor.')}
              </Empty>
            )}
          </Scroll>
        </FillSplit>
      )}
    </>
  );
}

const NoneHere = ({ search }: { search: string }) => (
  <Empty title={search === '' ? t('No orders here') : t('Nothing matches')}>
    {search === '' ? t('Choose another state, or all of them.') : t('Try fewer letters, or every state.')}
  </Empty>
);

const countWords = (page: OrderPage | undefined): string =>
  page === undefined
    ? ''
    : page.isMore
      ? t('more than {total} orders', { total: page.total })
      : page.total === 1
        ? t('1 order')
        : t('{total} orders', { total: page.total });
