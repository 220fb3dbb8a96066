import type { Migration } from '../migration.ts';

/** Not plates alone are measured of a press: its pressure scale and its contacts are too. What is tried on the bench can be noted. */
export const pressChecks: Migration = {
  name: '20260530T0900-press-checks',
  up: `
    alter table press_survey rename to press_check;
    alter table press_check add column kind text not null default 'survey' check (kind in ('survey', 'pressure', 'calibration'));
    alter table press_check alter column kind drop default;
    alter table press_check drop constraint press_survey_machine_id_number_key;
    alter table press_check add constraint press_check_number_key unique (machine_id, kind, number);
    alter trigger press_survey_append_only on press_check rename to press_check_append_only;
    drop trigger tell_survey on press_check;
    create trigger tell_press_check after insert on press_check for each row execute function tell_change('press-check', 'machine_id');
    create table bench_note (
      id uuid primary key,
      document jsonb not null,
      at timestamptz not null
    );
    create or replace function tell_change() returns trigger language plpgsql as $$
    begin
      perform pg_notify('saltflat', json_build_object('kind', 'changed', 'noun', tg_argv[0], 'id', to_jsonb(coalesce(new, old)) ->> tg_argv[1])::text);
      return null;
    end $$;
    create trigger tell_bench_note after insert or delete on bench_note for each row execute function tell_change('bench-note', 'id');
  `,
  down: `
    drop table bench_note;
    alter table press_check disable trigger user;
    delete from press_check where kind <> 'survey';
    alter table press_check enable trigger user;
    drop trigger tell_press_check on press_check;
    alter trigger press_check_append_only on press_check rename to press_survey_append_only;
    alter table press_check drop constraint press_check_number_key;
    alter table press_check drop column kind;
    alter table press_check add constraint press_survey_machine_id_number_key unique (machine_id, number);
    alter table press_check rename to press_survey;
    create trigger tell_survey after insert on press_survey for each row execute function tell_change('survey', 'machine_id');
  `,
};
