import type { Migration } from '../migration.ts';

/**
 * Film may carry more transfers of a line than its route planned, and what is left of them goes on the shelf; how many a
 * line printed and lost is kept, so that spares can go by it. Of a kind of transfer so many are to lie ready.
 */
export const filmSpares: Migration = {
  name: '20260613T0920-film-spares',
  up: `
    alter table run_line add more jsonb not null default '{}', add film_made integer not null default 0,
      add film_lost integer not null default 0;
    create index run_line_film on run_line (finished_at desc) where film_made > 0;
    update material set properties = '{"keepAtLeast": 0}' || properties where kind = 'shelf-transfer';
    alter table shelf_packet add is_left_over boolean not null default false;
    drop index shelf_packet_made;
    create unique index shelf_packet_made on shelf_packet (run_id, line_key, print, material_id, is_left_over)
      where run_id is not null;`,
  down: `
    update material set properties = properties - 'keepAtLeast' where kind = 'shelf-transfer';
    drop index shelf_packet_made;
    delete from shelf_packet where is_left_over;
    alter table shelf_packet drop column is_left_over;
    create unique index shelf_packet_made on shelf_packet (run_id, line_key, print, material_id) where run_id is not null;
    alter table run_line drop column more, drop column film_made, drop column film_lost;`,
};
