import type { Migration } from '../migration.ts';

/**
 * Small heat traces without a name for every number of them: they were most of what a list of orders weighs. And an index of
 * the few pieces with a fault: what is sought among them is found by walking from the newest, as elsewhere in the ledger.
 */
export const lighterLists: Migration = {
  name: '20260321T0900-lighter-lists',
  up: `
    update customer_order set spark = coalesce((
      select jsonb_agg(jsonb_build_array(own->'tempC', own->'durationS', own->'isHandsOn') order by place)
      from jsonb_array_elements(spark) with ordinality s (own, place)), '[]')
    where spark is not null;
    create index outcome_faulty on outcome (at desc, run_id, piece) include (verdict, process, faults, search_text) where faults <> '{}';
  `,
  down: `
    drop index outcome_faulty;
    update customer_order set spark = coalesce((
      select jsonb_agg(jsonb_build_object('tempC', own->0, 'durationS', own->1, 'isHandsOn', own->2) order by place)
      from jsonb_array_elements(spark) with ordinality s (own, place)), '[]')
    where spark is not null;
  `,
};
