// SQL by hand: every open line with the route it is made by, in one statement; models would take one for each of five tables.
import { readStoredRoute } from '@saltflat/contract';
import type { Material, PlanGround, PlanLine, plannedPart } from '@saltflat/contract';
import type { PieceCost } from '@saltflat/core/cost';
import { processesIn } from '@saltflat/core/route';
import type { Process, Route } from '@saltflat/core/route';
import type { Database } from '../../db/connection.ts';
import { filmOf, onShelf } from './transfersIn.ts';

/** Processes whose transfers may be made elsewhere. */
const BOUGHT: ReadonlySet<Process> = new Set(['bought-in', 'patch-cap']);
const DAY_MS = 86_400_000;
/** When what is bought in is here that was ordered at an instant; `null` where nothing is. */
export const hereAt = (orderedMs: number, leadDays: number): string | null =>
  leadDays === 0 ? null : new Date(orderedMs + leadDays * DAY_MS).toISOString();

/** Open lines that are planned at most, soonest due first. */
const MOST_LINES = 400;

interface OpenRow extends Pick<
  PlanLine,
  'lineId' | 'orderId' | 'code' | 'customer' | 'garment' | 'colourHex' | 'routeNumber' | 'pieces'
> {
  dueAt: Date;
  takenAt: Date;
  processes: string;
  state: PlanGround['waiting'][number]['state'];
  format: number | null;
  document: Route | null;
  cost: PieceCost | null;
}

/** What a plan is made of, of a route, in the shop’s own time. */
export type PartOf = (route: Route) => ReturnType<typeof plannedPart>;

/** A line that is ready for the floor, with the whole of its route. */
export interface ReadyLine extends Omit<
  PlanLine,
  'key' | 'isForShelf' | 'onShelf' | 'film' | keyof ReturnType<typeof plannedPart>
> {
  route: Route;
}

/**
 * Open lines that are not on the floor: those that are ready for it, and those that wait for something else.
 *
 * @param leadDays days until everything is here that is bought in for a line
 */
export async function readOpenLines(
  db: Database,
  leadDays: (lineId: string) => Promise<number>,
): Promise<{ ready: ReadyLine[] } & Pick<PlanGround, 'waiting' | 'isMore'>> {
  const rows = await db.read<OpenRow>(
    `select l.id as "lineId", l.order_id as "orderId", l.code, k.name as customer, o.due_at as "dueAt",
       o.created_at as "takenAt", l.state, v.processes,
       c.name || ' ' || s.name as garment, c.hex as "colourHex", l.route_number as "routeNumber", v.pieces, v.format, v.document, v.cost
     from order_line l
     join customer_order o on o.id = l.order_id join customer k on k.id = o.customer_id
     join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id
     left join route_version v on v.line_id = l.id and v.number = l.route_number and l.state = 'ready'
     where l.removed_at is null and o.cancelled_at is null and l.state not in ('running', 'done')
       and o.state not in ('done', 'cancelled') -- what the index of open orders knows
     order by o.due_at, l.position, l.id limit ${MOST_LINES + 1}`,
    [],
  );
  const ready: ReadyLine[] = [];
  const waiting: PlanGround['waiting'] = [];
  for (const { dueAt, takenAt, processes, state, format, document, cost, ...line } of rows.slice(
    0,
    MOST_LINES,
  )) {
    const own = { ...line, dueAt: dueAt.toISOString(), materialsAt: null };
    if (format === null || document === null || cost === null) {
      const { lineId, orderId, code, customer } = own;
      waiting.push({ lineId, orderId, code, customer, dueAt: own.dueAt, state });
      continue;
    }
    const { route } = readStoredRoute(format, { route: document, cost });
    const days = processesIn(processes).some((process) => BOUGHT.has(process))
      ? await leadDays(own.lineId)
      : 0;
    ready.push({
      ...own,
      // what is bought in is taken to be ordered with the order
      materialsAt: hereAt(takenAt.getTime(), days),
      route,
    });
  }
  return { ready, waiting, isMore: rows.length > MOST_LINES };
}

/** What lines are planned with: the shop’s own times, and its materials with what is free of those on the shelf. */
export interface PlannedWith {
  partOf: PartOf;
  materials: readonly Material[];
}

/** A line as a plan wants it, under its name within what is made in one go. */
export const planLine = (
  { route, ...line }: ReadyLine,
  key: string,
  { partOf, materials }: PlannedWith,
): PlanLine => ({
  key,
  ...line,
  isForShelf: !route.usesBlanks,
  onShelf: onShelf(route, line.pieces, materials),
  film: filmOf(route),
  ...partOf(route),
});
