import { LedgerPage, LedgerQuery } from '@saltflat/contract';
import type { LedgerRow } from '@saltflat/contract';
import { FAULTS } from '@saltflat/core/run';
import { sendCsv } from '../../http/csv.ts';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { LedgerStore } from './ledgerStore.ts';

const PAGE = 100;
const EXPORT_ROWS = 100_000;
const CSV_COLUMNS = [
  'at', 'code', 'customer', 'garment', 'process', 'route_version', 'piece', 'verdict', 'faults', 'note', 'by',
  'plate_c', 'dwell_s', 'actual_dwell_s', 'pretreatment_g', 'pretreatment_target_g',
]; // prettier-ignore

export const ledgerEndpoints = (ledger: LedgerStore): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/ledger',
      summary: 'What came out, piece by piece, newest first',
      query: LedgerQuery,
      answer: LedgerPage,
    },
    ({ query }) => ledger.page(query, query.limit ?? PAGE),
  ),
  endpoint(
    { method: 'get', path: '/ledger.csv', summary: 'The same as CSV', query: LedgerQuery },
    async ({ query, res }) => {
      const { items } = await ledger.page({ ...query, cursor: undefined }, EXPORT_ROWS);
      sendCsv(res, 'ledger.csv', items.map(csvRow), CSV_COLUMNS);
    },
  ),
  endpoint(
    { method: 'get', path: '/ledger.json', summary: 'The same as one JSON document', query: LedgerQuery },
    async ({ query, res }) => {
      const { items } = await ledger.page({ ...query, cursor: undefined }, EXPORT_ROWS);
      res.attachment('ledger.json').json({ outcomes: items });
    },
  ),
];

const csvRow = (row: LedgerRow): Record<string, string | number | null> => ({
  at: row.at,
  code: row.code,
  customer: row.customer,
  garment: row.garment,
  process: row.process,
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
});
