import type { Migration } from '../migration.ts';

/** Requests that changed something, by the key their sender gave them: sent again they count once and are answered as before. */
export const requestKeys: Migration = {
  name: '20260404T0910-request-keys',
  up: `
    create table request_key (
      key text primary key check (length(key) between 8 and 100),
      request text not null,
      result jsonb,
      status integer,
      answer jsonb,
      created_at timestamptz not null
    );
    create index request_key_age on request_key (created_at);
  `,
  down: `drop table request_key;`,
};
