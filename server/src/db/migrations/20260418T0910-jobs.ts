import type { Migration } from '../migration.ts';

/** Heavy work that people wait for, with how far it is: a page that comes later sees it too. One of a kind about one thing. */
export const jobs: Migration = {
  name: '20260418T0910-jobs',
  up: `
    create table job (
      kind text not null,
      about uuid not null,
      state text not null check (state in ('running', 'done', 'failed')),
      share real not null check (share between 0 and 1),
      why text,
      begun_at timestamptz not null,
      told_at timestamptz not null,
      ended_at timestamptz,
      primary key (kind, about),
      constraint ended_has_a_time check ((state = 'running') = (ended_at is null))
    );
    create trigger tell_job after insert or update on job for each row execute function tell_change('job', 'about');
  `,
  down: `drop table job;`,
};
