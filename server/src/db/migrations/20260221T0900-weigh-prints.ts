import type { Migration } from '../migration.ts';

export const weighPrints: Migration = {
  name: '20260221T0900-weigh-prints',
  up: `
    create table weighing (
      id uuid primary key,
      material_id uuid not null references material,
      line_id uuid not null references order_line,
      colour_m2 double precision not null check (colour_m2 >= 0),
      white_m2 double precision not null check (white_m2 >= 0),
      base_m2 double precision not null check (base_m2 >= 0),
      grams double precision not null check (grams > 0),
      by_name text not null,
      at timestamptz not null default now()
    );
    create index weighing_material on weighing (material_id, at);
    create trigger weighing_append_only before update or delete on weighing for each row execute function refuse_change();
    create trigger tell_weighing after insert on weighing for each row execute function tell_change('material', 'material_id');
  `,
  down: `drop table weighing;`,
};
