import type { Migration } from '../migration.ts';

/** Drawings are kept as they are drawn, cleaned; those from before were kept as they came and are cleaned each time they are drawn. */
export const cleanDrawings: Migration = {
  name: '20260404T0900-clean-drawings',
  up: `
    alter table blob add column is_drawn_as_kept boolean not null default true;
    update blob set is_drawn_as_kept = false where media_type = 'image/svg+xml';
  `,
  down: `alter table blob drop column is_drawn_as_kept;`,
};
