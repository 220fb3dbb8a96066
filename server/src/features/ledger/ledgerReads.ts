// SQL by hand: a page of a past that grows by millions, by keyset, with counts that were kept as pieces came out or of as
// much as was looked at. Models cannot say a row comparison, nor keep the planner from counting all that matches.
import type { LedgerPage, LedgerQuery, LedgerRow } from '@saltflat/contract';
import { processesIn } from '@saltflat/core/route';
import type { Process } from '@saltflat/core/route';
import { VERDICTS } from '@saltflat/core/run';
import { instant } from '../../db/connection.ts';
import type { Database } from '../../db/connection.ts';
import {
  and,
  eachPage,
  isCount,
  isId,
  isTime,
  readCursor,
  searchPatterns,
  writeCursor,
} from '../../http/keyset.ts';
import type { SparseSearches } from '../../http/keyset.ts';

/** So much of the past is walked from its end for what is found often; what that does not fill a page with is looked up. */
const WALK = 1000;

/** What came out, piece by piece, newest first. */
export async function readLedger(
  db: Database,
  sparse: SparseSearches,
  query: LedgerQuery,
  limit: number,
): Promise<LedgerPage> {
  const filter = await filtered(db, query);
  const after = afterOf(query, filter.bind);
  const read = async (sql: string): Promise<LedgerPage> => {
    const rows = await db.readMany<CountedRow>(sql, filter.bind);
    const { good = 0, reprint = 0, scrap = 0, isMore = false } = rows[0] ?? {};
    const counts = { good, reprint, scrap };
    return { ...cut(rows.flatMap(bare), limit), total: good + reprint + scrap, isMore, counts };
  };
  const walk = (): Promise<LedgerPage> => read(walkedSql(filter, after, limit));
  const lookUp = (): Promise<LedgerPage> => read(countedSql(filter, after, limit));
  return isLookedFor(filter) ? sparse.page(query, { walk, lookUp }) : lookUp();
}

/** All that is asked for, a page at a time. */
export const eachOutcome = (
  db: Database,
  query: LedgerQuery,
  pageSize: number,
): AsyncGenerator<LedgerRow[]> =>
  eachPage(async (cursor) => {
    const own: LedgerQuery = cursor === undefined ? query : { ...query, cursor };
    const filter = await filtered(db, own);
    const sql = plainSql(filter, afterOf(own, filter.bind), pageSize);
    return cut((await db.readMany<StoredRow>(sql, filter.bind)).map(named), pageSize);
  });

/** So many of what was found, and where the next begin. */
function cut(found: readonly LedgerRow[], limit: number): Pick<LedgerPage, 'items' | 'nextCursor'> {
  const items = found.slice(0, limit).map((row) => ({ ...row, at: instant(row.at) }));
  const last = items.at(-1);
  return {
    items,
    nextCursor: found.length > limit && last ? writeCursor([last.at, last.runId, last.piece]) : null,
  };
}

interface Filter {
  /** What the tally of all pieces knows, and indexes are sorted by. */
  tally: string[];
  /** A fault that is sought. */
  faults: string[];
  /** Words that are sought. */
  words: string[];
  bind: unknown[];
}

async function filtered(
  db: Database,
  { verdict, fault, process, search, run, step }: LedgerQuery,
): Promise<Filter> {
  const bind: unknown[] = [];
  const words = searchPatterns(search ?? '').map((pattern) => `x.search_text like $${bind.push(pattern)}`);
  const tally: string[] = [];
  if (verdict) tally.push(`x.verdict = $${bind.push(verdict)}`);
  if (process) tally.push(madeBy(await keysWith(db, process), bind));
  // an array of one, not “any of”: only so the index of faults is asked
  const faults = fault ? [`x.faults @> array[$${bind.push(fault)}]::text[]`] : [];
  if (run) words.push(`x.run_id = $${bind.push(run)}`);
  if (step) words.push(`x.made @> $${bind.push(JSON.stringify([{ step }]))}::jsonb`);
  return { tally, faults, words, bind };
}

/** What pieces are counted under that were made by a process, alone or beside others: so few that all are asked for. */
async function keysWith(db: Database, process: Process): Promise<string[]> {
  const rows = await db.read<{ processes: string }>('select distinct processes from outcome_tally', []);
  return rows.map(({ processes }) => processes).filter((key) => processesIn(key).includes(process));
}

/** One alone is found in the order of its index. */
const madeBy = (keys: readonly string[], bind: unknown[]): string =>
  keys.length === 1
    ? `x.processes = $${bind.push(keys[0])}`
    : `x.processes = any($${bind.push([...keys])}::text[])`;

/** Whether it is found by looking at pieces one after another; all else is found in an index, and counted by the tally. */
const isLookedFor = ({ faults, words }: Filter): boolean => faults.length + words.length > 0;

const ORDER = 'order by x.at desc, x.run_id, x.piece';
/** A page is found in the indexes alone; only its own pieces are then read. */
const KEYS = 'x.at, x.run_id, x.piece';

