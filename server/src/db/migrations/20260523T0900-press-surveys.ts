import type { Migration } from '../migration.ts';

/** What was read of a press's plate, survey by survey. */
export const pressSurveys: Migration = {
  name: '20260523T0900-press-surveys',
  up: `
    create table press_survey (
      id uuid primary key,
      machine_id uuid not null references machine,
      number integer not null check (number > 0),
      document jsonb not null,
      at timestamptz not null,
      unique (machine_id, number)
    );
    create trigger press_survey_append_only before update or delete on press_survey for each row execute function refuse_change();
    create trigger tell_survey after insert on press_survey for each row execute function tell_change('survey', 'machine_id');
  `,
  down: `drop table press_survey;`,
};
