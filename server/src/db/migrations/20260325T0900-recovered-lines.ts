import type { Migration } from '../migration.ts';

/** Which lines could not be planned before a change of the set-up: a line that can be made again is said so. */
export const recoveredLines: Migration = {
  name: '20260325T0900-recovered-lines',
  up: `alter table shop_change_line add column had_failed boolean not null default false;`,
  down: `alter table shop_change_line drop column had_failed;`,
};