/** The sums of each verdict as one row. */
const sums = (of: (verdict: string) => string): string =>
  VERDICTS.map(
    (verdict) => `coalesce(${of(`filter (where verdict = '${verdict}')`)}, 0)::int as ${verdict}`,
  ).join(', ');
const COUNTED = sums((which) => `count(*) ${which}`);

/** A page and one more, if there is one. */
const plainSql = ({ tally, faults, words }: Filter, after: string, limit: number): string =>
  `with page as (select ${KEYS} from outcome x where ${and([...tally, ...faults, ...words, after])} ${ORDER} limit ${limit + 1}),
   ${ABOUT} select ${PIECE} from page w ${PIECES}`;

/** The same of what a walk of some length meets, with the counts of that; for a fault only pieces with one are walked. */
function walkedSql({ tally, faults, words }: Filter, after: string, limit: number): string {
  const isFaulty = faults.length > 0 ? [`x.faults <> '{}'`] : [];
  const asked = [
    KEYS,
    'x.verdict',
    ...(faults.length > 0 ? ['x.faults'] : []),
    ...(words.length > 0 ? ['x.search_text', 'x.made'] : []),
  ]; // what is not asked for need not be kept
  return `with walk as materialized (select ${asked.join(', ')} from outcome x where ${and([...tally, ...isFaulty, after])} ${ORDER} limit ${WALK}),
     match as materialized (select ${KEYS}, x.verdict from walk x where ${and([...faults, ...words])}),
     n as (select ${COUNTED}, (select count(*) from walk) = ${WALK} as "isMore" from match),
     page as (select ${KEYS} from match x ${ORDER} limit ${limit + 1}),
     ${ABOUT} select n.*, ${PIECE} from n left join page w on true ${PIECES}`;
}

/** The same with the counts of all: kept as pieces came out, or of all that match. */
function countedSql(filter: Filter, after: string, limit: number): string {
  const { tally, faults, words } = filter;
  const found = isLookedFor(filter)
    ? `match as materialized (select ${KEYS}, x.verdict from outcome x where ${and([...tally, ...faults, ...words])}),
     n as (select ${COUNTED}, false as "isMore" from match),
     page as (select ${KEYS} from match x where ${after} ${ORDER} limit ${limit + 1})`
    : `n as (select ${sums((which) => `sum(pieces) ${which}`)}, false as "isMore" from outcome_tally x where ${and(tally)}),
     page as (select ${KEYS} from outcome x where ${and([...tally, after])} ${ORDER} limit ${limit + 1})`;
  return `with ${found}, ${ABOUT} select n.*, ${PIECE} from n left join page w on true ${PIECES}`;
}

/** A page of rows with counts; a page without any still has a row that counts. */
type CountedRow = LedgerPage['counts'] & { isMore: boolean } & (StoredRow | { runId: null });

/** A row with the word its processes are kept as. */
type StoredRow = Omit<LedgerRow, 'processes'> & { processes: string };

const named = (row: StoredRow): LedgerRow => ({ ...row, processes: processesIn(row.processes) });

const bare = (row: CountedRow): LedgerRow[] => {
  if (row.runId === null) return [];
  const { good: _good, reprint: _reprint, scrap: _scrap, isMore: _more, ...own } = row;
  return [named(own)];
};

/** Where a page begins, with what that binds. */
function afterOf({ cursor }: LedgerQuery, bind: unknown[]): string {
  if (!cursor) return 'true';
  const [at, runId, piece] = readCursor<[string, string, number]>(cursor, [isTime, isId, isCount]);
  return `x.at <= $${bind.push(at)}::timestamptz and (x.at < $${bind.length}::timestamptz
    or (x.run_id, x.piece) > ($${bind.push(runId)}::uuid, $${bind.push(piece)}::integer))`;
}

const PIECE = `x.run_id as "runId", a."orderId", a."lineId", a.code, a.customer, a.garment, x.processes, a."routeNumber", a."artOverrule", x.piece, x.verdict,
  x.faults, x.note, x.photo, x.by_name as by, x.at, x.plate_c as "plateC", x.dwell_s as "dwellS", x.actual_dwell_s as "actualDwellS",
  x.pretreatment_g as "pretreatmentG", x.pretreatment_target_g as "pretreatmentTargetG", x.made, x.lots`;
/** What a piece's names are is read once a run: a page holds many pieces of few. Kept apart, or it would be read for each all the same. */
const ABOUT = `about as materialized (select r.run_id, r.line_id as "lineId", l.order_id as "orderId", l.code, k.name as customer,
    c.name || ' ' || s.name as garment, v.number as "routeNumber", l.art_overrule as "artOverrule"
  from (select distinct run_id from page) own join run_line r on r.run_id = own.run_id join route_version v on v.id = r.route_version_id
    join order_line l on l.id = r.line_id join customer_order o on o.id = l.order_id join customer k on k.id = o.customer_id
    join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id)`;
const PIECES = `left join outcome x on x.run_id = w.run_id and x.piece = w.piece left join about a on a.run_id = w.run_id and a."lineId" = x.line_id ${ORDER}`;
