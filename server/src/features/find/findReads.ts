// SQL by hand: a lookup in an index of trigrams, and of each artwork the print it was last put on; models cannot say `distinct on`.
import type { Found } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';
import { and, searchPatterns } from '../../http/keyset.ts';

const MOST = 8;

/** Lines of that code, or of an order of that code: two lookups, where one with an "or" over two tables would read them all. */
const LINES = `with found as (select id from order_line where code = upper($1)
     union select l.id from customer_order o join order_line l on l.order_id = o.id where o.code = upper($1))
   select l.id, o.id as "orderId", l.code, c.name as customer, g.name || ' ' || s.name as garment
   from found join order_line l using (id) join customer_order o on o.id = l.order_id join customer c on c.id = o.customer_id
     join garment_colour g on g.id = l.colour_id join garment_style s on s.id = g.style_id
   order by l.position limit ${MOST}`;

/** Artworks by their file's name, each with the print it was last put on. */
const artworksSql = (words: readonly string[]): string =>
  `with named as materialized (select a.id, a.name, a.created_at from artwork a where ${and(words)} order by a.created_at desc limit 50),
     used as (select distinct on (a.id) a.id, a.name, a.created_at, p.line_id as "lineId", p.id as print, l.code, c.name as customer
       from named a join line_print p on p.artwork_id = a.id join order_line l on l.id = p.line_id
         join customer_order o on o.id = l.order_id join customer c on c.id = o.customer_id
       order by a.id, o.number desc, p.position)
   select id, name, "lineId", print, code, customer from used order by created_at desc limit ${MOST}`;

/** What a few letters lead to besides orders. */
export async function readFound(db: Database, text: string): Promise<Found> {
  const bind = searchPatterns(text);
  const words = bind.map((_pattern, i) => `' ' || lower(a.name) like $${i + 1}`);
  const [lines, artworks] = await Promise.all([
    db.readMany<Found['lines'][number]>(LINES, [text.trim()]),
    words.length === 0 ? [] : db.readMany<Found['artworks'][number]>(artworksSql(words), bind),
  ]);
  return { lines, artworks };
}
