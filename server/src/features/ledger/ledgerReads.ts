// SQL by hand: a page of a past that grows by millions, by keyset, with counts that were kept as pieces came out or of as
// much as was looked at. Models cannot say a row comparison, nor keep the planner from counting all that matches.
import type { LedgerPage, LedgerQuery, LedgerRow } from '@saltflat/contract';
import { VERDICTS } from '@saltflat/core/run';
import { instant } from '../../db/connection.ts';
import type { Database } from '../../db/connection.ts';
import {
  and,
  isCount,
  isId,
  isRare,
  isTime,
  readCursor,
  searchPatterns,
  writeCursor,
} from '../../http/keyset.ts';

/** So much of the past is walked from its end for what is found often; what that does not fill a page with is looked up. */
const WALK = 2000;

/** What came out, piece by piece, newest first. */
export async function readLedger(db: Database, query: LedgerQuery, limit: number): Promise<LedgerPage> {
  const { counts, isMore, found } = await findPage(db, query, limit);
  const total = counts.good + counts.reprint + counts.scrap;
  return { ...cut(found, limit), total, isMore, counts };
}

/** All that is asked for, a page at a time. */
export async function* eachOutcome(
  db: Database,
  query: LedgerQuery,
  pageSize: number,
): AsyncGenerator<LedgerRow[]> {
  let cursor: string | null = null;
  do {
    const asked: LedgerQuery = cursor === null ? query : { ...query, cursor };
    const { found } = await findPage(db, asked, pageSize);
    const page = cut(found, pageSize);
    yield page.items;
    cursor = page.nextCursor;
  } while (cursor !== null);
}

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
  /** What the planner finds its own way for. */
  plain: string[];
  /** Words that are sought. */
  sought: string[];
  /** What the tally of all pieces knows. */
  tally: string[];
  bind: unknown[];
}

function filtered({ verdict, fault, process, search }: LedgerQuery): Filter {
  const bind: unknown[] = [];
  const sought = searchPatterns(search ?? '').map((pattern) => `x.search_text like $${bind.push(pattern)}`);
  const tally: string[] = [];
  if (verdict) tally.push(`x.verdict = $${bind.push(verdict)}`);
  if (process) tally.push(`x.process = $${bind.push(process)}`);
  // an array of one, not “any of”: only so the index of faults is asked
  const plain = fault ? [...tally, `x.faults @> array[$${bind.push(fault)}]::text[]`] : tally;
  return { plain, sought, tally, bind };
}

const ORDER = 'order by x.at desc, x.run_id, x.piece';
/** A page is found in the indexes alone; only its own pieces are then read. */
const KEYS = 'x.at, x.run_id, x.piece';

/** The sums of each verdict as one row. */
const sums = (of: (verdict: string) => string): string =>
  VERDICTS.map(
    (verdict) => `coalesce(${of(`filter (where verdict = '${verdict}')`)}, 0)::int as ${verdict}`,
  ).join(', ');
const COUNTED = sums((which) => `count(*) ${which}`);

/** The pieces of a page and one more, if there is one, with the counts of all. */
async function findPage(
  db: Database,
  query: LedgerQuery,
  limit: number,
): Promise<{ counts: LedgerPage['counts']; isMore: boolean; found: LedgerRow[] }> {
  const { plain, sought, tally, bind } = filtered(query);
  const after = afterOf(query, bind);
  const most = `${ORDER} limit ${limit + 1}`;
  const read = async (sql: string): ReturnType<typeof findPage> => {
    const rows = await db.readMany<Counted>(`${sql} ${ROWS}`, bind);
    const { good, reprint, scrap, isMore } = rows[0] ?? { good: 0, reprint: 0, scrap: 0, isMore: false };
    return { counts: { good, reprint, scrap }, isMore, found: bare(rows) };
  };
  const page = `page as (select ${KEYS} from match x where ${after} ${most})`;
  if (sought.length > 0 && !isRare(query.search)) {
    const walked = await read(`with walk as materialized
        (select ${KEYS}, x.verdict, x.search_text from outcome x where ${and([...plain, after])} ${ORDER} limit ${WALK}),
      match as materialized (select ${KEYS}, x.verdict from walk x where ${and(sought)}),
      n as (select ${COUNTED}, (select count(*) from walk) = ${WALK} as "isMore" from match), ${page}`);
    if (walked.found.length > limit) return walked;
  }
  if (sought.length > 0 || query.fault)
    return read(`with match as materialized (select ${KEYS}, x.verdict from outcome x where ${and([...plain, ...sought])}),
      n as (select ${COUNTED}, false as "isMore" from match), ${page}`);
  return read(`with n as (select ${sums((which) => `sum(pieces) ${which}`)}, false as "isMore" from outcome_tally x where ${and(tally)}),
      page as (select ${KEYS} from outcome x where ${and([...plain, after])} ${most})`);
}

type Counted = LedgerPage['counts'] & { isMore: boolean } & (LedgerRow | { runId: null });

const bare = (rows: readonly Counted[]): LedgerRow[] =>
  rows.flatMap((row) => {
    if (row.runId === null) return [];
    const { good: _good, reprint: _reprint, scrap: _scrap, isMore: _more, ...own } = row;
    return [own];
  });

/** Where a page begins, with what that binds. */
function afterOf({ cursor }: LedgerQuery, bind: unknown[]): string {
  if (!cursor) return 'true';
  const [at, runId, piece] = readCursor<[string, string, number]>(cursor, [isTime, isId, isCount]);
  return `x.at <= $${bind.push(at)}::timestamptz and (x.at < $${bind.length}::timestamptz
    or (x.run_id, x.piece) > ($${bind.push(runId)}::uuid, $${bind.push(piece)}::integer))`;
}

/** Pieces beside their counts: where there are none the counts still come. */
const ROWS = `
  select n.*, x.run_id as "runId", l.order_id as "orderId", r.line_id as "lineId", l.code, k.name as customer, c.name || ' ' || s.name as garment,
    x.process, v.number as "routeNumber", x.piece, x.verdict, x.faults, x.note, x.photo, x.by_name as by, x.at, x.plate_c as "plateC",
    x.dwell_s as "dwellS", x.actual_dwell_s as "actualDwellS", x.pretreatment_g as "pretreatmentG", x.pretreatment_target_g as "pretreatmentTargetG"
  from n left join page w on true left join outcome x on x.run_id = w.run_id and x.piece = w.piece
  left join run r on r.id = x.run_id left join route_version v on v.id = r.route_version_id left join order_line l on l.id = r.line_id
  left join customer_order o on o.id = l.order_id left join customer k on k.id = o.customer_id
  left join garment_colour c on c.id = l.colour_id left join garment_style s on s.id = c.style_id ${ORDER}`;
