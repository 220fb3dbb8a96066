import type { OrderLine } from '@saltflat/contract';

/** A line `l` with everything the contract says of it; `o` is its order. */
export const LINE_COLUMNS = `
  l.id, l.position, l.order_id as "orderId",
  'K-' || o.number || case when (select count(*) from order_line m where m.order_id = l.order_id and m.removed_at is null) > 1 then '/' || l.position else '' end as code,
  s.id as "styleId", s.name as "styleName", s.kind as "styleKind",
  json_build_object('id', c.id, 'name', c.name, 'hex', c.hex, 'tone', c.tone) as colour,
  case when a.id is null then null else json_build_object('id', a.id, 'name', a.name, 'sha256', a.sha256, 'format', a.format, 'widthPx', a.width_px,
    'heightPx', a.height_px, 'bytes', octet_length(b.bytes), 'readingNotes', a.reading_notes, 'rights', a.rights, 'rightsNote', a.rights_note,
    'createdAt', a.created_at) end as artwork,
  case when p.id is null then null else json_build_object('id', p.id, 'artworkId', p.artwork_id, 'number', p.number, 'steps', p.steps, 'white', p.white,
    'byName', p.by_name, 'createdAt', p.created_at) end as preparation,
  (select json_build_object('id', q.id, 'lineId', q.line_id, 'routeNumber', (select number from route_version v where v.id = q.route_version_id),
    'verdict', q.verdict, 'customerName', q.customer_name, 'note', q.note, 'byName', q.by_name, 'at', q.at)
     from proof_answer q where q.line_id = l.id order by q.at desc limit 1) as proof,
  l.placement, l.drop_mm as "dropMm", l.width_mm as "widthMm", l.process, l.house, l.grades,
  (select json_agg(json_build_object('size', z.size, 'quantity', z.quantity) order by gz.position nulls last, z.size)
     from order_line_size z left join garment_size gz on gz.style_id = s.id and gz.size = z.size where z.line_id = l.id) as sizes,
  (select sum(z.quantity)::int from order_line_size z where z.line_id = l.id) as pieces,
  l.state, l.plan_problem as "planProblem",
  (select max(v.number) from route_version v where v.line_id = l.id) as "routeNumber",
  (select r.id from run r where r.line_id = l.id and r.finished_at is null) as "activeRunId"`;

export const LINE_TABLES = `
  order_line l join customer_order o on o.id = l.order_id
  join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id
  left join artwork a on a.id = l.artwork_id left join blob b using (sha256)
  left join artwork_preparation p on p.id = l.preparation_id`;

export interface LineRow extends OrderLine {
  orderId: string;
}

/** A row as the contract says it: without its order. */
export function toLine({ orderId: _order, ...line }: LineRow): OrderLine {
  const { artwork, preparation, proof } = line;
  const iso = (at: string): string => new Date(at).toISOString(); // inside JSON the database writes instants its own way
  return {
    ...line,
    artwork: artwork && { ...artwork, createdAt: iso(artwork.createdAt) },
    preparation: preparation && { ...preparation, createdAt: iso(preparation.createdAt) },
    proof: proof && { ...proof, at: iso(proof.at) },
  };
}
