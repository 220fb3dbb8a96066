import { LedgerDays, LedgerDaysQuery, LedgerPage, LedgerQuery } from '@saltflat/contract';
import type { LedgerRow } from '@saltflat/contract';
import { sayOverrule } from '@saltflat/core/artwork';
import { FAULTS } from '@saltflat/core/run';
import { inWords } from '@saltflat/core/words';
import type { Database } from '../../db/connection.ts';
import { streamCsv, streamJson } from '../../http/csv.ts';
import { endpoint, file } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import { SparseSearches } from '../../http/keyset.ts';
import { readLedgerDays } from './ledgerDayReads.ts';
import { eachOutcome, readLedger } from './ledgerReads.ts';

const PAGE = 50;
const EXPORT_PAGE = 1000;
const CSV_COLUMNS = [
  'at', 'code', 'customer', 'garment', 'process', 'route_version', 'piece', 'verdict', 'faults', 'note', 'by',
  'plate_c', 'dwell_s', 'actual_dwell_s', 'pretreatment_g', 'pretreatment_target_g', 'run', 'made_in', 'lots', 'art_overruled',
]; // prettier-ignore

export const ledgerEndpoints = (
  db: Database,
  now: () => number,
  sparse = new SparseSearches(),
): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/ledger',
      summary: 'What came out, piece by piece, newest first',
      query: LedgerQuery,
      answer: LedgerPage,
    },
    ({ query }) => readLedger(db, sparse, query, query.limit ?? PAGE),
  ),
  endpoint(
    {
      method: 'get',
      path: '/ledger/days',
      summary: 'What came out day by day, and the ink its routes reckon with',
      query: LedgerDaysQuery,
      answer: LedgerDays,
    },
    ({ query }) => readLedgerDays(db, query, now()),
  ),
  endpoint(
    {
      method: 'get',
      path: '/ledger.csv',
      summary: 'The same as CSV, all of it',
      query: LedgerQuery,
      answer: file('text/csv'),
    },
    async ({ query, res }) => streamCsv(res, 'ledger.csv', CSV_COLUMNS, csvPages(all(db, query))),
  ),
  endpoint(
    {
      method: 'get',
      path: '/ledger.json',
      summary: 'The same as one JSON document, all of it',
      query: LedgerQuery,
      answer: file('application/json'),
    },
    async ({ query, res }) => streamJson(res, 'ledger.json', 'outcomes', all(db, query)),
  ),
];

const all = (db: Database, { cursor: _cursor, ...query }: LedgerQuery): AsyncGenerator<LedgerRow[]> =>
  eachOutcome(db, query, EXPORT_PAGE);

async function* csvPages(pages: AsyncIterable<LedgerRow[]>): AsyncGenerator<ReturnType<typeof csvRow>[]> {
  for await (const rows of pages) yield rows.map(csvRow);
}

const csvRow = (row: LedgerRow): Record<string, string | number | null> => ({
  at: row.at,
  code: row.code,
  customer: row.customer,
  garment: row.garment,
  process: row.processes.join(' + '),
  route_version: row.routeNumber,
  piece: row.piece,
  verdict: row.verdict,
  faults: row.faults.map((fault) => FAULTS[fault]?.name ?? fault).join(' + '),
  note: row.note,
  by: row.by,
  plate_c: row.plateC,
  dwell_s: row.dwellS,
  actual_dwell_s: row.actualDwellS,
  pretreatment_g: row.pretreatmentG,
  pretreatment_target_g: row.pretreatmentTargetG,
  run: row.runId,
  made_in: row.made.map(({ step }) => step).join('; '),
  late: row.made.flatMap(({ step, lateS }) => (lateS === undefined ? [] : [`${step} ${lateS} s`])).join('; '),
  lots: row.lots.map(({ material, lot }) => `${material} ${lot}`).join('; '),
  art_overruled: row.artOverrule && inWords(sayOverrule(row.artOverrule)),
});
