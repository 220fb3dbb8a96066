import type { Migration } from '../migration.ts';

/** How long the steps of a line took once it was finished: written anew when a line is opened again and finished otherwise. */
export const workTimes: Migration = {
  name: '20260711T0900-work-times',
  up: `
    create table work_time (
      run_id uuid not null,
      line text not null,
      place integer not null check (place >= 1),
      kind text not null,
      title text not null,
      unit text not null,
      hands_planned_s double precision check (hands_planned_s > 0),
      hands_s double precision,
      machine_planned_s double precision check (machine_planned_s > 0),
      machine_s double precision,
      at timestamptz not null,
      primary key (run_id, line, place),
      foreign key (run_id, line) references run_line (run_id, key),
      check ((hands_planned_s is null) = (hands_s is null) and (machine_planned_s is null) = (machine_s is null)),
      check (hands_s is not null or machine_s is not null)
    );
    create index work_time_newest on work_time (at desc);
  `,
  down: `
    drop table work_time;
  `,
};
