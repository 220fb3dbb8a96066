import type { Migration } from '../migration.ts';

/** Layouts of film are kept as they were made, and a run says by which it was begun. */
export const filmLayouts: Migration = {
  name: '20260606T0900-film-layouts',
  up: `
    create table film_layout (
      id uuid primary key,
      number integer generated always as identity unique,
      format integer not null,
      document jsonb not null,
      film text not null,
      lines text[] not null,
      line_ids text[] not null,
      shares jsonb not null,
      pieces integer not null,
      sheets integer not null,
      length_mm double precision not null,
      by_name text not null,
      at timestamptz not null
    );
    create index film_layout_lines on film_layout using gin (line_ids);
    create trigger film_layout_append_only before update or delete on film_layout for each row execute function refuse_change();
    create trigger tell_film_layout after insert on film_layout for each row execute function tell_change('film-layout', 'id');
    alter table run add layout_id uuid references film_layout;
    create unique index run_layout on run (layout_id) where layout_id is not null;
  `,
  down: `
    alter table run drop column layout_id;
    drop table film_layout;
  `,
};
