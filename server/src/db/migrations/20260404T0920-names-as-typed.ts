import type { Migration } from '../migration.ts';

/** A customer's name is kept as it is typed: another spelling is another name, not the older one in silence. */
export const namesAsTyped: Migration = {
  name: '20260404T0920-names-as-typed',
  up: `
    drop index customer_name;
    create unique index customer_name on customer (name);
    create index customer_name_beginning on customer (lower(name) text_pattern_ops);
  `,
  down: `
    drop index customer_name_beginning, customer_name;
    create unique index customer_name on customer (lower(name));
  `,
};
