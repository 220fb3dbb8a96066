import type { Migration } from '../migration.ts';

/** Plans that were kept for everybody to follow: written once, the newest counts. Whoever keeps one names the next number. */
export const dayPlans: Migration = {
  name: '20260704T0900-day-plans',
  up: `
    create table day_plan (
      number integer primary key check (number >= 1),
      document jsonb not null,
      by_name text not null check (by_name <> ''),
      at timestamptz not null
    );
    create trigger day_plan_append_only before update or delete on day_plan for each row execute function refuse_change();
    create trigger tell_day_plan after insert on day_plan for each row execute function tell_change('day-plan', 'number');
  `,
  down: `
    drop table day_plan;
  `,
};
