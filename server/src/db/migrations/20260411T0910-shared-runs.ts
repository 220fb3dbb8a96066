import type { Migration } from '../migration.ts';

/**
 * A run may serve several lines, with film that they share: what a run knew of its line is kept for each. Pieces that came
 * out name their line themselves, and the steps they were made in.
 */
export const sharedRuns: Migration = {
  name: '20260411T0910-shared-runs',
  up: `
    drop index run_line;
    create table run_line (
      run_id uuid not null references run,
      key text not null check (key ~ '^[0-9]+$'),
      line_id uuid not null references order_line,
      route_version_id uuid not null references route_version,
      process text not null,
      pieces integer not null check (pieces >= 1),
      finished_at timestamptz,
      primary key (run_id, key)
    );
    insert into run_line (run_id, key, line_id, route_version_id, process, pieces, finished_at)
      select id, '1', line_id, route_version_id, process, pieces, finished_at from run;
    create unique index run_line_one_active on run_line (line_id) where finished_at is null;
    create index run_line_line on run_line (line_id);
    alter table outcome add line_id uuid references order_line;
    update outcome x set line_id = r.line_id from run r where r.id = x.run_id;
    alter table outcome alter line_id set not null, add made jsonb not null default '[]';
    alter table run add sheets jsonb not null default '[]', drop column line_id, drop column route_version_id, drop column process, drop column pieces;
  `,
  down: `
    alter table run drop column sheets, add line_id uuid references order_line, add route_version_id uuid references route_version,
      add process text, add pieces integer check (pieces >= 1);
    update run r set line_id = l.line_id, route_version_id = l.route_version_id, process = l.process, pieces = l.pieces
      from run_line l where l.run_id = r.id and l.key = '1';
    alter table run alter line_id set not null, alter route_version_id set not null, alter process set not null, alter pieces set not null;
    alter table outcome drop column line_id, drop column made;
    drop table run_line;
    create unique index run_one_active_per_line on run (line_id) where finished_at is null;
    create index run_line on run (line_id, created_at desc);
  `,
};
