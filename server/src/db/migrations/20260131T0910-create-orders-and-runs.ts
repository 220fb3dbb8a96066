import type { Migration } from '../migration.ts';

export const createOrdersAndRuns: Migration = {
  name: '20260131T0910-create-orders-and-runs',
  up: `
    create sequence order_number start 201;
    create table customer_order (
      id uuid primary key,
      number integer not null unique default nextval('order_number'),
      customer_id uuid not null references customer,
      due_at timestamptz not null,
      note text not null default '',
      state text not null check (state in ('needs-art', 'planning', 'failed', 'ready', 'running', 'done', 'cancelled')),
      version integer not null default 1 check (version >= 1),
      created_at timestamptz not null default now(),
      cancelled_at timestamptz,
      constraint cancelled_has_a_time check ((state = 'cancelled') = (cancelled_at is not null))
    );
    create index customer_order_due on customer_order (due_at, id);
    create index customer_order_state on customer_order (state, due_at);

    create table order_line (
      id uuid primary key,
      order_id uuid not null references customer_order,
      position integer not null check (position >= 1),
      colour_id uuid not null references garment_colour,
      artwork_id uuid references artwork,
      placement text not null,
      drop_mm real not null check (drop_mm between 0 and 700),
      width_mm real not null check (width_mm between 5 and 600),
      process text not null check (process in ('dtf', 'dtg')),
      state text not null check (state in ('needs-art', 'planning', 'failed', 'ready', 'running', 'done')),
      plan_problem text,
      removed_at timestamptz,
      constraint art_before_plan check (artwork_id is not null or state = 'needs-art')
    );
    create index order_line_order on order_line (order_id);
    create table order_line_size (
      line_id uuid not null references order_line,
      size text not null,
      quantity integer not null check (quantity between 1 and 9999),
      primary key (line_id, size)
    );

    create table route_version (
      id uuid primary key,
      line_id uuid not null references order_line,
      number integer not null check (number >= 1),
      document jsonb not null,
      cost jsonb not null,
      overrides jsonb not null,
      pieces integer not null check (pieces >= 1),
      created_at timestamptz not null default now(),
      unique (line_id, number)
    );

    create table run (
      id uuid primary key,
      line_id uuid not null references order_line,
      route_version_id uuid not null references route_version,
      pieces integer not null check (pieces >= 1),
      started_by text not null,
      created_at timestamptz not null default now(),
      finished_at timestamptz
    );
    create unique index run_one_active_per_line on run (line_id) where finished_at is null;
    create table run_event (
      id uuid primary key,
      run_id uuid not null references run,
      client_id uuid not null,
      client_seq integer not null check (client_seq >= 1),
      kind text not null check (kind in
        ('step-started', 'step-completed', 'reading-taken', 'piece-inspected', 'problem-raised', 'problem-cleared', 'undone')),
      step text,
      at timestamptz not null,
      device_at timestamptz not null,
      server_at timestamptz not null default now(),
      by_name text not null,
      payload jsonb not null,
      unique (run_id, client_id, client_seq)
    );
    create table outcome (
      run_id uuid not null references run,
      piece integer not null check (piece >= 1),
      verdict text not null check (verdict in ('good', 'reprint', 'scrap')),
      faults text[] not null,
      note text,
      photo text references blob,
      by_name text not null,
      at timestamptz not null,
      plate_c real,
      dwell_s real,
      actual_dwell_s real,
      pretreatment_g real,
      pretreatment_target_g real,
      primary key (run_id, piece)
    );
    create index outcome_at on outcome (at desc);

    create function refuse_change() returns trigger language plpgsql as $$
    begin
      raise exception '% is append-only', tg_table_name;
    end $$;
    create trigger run_event_append_only before update or delete on run_event for each row execute function refuse_change();
    create trigger route_version_append_only before update or delete on route_version for each row execute function refuse_change();

    create function tell_change() returns trigger language plpgsql as $$
    begin
      perform pg_notify('saltflat', json_build_object('kind', 'changed', 'noun', tg_argv[0], 'id', to_jsonb(new) ->> tg_argv[1])::text);
      return null;
    end $$;
    create trigger tell_order after insert or update on customer_order for each row execute function tell_change('order', 'id');
    create trigger tell_line after insert or update on order_line for each row execute function tell_change('line', 'id');
    create trigger tell_route after insert on route_version for each row execute function tell_change('line', 'line_id');
    create trigger tell_run after insert or update on run for each row execute function tell_change('run', 'id');
    create trigger tell_event after insert on run_event for each row execute function tell_change('run', 'run_id');
    create trigger tell_artwork after insert on artwork for each row execute function tell_change('artwork', 'id');
  `,
  down: `
    drop table outcome, run_event, run, route_version, order_line_size, order_line, customer_order;
    drop sequence order_number;
    drop trigger tell_artwork on artwork;
    drop function refuse_change, tell_change;
  `,
};
