import { DomainError } from '@saltflat/contract';
import { handsOn, spanOf } from '@saltflat/core/plan';
import type { PicturedOp } from '@saltflat/core/plan';
import { STATIONS } from '@saltflat/core/work';
import type { Station } from '@saltflat/core/work';
import type { Followed } from './followedPlan.ts';

/** A row of a day: work that follows on itself is one. */
export interface DayRow {
  fromMs: number;
  toMs: number;
  codes: string;
  customer: string;
  title: string;
  pieces: number;
  machine: string | null;
  /** °C; `null` where its machine has none. */
  tempC: number | null;
  /** Minutes of hands. */
  handsMin: number;
  /** Ends the day after, and later. */
  goesOn: boolean;
}

/** A day as it is planned, station by station. */
export interface DayPaper {
  /** “2026-06-03”. */
  date: string;
  dayMs: number;
  stations: readonly { station: Station; rows: readonly DayRow[] }[];
  madeAt: string;
}

const MINUTE_MS = 60_000;
/** Work of one line at one machine is one row as long as it pauses for less than this, min. */
const TOGETHER_MIN = 10;

/**
 * What is planned for a day.
 *
 * @param date “2026-06-03”, on the wall clock of the shop
 * @throws DomainError for a day that is not planned
 */
export function dayPaper({ shop, picture, lines, machines }: Followed, date: string): DayPaper {
  if (!shop.days.includes(date))
    throw new DomainError(
      'invalid-input',
      `The day ${date} is not planned: days from ${shop.days[0]} to ${shop.days.at(-1)} are.`,
      { fields: [{ path: '/date', message: 'Give a day that is planned, as 2026-06-03.' }] },
    );
  const [from, to] = [shop.minuteOf(date, 0), shop.minuteOf(date, 1440)];
  const today = picture.ops
    .map((op) => ({ op, span: spanOf(op) }))
    .filter(({ span }) => span.from < span.to && span.from < to && from < span.to)
    .sort((p, q) => p.span.from - q.span.from);
  const at = (minute: number): number => shop.epochMs + minute * MINUTE_MS;
  const rowOf = ({ op, span }: { op: PicturedOp; span: ReturnType<typeof spanOf> }): DayRow => {
    const own = op.lines.flatMap((id) => lines.get(id) ?? []);
    return {
      fromMs: at(span.from),
      toMs: at(span.to),
      codes: own.map(({ code }) => code).join(' '),
      customer: [...new Set(own.map(({ customer }) => customer))].join(', '),
      title: op.title,
      pieces: op.parts,
      machine: op.machine === null ? null : (machines.get(op.machine) ?? op.machine),
      tempC: typeof op.state === 'number' ? op.state : null,
      handsMin: handsOn(op),
      goesOn: span.to > to,
    };
  };
  const stations = STATIONS.flatMap((station) => {
    const rows = together(today.filter(({ op }) => op.station === station).map(rowOf));
    return rows.length === 0 ? [] : [{ station, rows }];
  });
  return {
    date,
    dayMs: at(from),
    stations,
    madeAt: new Date(shop.nowMs).toISOString(),
  };
}

/** Batches of one work that follow on one another as one row. */
function together(rows: readonly DayRow[]): DayRow[] {
  const found: DayRow[] = [];
  for (const row of rows) {
    const before = found.findLast(
      (own) => own.codes === row.codes && own.title === row.title && own.machine === row.machine,
    );
    if (before === undefined || row.fromMs - before.toMs > TOGETHER_MIN * MINUTE_MS) found.push({ ...row });
    else {
      before.toMs = Math.max(before.toMs, row.toMs);
      before.pieces += row.pieces;
      before.handsMin += row.handsMin;
      before.goesOn ||= row.goesOn;
    }
  }
  return found;
}
