import type { LedgerQuery } from '@saltflat/contract';
import { PROCESSES, PROCESS_SHORT_NAMES } from '@saltflat/core/route';
import { FAULTS } from '@saltflat/core/run';
import Button from '@mui/material/Button';
import { useDeferredValue } from 'react';
import { useSearchParams } from 'react-router';
import { problemMessage } from '../api/problemMessage.ts';
import { LedgerTable, useLedgerPagesInfiniteQuery } from '../features/ledger/index.ts';
import { withoutEmpty } from '../features/orders/index.ts';
import { Loading, Notice } from '../ui/Notice.tsx';

const PAGE = 100;

/** What happened: every judged piece with its settings and readings, filtered, and out as CSV or JSON. */
export function LedgerPage() {
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
  const rows = data?.pages.flatMap(({ items }) => items) ?? [];
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
    <select
      className="filter"
      aria-label={label}
      value={filter[key]}
      onChange={(event) => set(key, event.target.value)}
    >
      <option value="">{label}: any</option>
      {options.map(([value, name]) => (
        <option key={value} value={value}>
          {name}
        </option>
      ))}
    </select>
  );
  return (
    <>
      <div className="page-head">
        <h1>Ledger</h1>
        {first && (
          <span className="muted">
            {first.isMore ? 'the latest ' : ''}
            {first.total} pieces: {first.counts.good} good, {first.counts.reprint} reprinted,{' '}
            {first.counts.scrap} scrapped{first.isMore ? '; there are more' : ''}
          </span>
        )}
        <span className="spacer" />
        <input
          type="search"
          className="search"
          style={{ width: 216 }}
          aria-label="Search the ledger"
          placeholder="Line, customer, person, lot"
          value={search}
          onChange={(event) => set('search', event.target.value)}
        />
        {select('verdict', 'Came out', [
          ['good', 'good'],
          ['reprint', 'reprint'],
          ['scrap', 'scrap'],
        ])}
        {select(
          'process',
          'Process',
          PROCESSES.map((key) => [key, PROCESS_SHORT_NAMES[key]]),
        )}
        {select(
          'fault',
          'Fault',
          Object.entries(FAULTS).map(([key, { name }]) => [key, name]),
        )}
        <Button variant="outlined" component="a" href={exportTo('csv')} download>
          CSV
        </Button>
        <Button variant="outlined" component="a" href={exportTo('json')} download>
          JSON
        </Button>
      </div>
      {filter.step !== '' && (
        <p className="caution row" style={{ marginBottom: 8 }} role="status">
          <span>Only what was made in one go.</span>
          <Button size="small" variant="outlined" onClick={() => setParams({})}>
            Show all
          </Button>
        </p>
      )}
      <div
        className="panel"
        style={{ overflowX: 'auto' }}
        tabIndex={0}
        role="region"
        aria-label="Judged pieces"
      >
        {error && (
          <Notice title="The ledger cannot be fetched" onRetry={() => void refetch()}>
            {problemMessage(error)}
          </Notice>
        )}
        {!data && !error && <Loading what="the ledger" />}
        {data && rows.length === 0 && (
          <Notice title="Nothing here">Pieces appear as soon as they are judged on the floor.</Notice>
        )}
        {rows.length > 0 && <LedgerTable rows={rows} />}
      </div>
      {hasNextPage && (
        <div className="row" style={{ marginTop: 12 }}>
          <Button variant="outlined" disabled={isFetchingNextPage} onClick={() => void fetchNextPage()}>
            {isFetchingNextPage ? 'Fetching …' : 'Show older'}
          </Button>
          <span className="muted">{rows.length} shown, newest first</span>
        </div>
      )}
    </>
  );
}
