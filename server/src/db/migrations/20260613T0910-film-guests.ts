import type { Migration } from '../migration.ts';

/** Film may carry transfers for other runs, whose own were spoiled. */
export const filmGuests: Migration = {
  name: '20260613T0910-film-guests',
  up: `alter table run add guests jsonb not null default '[]';`,
  down: `alter table run drop column guests;`,
};
