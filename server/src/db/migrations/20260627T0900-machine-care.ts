import type { Migration } from '../migration.ts';

/**
 * What people look at and do on their machines: before the first print, how high the platen, upkeep. A weighing of a sprayer may
 * be one that was taken on the floor: each of those once.
 */
export const machineCare: Migration = {
  name: '20260627T0900-machine-care',
  up: `
    create table machine_care (
      id uuid primary key,
      machine_id uuid not null references machine,
      kind text not null check (kind in ('print-start', 'platen-height', 'upkeep')),
      document jsonb not null,
      at timestamptz not null,
      is_withdrawn boolean not null default false
    );
    create index machine_care_newest on machine_care (machine_id, kind, at desc);
    create function refuse_other_care() returns trigger language plpgsql as $$
    begin
      if tg_op = 'DELETE' or to_jsonb(new) - 'is_withdrawn' <> to_jsonb(old) - 'is_withdrawn' then
        raise exception 'machine_care is only ever added to, or taken back';
      end if;
      return new;
    end $$;
    create trigger machine_care_append_only before update or delete on machine_care
      for each row execute function refuse_other_care();
    create trigger tell_machine_care after insert or update on machine_care
      for each row execute function tell_change('care', 'machine_id');
    alter table spray_weighing add column run_step text unique;
  `,
  down: `
    alter table spray_weighing drop column run_step;
    drop table machine_care;
    drop function refuse_other_care;
  `,
};
