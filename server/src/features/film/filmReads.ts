// SQL by hand: the ready lines that are due soonest with the routes they are made by, in one statement; models would take
// one for each of five tables.
import { readStoredRoute } from '@saltflat/contract';
import type { FilmWaiting, WaitingTransfers } from '@saltflat/contract';
import type { PieceCost } from '@saltflat/core/cost';
import { ON_FILM, transfersOf } from '@saltflat/core/route';
import type { Route } from '@saltflat/core/route';
import type { Database } from '../../db/connection.ts';

/** Lines that are looked at, soonest due first: more than a day's film carries. */
const MOST_LINES = 200;

interface ReadyRow extends Pick<
  WaitingTransfers,
  'lineId' | 'orderId' | 'code' | 'routeNumber' | 'customer' | 'garment' | 'colourHex'
> {
  dueAt: Date;
  format: number;
  document: Route;
  cost: PieceCost;
  /** By print. */
  art: Record<string, Pick<WaitingTransfers, 'artworkId' | 'steps'>>;
}

/** Layouts that are looked through for rolls that were begun. */
const LAYOUTS_BACK = 50;

/** What is left on rolls that layouts were printed from, by film. */
export const readRolls = (db: Database): Promise<FilmWaiting['rolls']> =>
  db.read(
    `select distinct on (film) film as "filmId", 'F-' || number as after, greatest(0, roll - length_mm) as "leftMm" from (
       select f.number, f.length_mm, f.document -> 'film' ->> 'id' as film, (f.document -> 'settings' ->> 'rollLeftMm')::float as roll
       from film_layout f where exists (select 1 from run r where r.layout_id = f.id)
       order by f.number desc limit ${LAYOUTS_BACK}) own
     where roll is not null order by film, number desc`,
    [],
  );

/**
 * Transfers of lines that are ready for the floor and not on it yet.
 *
 * @param lineIds of these lines; `null` for all
 */
export async function readFilmWaiting(
  db: Database,
  lineIds: readonly string[] | null = null,
): Promise<Pick<FilmWaiting, 'items' | 'isMore'>> {
  const rows = await db.read<ReadyRow>(
    `select l.id as "lineId", l.order_id as "orderId", l.code, l.route_number as "routeNumber", k.name as customer, o.due_at as "dueAt",
       c.name || ' ' || s.name as garment, c.hex as "colourHex", v.format, v.document, v.cost,
       (select json_object_agg(p.id, json_build_object('artworkId', p.artwork_id, 'steps', coalesce(m.steps, '[]')))
         from line_print p left join artwork_preparation m on m.id = p.preparation_id where p.line_id = l.id) as art
     from (
       select l.id, l.code, l.position, l.colour_id, l.order_id, l.route_number, o.due_at
       from order_line l join customer_order o on o.id = l.order_id
       where l.state = 'ready' and l.removed_at is null and o.cancelled_at is null
         and o.state not in ('done', 'cancelled') -- what the index of open orders knows
         and exists (select 1 from line_print p where p.line_id = l.id and p.process = any($1))
         and ($2::uuid[] is null or l.id = any($2))
       order by o.due_at, l.position, l.id limit ${MOST_LINES + 1}) l
     join customer_order o on o.id = l.order_id join customer k on k.id = o.customer_id
     join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id
     join route_version v on v.line_id = l.id and v.number = l.route_number
     order by l.due_at, l.position, l.id`,
    [[...ON_FILM], lineIds],
  );
  return {
    items: rows.slice(0, MOST_LINES).flatMap(({ dueAt, format, document, cost, art, ...line }) =>
      transfersOf(readStoredRoute(format, { route: document, cost }).route).map((own) => ({
        ...line,
        dueAt: dueAt.toISOString(),
        ...(art[own.print] ?? { artworkId: null, steps: [] }),
        ...own,
        again: null,
      })),
    ),
    isMore: rows.length > MOST_LINES,
  };
}
