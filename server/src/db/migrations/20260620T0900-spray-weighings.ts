import type { Migration } from '../migration.ts';

/**
 * Garments weighed before and after the sprayer, by what was set, on which nozzle and with which fluid: what it gives goes by
 * them. A sprayer's own setting and the nozzle in it are said of the machine; one with a maker's table has its marks for a range.
 */
export const sprayWeighings: Migration = {
  name: '20260620T0900-spray-weighings',
  up: `
    create table spray_weighing (
      id uuid primary key,
      machine_id uuid not null references machine,
      fluid_id uuid not null references material,
      nozzle text not null,
      setting double precision not null check (setting > 0),
      passes integer not null check (passes in (1, 2)),
      width_mm double precision not null check (width_mm > 0),
      height_mm double precision not null check (height_mm > 0),
      before_g double precision not null check (before_g > 0),
      after_g double precision not null check (after_g > before_g),
      elapsed_s double precision not null check (elapsed_s >= 0),
      room_c double precision,
      humidity double precision check (humidity between 0 and 0.99),
      by_name text not null,
      at timestamptz not null,
      is_withdrawn boolean not null default false
    );
    create index spray_weighing_machine on spray_weighing (machine_id, at desc);
    create function refuse_reweighing() returns trigger language plpgsql as $$
    begin
      if tg_op = 'DELETE' or to_jsonb(new) - 'is_withdrawn' <> to_jsonb(old) - 'is_withdrawn' then
        raise exception 'spray_weighing is only ever added to, or taken back';
      end if;
      return new;
    end $$;
    create trigger spray_weighing_append_only before update or delete on spray_weighing
      for each row execute function refuse_reweighing();
    create trigger tell_spray_weighing after insert or update on spray_weighing
      for each row execute function tell_change('spray-weighing', 'machine_id');
    create trigger revise_spray_weighing after insert or update on spray_weighing
      for each statement execute function count_revision();
    update machine set properties = properties || jsonb_build_object('nozzle', '', 'gun', null, 'setting', case
      when jsonb_array_length(coalesce(properties -> 'dial', '[]')) > 1 then (
        select jsonb_build_object('name', 'Dial', 'least', greatest(min(mark), 1), 'most', max(mark), 'step', 1, 'sense', 'up')
        from (select (own ->> 'mark')::double precision mark from jsonb_array_elements(properties -> 'dial') own) marks
        having max(mark) > greatest(min(mark), 1))
      end)
    where kind = 'sprayer';
  `,
  down: `
    update machine set properties = properties - 'nozzle' - 'setting' - 'gun' where kind = 'sprayer';
    drop table spray_weighing;
    drop function refuse_reweighing;
  `,
};
