import type { Migration } from '../migration.ts';

/** What stands out in the art of a print, and who has it printed all the same. */
export const artToMend: Migration = {
  name: '20260516T0900-art-to-mend',
  up: `
    alter table line_print add findings jsonb not null default '[]';
    alter table order_line add art_overrule jsonb, drop constraint route_when_planned,
      add constraint route_when_planned check ((state in ('art-to-mend', 'ready', 'running', 'done')) = (route_number is not null));
    drop index customer_order_sparkless, order_line_draft;
    create index customer_order_sparkless on customer_order (id) where spark is null and state in ('art-to-mend', 'ready', 'running', 'done');
    create index order_line_draft on order_line (id) where state in ('planning', 'art-to-mend', 'ready', 'failed') and removed_at is null;
  `,
  down: `
    -- the version before knows no such state: such a line could be started there
    update order_line set state = 'ready' where state = 'art-to-mend';
    update customer_order set state = 'ready' where state = 'art-to-mend';
    drop index customer_order_sparkless, order_line_draft;
    create index customer_order_sparkless on customer_order (id) where spark is null and state in ('ready', 'running', 'done');
    create index order_line_draft on order_line (id) where state in ('planning', 'ready', 'failed') and removed_at is null;
    alter table order_line drop column art_overrule, drop constraint route_when_planned,
      add constraint route_when_planned check ((state in ('ready', 'running', 'done')) = (route_number is not null));
    alter table line_print drop column findings;
  `,
};
