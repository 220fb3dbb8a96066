import type { Migration } from '../migration.ts';

/** Which lot of a material was in use when, and which lots went into a piece. */
export const lots: Migration = {
  name: '20260418T0920-lots',
  up: `
    create table material_lot (
      id uuid primary key,
      material_id uuid not null references material,
      lot text not null check (lot <> ''),
      by_name text not null,
      opened_at timestamptz not null
    );
    create index material_lot_opened on material_lot (material_id, opened_at desc);
    create trigger material_lot_append_only before update or delete on material_lot for each row execute function refuse_change();
    create trigger tell_lot after insert on material_lot for each row execute function tell_change('material', 'material_id');
    alter table outcome add lots jsonb not null default '[]';
  `,
  down: `
    alter table outcome drop column lots;
    drop table material_lot;
  `,
};
