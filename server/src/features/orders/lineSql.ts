import type { OrderLine } from '@saltflat/contract';

/** A line `l` with everything the contract says of it; `o` is its order. */
export const LINE_COLUMNS = `
  l.id, l.position, l.order_id as "orderId",
  'K-' || o.number || case when (select count(*) from order_line m where m.order_id = l.order_id and m.removed_at is null) > 1 then '/' || l.position else '' end as code,
  s.id as "styleId", s.name as "styleName", s.kind as "styleKind",
  json_build_object('id', c.id, 'name', c.name, 'hex', c.hex, 'tone', c.tone) as colour,
  case when a.id is null then null else json_build_object('id', a.id, 'name', a.name, 'sha256', a.sha256, 'format', a.format, 'widthPx', a.width_px,
    'heightPx', a.height_px, 'bytes', octet_length(b.bytes), 'readingNotes', a.reading_notes, 'createdAt', a.created_at) end as artwork,
  l.placement, l.drop_mm as "dropMm", l.width_mm as "widthMm", l.process,
  (select json_agg(json_build_object('size', z.size, 'quantity', z.quantity) order by gz.position nulls last, z.size)
     from order_line_size z left join garment_size gz on gz.style_id = s.id and gz.size = z.size where z.line_id = l.id) as sizes,
  (select sum(z.quantity)::int from order_line_size z where z.line_id = l.id) as pieces,
  l.state, l.plan_problem as "planProblem",
  (select max(v.number) from route_version v where v.line_id = l.id) as "routeNumber",
  (select r.id from run r where r.line_id = l.id and r.finished_at is null) as "activeRunId"`;

export const LINE_TABLES = `
  order_line l join customer_order o on o.id = l.order_id
  join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id
  left join artwork a on a.id = l.artwork_id left join blob b using (sha256)`;

export interface LineRow extends OrderLine {
  orderId: string;
}

/** A row as the contract says it: without its order. */
export function toLine({ orderId: _order, ...line }: LineRow): OrderLine {
  return line.artwork
    ? { ...line, artwork: { ...line.artwork, createdAt: new Date(line.artwork.createdAt).toISOString() } }
    : line;
}
