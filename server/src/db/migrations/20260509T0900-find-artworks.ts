import type { Migration } from '../migration.ts';

/** Artworks are found by their names among however many there are. */
export const findArtworks: Migration = {
  name: '20260509T0900-find-artworks',
  up: `create index artwork_name on artwork using gin ((' ' || lower(name)) gin_trgm_ops);`,
  down: `drop index artwork_name;`,
};
