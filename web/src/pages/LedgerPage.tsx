import { t } from '../words/index.ts';
import type { LedgerPage as Page, LedgerQuery } from '@saltflat/contract';
import { PROCESSES, PROCESS_SHORT_NAMES } from '@saltflat/core/route';
import { FAULTS } from '@saltflat/core/run';
import { useCallback, useDeferredValue, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { problemMessage } from '../api/problemMessage.ts';
import { LedgerDaysView, LedgerTable, useLedgerPagesInfiniteQuery } from '../features/ledger/index.ts';
import { withoutEmpty } from '../features/orders/index.ts';
import {
  Button,
  Empty,
  Failed,
  FillSplit,
  Loading,
  Note,
  PageHead,
  Panel,
  Scroll,
  SearchField,
  SelectField,
} from '../ui/index.ts';

const PAGE = 100;

/** What happened: piece by piece, or how it went over time. */
export function LedgerPage() {
  const [params] = useSearchParams();
  return params.get('view') === 'days' ? <Days /> : <Pieces />;
}

/** How it went day by day. */
const Days = () => (
  <>
    <PageHead title={t('Ledger over time')}>
      <Button to="/ledger">{t('Piece by piece')}</Button>
    </PageHead>
    <FillSplit columns="minmax(0, 1fr)" below={0}>
      <Scroll>
        <Panel as="div">
          <LedgerDaysView />
        </Panel>
      </Scroll>
    </FillSplit>
  </>
);

/** Every judged piece with its settings and readings, filtered, and out as CSV or JSON. */
function Pieces() {
  const [params, setParams] = useSearchParams();
  const search = params.get('search') ?? '';
  const filter = {
    search: useDeferredValue(search),
    verdict: params.get('verdict') ?? '',
    fault: params.get('fault') ?? '',
    process: params.get('process') ?? '',
    run: params.get('run') ?? '',
    step: params.get('step') ?? '',
  };
  const query = withoutEmpty({ ...filter, limit: String(PAGE) }) as unknown as LedgerQuery; // strings, which the server reads as numbers
  const { data, error, refetch, fetchNextPage, hasNextPage, isFetchingNextPage } =
    useLedgerPagesInfiniteQuery(query);
  const [first] = data?.pages ?? [];
  const rows = useMemo(() => data?.pages.flatMap(({ items }) => items) ?? [], [data]);
  const more = useCallback(() => void fetchNextPage(), [fetchNextPage]);
  const set = (key: string, value: string): void =>
    setParams(
      (before) => {
        before.set(key, value);
        return before;
      },
      { replace: key === 'search' }, // a letter is no place to go back to
    );
  const exportTo = (form: string): string =>
    `/api/v1/ledger.${form}?${new URLSearchParams(withoutEmpty(filter)).toString()}`;
  const select = (key: 'verdict' | 'process' | 'fault', label: string, options: [string, string][]) => (
    <SelectField
      label={label}
      isNameHidden
      width={148}
      value={filter[key]}
      options={[
        { value: '', label: t('{label}: any', { label }) },
        ...options.map(([value, name]) => ({ value, label: name })),
      ]}
      onChange={(value) => set(key, value)}
    />
  );
  return (
    <>
      <PageHead title={t('Ledger')} says={first && countWords(first)}>
        <SearchField
          label={t('Search the ledger')}
          placeholder={t('Line, customer, person, lot')}
          width={216}
          value={search}
          onChange={(text) => set('search', text)}
        />
        {select('verdict', 'Came out', [
          ['good', 'good'],
          ['reprint', 'reprint'],
          ['scrap', 'scrap'],
        ])}
        {select(
          'process',
          t('Process'),
          PROCESSES.map((key) => [key, t(PROCESS_SHORT_NAMES[key])]),
        )}
        {select(
          'fault',
          t('Fault'),
          Object.entries(FAULTS).map(([key, { name }]) => [key, name]),
        )}
        <Button download={exportTo('json')}>{t('JSON')}</Button>
        <Button to="/ledger?view=days">{t('Over time')}</Button>
      </PageHead>
      {filter.step !== '' && (
        <Note
          tone="caution"
          role="status"
          actions={
            <Button size="small" onClick={() => setParams({})}>
              {t('Show all')}
            </Button>
          }
        >
          {t('Only what was made in one go.')}
        </Note>
      )}
      <FillSplit columns="minmax(0, 1fr)" below={0}>
        <Panel as="div">
          {error && (
            <Failed title={t('The ledger cannot be fetched')} onRetry={() => void refetch()}>
              {problemMessage(error)}
            </Failed>
          )}
          {!data && !error && <Loading what={t('the ledger')} />}
          {data && rows.length === 0 && (
            <Empty title={t('Nothing here')}>
              {t('Pieces appear as soon as they are judged on the floor.')}
            </Empty>
          )}
          {rows.length > 0 && (
            <LedgerTable
              rows={rows}
              says={t('{count} loaded, newest first', { count: rows.length })}
              csvHref={exportTo('csv')}
              isMoreComing={isFetchingNextPage}
              onNearEnd={hasNextPage && !isFetchingNextPage ? more : undefined}
            />
          )}
        </Panel>
      </FillSplit>
    </>
  );
}

const countWords = ({ isMore, total, counts }: Page): string =>
  `${isMore ? 'the latest ' : ''}${total} pieces: ${counts.good} good, ${counts.reprint} reprinted, ${counts.scrap} scrapped${
    isMore ? '; there are more' : ''
  }`;
