import type { Migration } from '../migration.ts';

/** Transfers on the shelf are kept packet by packet: what came in, what is promised, what was taken. */
export const shelf: Migration = {
  name: '20260613T0900-shelf',
  up: `
    create table shelf_packet (
      id uuid primary key,
      number integer generated always as identity unique,
      material_id uuid not null references material,
      artwork_id uuid references artwork,
      origin text not null check (origin in ('made', 'bought', 'found')),
      run_id uuid references run,
      line_key text,
      print text,
      made_at timestamptz not null,
      by_name text not null,
      cure text not null check (cure in ('light', 'full')),
      lots jsonb not null,
      note text not null,
      pieces integer not null check (pieces >= 0),
      is_empty boolean not null,
      check ((origin = 'made') = (run_id is not null and line_key is not null and print is not null))
    );
    create unique index shelf_packet_made on shelf_packet (run_id, line_key, print, material_id) where run_id is not null;
    create index shelf_packet_kind on shelf_packet (material_id, made_at);
    create table shelf_move (
      id uuid primary key,
      packet_id uuid not null references shelf_packet,
      kind text not null,
      change integer not null,
      hold integer not null,
      line_id uuid references order_line,
      why text not null,
      rights text,
      by_name text not null,
      at timestamptz not null
    );
    create index shelf_move_packet on shelf_move (packet_id);
    create trigger shelf_move_append_only before update or delete on shelf_move for each row execute function refuse_change();
    create table shelf_use (
      packet_id uuid not null references shelf_packet,
      run_id uuid not null references run,
      line_key text not null,
      print text not null,
      line_id uuid not null references order_line,
      pieces integer not null check (pieces >= 0),
      taken integer not null check (taken between 0 and pieces),
      at timestamptz not null,
      primary key (packet_id, run_id, line_key, print)
    );
    create index shelf_use_run on shelf_use (run_id);
    create trigger revise_shelf_packet after insert or update on shelf_packet for each statement execute function count_revision();
    create trigger revise_shelf_move after insert on shelf_move for each statement execute function count_revision();
    create trigger revise_shelf_use after insert or update or delete on shelf_use for each statement execute function count_revision();
    create trigger tell_shelf_packet after insert or update on shelf_packet for each row execute function tell_change('shelf', 'id');
    create trigger tell_shelf_move after insert on shelf_move for each row execute function tell_change('shelf', 'packet_id');
    create trigger tell_shelf_use after insert or update or delete on shelf_use for each row execute function tell_change('shelf', 'packet_id');
    update material set properties = '{"keepsDays": 180}' || properties where kind in ('bought-in', 'shelf-transfer');
  `,
  down: `
    update material set properties = properties - 'keepsDays' where kind in ('bought-in', 'shelf-transfer');
    drop table shelf_use, shelf_move, shelf_packet;
  `,
};
