import type { Migration } from '../migration.ts';

/**
 * Lines get a code and a generation of their own, routes the input they were planned from, events a place in their run,
 * lists what they are sorted, filtered and searched by, and quotes a life. Kinds and states are no longer listed here:
 * the schemas say them.
 */
export const firmGround: Migration = {
  name: '20260314T0900-firm-ground',
  up: `
    create extension if not exists pg_trgm;

    -- values that schemas list are not listed a second time
    alter table garment_style drop constraint garment_style_kind_check, drop constraint garment_style_construction_check;
    alter table garment_colour drop constraint garment_colour_tone_check;
    alter table material drop constraint material_kind_check;
    alter table machine drop constraint machine_kind_check;
    alter table artwork drop constraint artwork_format_check, drop constraint artwork_rights_check;
    alter table proof_answer drop constraint proof_answer_verdict_check;
    alter table shop_setting drop constraint shop_setting_key_check;
    alter table customer_order drop constraint customer_order_state_check;
    alter table order_line drop constraint order_line_state_check, drop constraint order_line_process_check;
    alter table run_event drop constraint run_event_kind_check;
    alter table outcome drop constraint outcome_verdict_check;

    -- what a person typed comes back as typed
    alter table garment_style
      alter cotton type double precision using round(cotton::numeric, 6), alter polyester type double precision using round(polyester::numeric, 6),
      alter elastane type double precision using round(elastane::numeric, 6), alter nylon type double precision using round(nylon::numeric, 6),
      alter other type double precision using round(other::numeric, 6), alter mass_g_m2 type double precision using mass_g_m2::numeric,
      alter thickness_mm type double precision using thickness_mm::numeric, alter max_press_c type double precision using max_press_c::numeric;
    alter table garment_size alter body_width_mm type double precision using body_width_mm::numeric,
      alter collar_drop_mm type double precision using collar_drop_mm::numeric;
    alter table order_line alter drop_mm type double precision using drop_mm::numeric, alter width_mm type double precision using width_mm::numeric;
    alter table outcome alter plate_c type double precision using plate_c::numeric, alter dwell_s type double precision using dwell_s::numeric,
      alter actual_dwell_s type double precision using actual_dwell_s::numeric, alter pretreatment_g type double precision using pretreatment_g::numeric,
      alter pretreatment_target_g type double precision using pretreatment_target_g::numeric;

    -- the set-up: a number that is counted up at every change, and what changes did
    create table shop_revision (is_only boolean primary key default true check (is_only), revision bigint not null);
    insert into shop_revision (revision) values (1);
    create function count_revision() returns trigger language plpgsql as $$
    begin
      update shop_revision set revision = revision + 1;
      return null;
    end $$;
    create trigger revise_style after insert or update or delete on garment_style for each statement execute function count_revision();
    create trigger revise_colour after insert or update or delete on garment_colour for each statement execute function count_revision();
    create trigger revise_size after insert or update or delete on garment_size for each statement execute function count_revision();
    create trigger revise_material after insert or update or delete on material for each statement execute function count_revision();
    create trigger revise_machine after insert or update or delete on machine for each statement execute function count_revision();
    create trigger revise_setting after insert or update or delete on shop_setting for each statement execute function count_revision();
    create trigger revise_weighing after insert on weighing for each statement execute function count_revision();
    create table shop_facts (sha256 text primary key check (sha256 ~ '^[0-9a-f]{64}$'), document jsonb not null);
    create trigger shop_facts_append_only before update or delete on shop_facts for each row execute function refuse_change();
    create table shop_change (id uuid primary key, at timestamptz not null, drafts integer not null check (drafts >= 0));

    -- artworks say how long their file is; figures say by which analysis
    alter table artwork add size_bytes integer;
    update artwork a set size_bytes = octet_length(b.bytes) from blob b where b.sha256 = a.sha256;
    alter table artwork alter size_bytes set not null;
    alter table artwork_figures add analysis integer not null default 1, drop constraint artwork_figures_pkey,
      add primary key (artwork_id, analysis, job_key);
    alter table artwork_figures alter analysis drop default;

    -- a line's code is given once
    alter table customer_order add code text, add customer_key text, add lines_given integer not null default 0, add pieces integer not null default 0,
      add processes text[] not null default '{}', add garments text[] not null default '{}', add search_text text not null default '', add spark jsonb;
    alter table order_line add code text, add generation integer not null default 1 check (generation >= 1), add route_number integer,
      add plan_asked_at timestamptz, add plan_attempts integer not null default 0 check (plan_attempts >= 0),
      add plan_change_id uuid references shop_change;
    with counted as (
      select l.id, l.order_id, l.position, l.removed_at is not null as is_gone,
        count(*) filter (where l.removed_at is null) over (partition by l.order_id) as alive,
        row_number() over (partition by l.order_id, l.position
          order by l.removed_at is not null, not exists (select 1 from run r where r.line_id = l.id), l.id) as twin,
        max(l.position) over (partition by l.order_id) as top
      from order_line l
    ), placed as (
      select c.*, case when twin = 1 then position
        else top + row_number() over (partition by order_id, twin = 1 order by position, twin, id) end as ordinal
      from counted c
    )
    update order_line l set code = 'K-' || o.number || case when p.alive = 1 and not p.is_gone then '' else '/' || p.ordinal end,
      position = p.ordinal
    from placed p, customer_order o where p.id = l.id and o.id = l.order_id;
    update customer_order o set code = 'K-' || o.number, customer_key = lower(k.name), created_at = date_trunc('milliseconds', o.created_at),
      due_at = date_trunc('milliseconds', o.due_at),
      lines_given = (select coalesce(max(l.position), 0) from order_line l where l.order_id = o.id)
    from customer k where k.id = o.customer_id;
    alter table order_line alter code set not null, add constraint order_line_code unique (code),
      add constraint order_line_place unique (order_id, position);
    alter table customer_order alter code set not null, alter customer_key set not null, add constraint customer_order_code unique (code);

    -- routes say their format, their generation and their process, and keep their input
    alter table route_version disable trigger route_version_append_only;
    alter table route_version add generation integer not null default 1, add format integer, add process text, add input jsonb,
      add facts_sha256 text references shop_facts;
    update route_version set process = document ->> 'process',
      format = case when not document ? 'placement' then 1 when not (document #> '{operations,0}') ? 'perLoad' then 2 else 3 end;
    alter table route_version alter format set not null, alter process set not null, alter generation drop default,
      add constraint input_with_its_facts check ((input is null) = (facts_sha256 is null));
    alter table route_version enable trigger route_version_append_only;

    -- work that is on the floor is on the floor, whatever was written over it
    update order_line l set state = 'running', plan_problem = null from run r
      where r.line_id = l.id and r.finished_at is null and l.state not in ('running', 'done');
    update customer_order o set cancelled_at = null, state = 'running'
      from order_line l where l.order_id = o.id and l.state = 'running' and l.removed_at is null and o.state = 'cancelled';
    update order_line l set route_number = v.number from run r join route_version v on v.id = r.route_version_id
      where r.line_id = l.id and l.state in ('running', 'done')
        and r.created_at = (select max(s.created_at) from run s where s.line_id = l.id);
    -- drafts are planned once more, so that their input is kept with them
    update order_line set state = 'planning', generation = 2, plan_problem = null where state in ('ready', 'planning') and artwork_id is not null;
    update customer_order o set state = 'planning' where o.state = 'ready'
      and exists (select 1 from order_line l where l.order_id = o.id and l.removed_at is null and l.state = 'planning');
    alter table order_line add constraint route_when_planned check ((state in ('ready', 'running', 'done')) = (route_number is not null)),
      add constraint route_of_this_line foreign key (id, route_number) references route_version (line_id, number);

    create table shop_change_line (
      change_id uuid not null references shop_change,
      line_id uuid not null references order_line,
      outcome jsonb,
      planned_at timestamptz,
      primary key (change_id, line_id)
    );

    -- events have a place in their run; runs know how many; how all pieces came out is counted as they do
    alter table run_event disable trigger run_event_append_only;
    alter table run_event add place integer;
    update run_event e set place = n.place from
      (select id, row_number() over (partition by run_id order by server_at, client_id, client_seq, id) as place from run_event) n where n.id = e.id;
    alter table run_event alter place set not null, add constraint run_event_place unique (run_id, place);
    alter table run_event enable trigger run_event_append_only;
    alter table run add process text, add event_count integer not null default 0;
    update run r set process = v.process from route_version v where v.id = r.route_version_id;
    update run r set event_count = (select count(*) from run_event e where e.run_id = r.id);
    create table outcome_tally (process text not null, verdict text not null, pieces integer not null, primary key (process, verdict));
    alter table run alter process set not null;
    alter table outcome add process text, add search_text text;
    update outcome x set process = r.process, at = date_trunc('milliseconds', x.at), search_text = ' ' || lower(concat_ws(' ', l.code, k.name, s.name, c.name, x.by_name, x.note))
      from run r join order_line l on l.id = r.line_id join customer_order o on o.id = l.order_id join customer k on k.id = o.customer_id
      join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id where r.id = x.run_id;
    alter table outcome alter process set not null, alter search_text set not null;
    insert into outcome_tally (process, verdict, pieces) select process, verdict, count(*) from outcome group by process, verdict;

    -- quotes that left the house
    create sequence quote_number start 1001;
    create table quote (
      id uuid primary key,
      order_id uuid not null references customer_order,
      number integer not null unique default nextval('quote_number'),
      state text not null,
      given_at timestamptz not null,
      good_until timestamptz not null check (good_until > given_at),
      given_by text not null,
      accepted_at timestamptz,
      accepted_by text,
      document jsonb not null,
      constraint accepted_says_when check ((state = 'accepted') = (accepted_at is not null) and (accepted_at is null) = (accepted_by is null))
    );
    create index quote_order on quote (order_id, number desc);
    create function keep_quote() returns trigger language plpgsql as $$
    begin
      if tg_op = 'DELETE' or (old.order_id, old.number, old.given_at, old.good_until, old.given_by, old.document)
        is distinct from (new.order_id, new.number, new.given_at, new.good_until, new.given_by, new.document)
      then raise exception 'a given quote does not change'; end if;
      return new;
    end $$;
    create trigger quote_stays before update or delete on quote for each row execute function keep_quote();

    -- what lists show and are searched by
    update customer_order o set pieces = x.pieces, processes = x.processes, garments = x.garments,
      search_text = ' ' || lower(concat_ws(' ', o.code, (select name from customer k where k.id = o.customer_id), o.note, x.words))
    from (
      select l.order_id, coalesce(sum((select sum(z.quantity) from order_line_size z where z.line_id = l.id)), 0) as pieces,
        array_agg(distinct l.process) as processes, array_agg(distinct c.name || ' ' || s.name) as garments,
        string_agg(l.code || ' ' || s.name || ' ' || c.name, ' ') as words
      from order_line l join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id
      where l.removed_at is null group by l.order_id) x
    where x.order_id = o.id;
    drop index customer_order_due, customer_order_state, order_line_order, outcome_at;
    create index customer_order_due on customer_order (due_at, id) include (search_text);
    create index customer_order_customer on customer_order (customer_key, id) include (search_text);
    create index customer_order_created on customer_order (created_at, id) include (search_text);
    create index customer_order_number on customer_order (number, id) include (search_text);
    create index customer_order_open_due on customer_order (due_at, id) where state not in ('done', 'cancelled');
    create index customer_order_open_customer on customer_order (customer_key, id) where state not in ('done', 'cancelled');
    create index customer_order_open_created on customer_order (created_at, id) where state not in ('done', 'cancelled');
    create index customer_order_open_number on customer_order (number, id) where state not in ('done', 'cancelled');
    create index customer_order_state on customer_order (state, due_at, id) include (search_text);
    create index customer_order_search on customer_order using gin (search_text gin_trgm_ops);
    create index customer_order_sparkless on customer_order (id) where spark is null and state in ('ready', 'running', 'done');
    create index customer_key_search on customer (lower(name) text_pattern_ops);
    create index order_line_colour on order_line (colour_id);
    create index order_line_artwork on order_line (artwork_id);
    create index order_line_waiting on order_line (plan_asked_at) where state = 'planning';
    create index order_line_ready on order_line (order_id) where state = 'ready' and removed_at is null;
    create index order_line_draft on order_line (id) where state in ('planning', 'ready', 'failed') and removed_at is null;
    create index run_line on run (line_id, created_at desc);
    create index run_created on run (created_at desc, id);
    create index run_active on run (created_at desc) where finished_at is null;
    create index outcome_latest on outcome (at desc, run_id, piece) include (verdict, process, faults, search_text);
    create index outcome_process on outcome (process, at desc, run_id, piece) include (verdict);
    create index outcome_verdict on outcome (verdict, at desc, run_id, piece) include (process);
    create index outcome_faults on outcome using gin (faults);
    create index outcome_search on outcome using gin (search_text gin_trgm_ops);

    drop trigger tell_event on run_event;
    create trigger tell_change after insert or update on shop_change_line for each row execute function tell_change('change', 'change_id');
    create trigger tell_quote after insert or update on quote for each row execute function tell_change('order', 'order_id');
  `,
  down: `
    drop table quote, shop_change_line, outcome_tally;
    drop sequence quote_number;
    drop function keep_quote;
    create trigger tell_event after insert on run_event for each row execute function tell_change('run', 'run_id');
    drop index outcome_latest, outcome_process, outcome_verdict, outcome_faults, outcome_search, run_line, run_created, run_active, order_line_colour,
      order_line_artwork, order_line_waiting, order_line_ready, order_line_draft, customer_order_customer, customer_order_created, customer_order_number,
      customer_order_open_due, customer_order_open_customer, customer_order_open_created, customer_order_open_number, customer_order_search,
      customer_order_state, customer_order_sparkless, customer_order_due, customer_key_search;
    create index customer_order_due on customer_order (due_at, id);
    create index customer_order_state on customer_order (state, due_at);
    create index order_line_order on order_line (order_id);
    create index outcome_at on outcome (at desc);
    alter table outcome drop column process, drop column search_text;
    alter table run drop column process, drop column event_count;
    alter table run_event drop column place;
    alter table order_line drop constraint route_of_this_line, drop constraint route_when_planned, drop constraint order_line_place,
      drop column code, drop column generation, drop column route_number, drop column plan_asked_at, drop column plan_attempts, drop column plan_change_id;
    alter table route_version drop constraint input_with_its_facts, drop column generation, drop column format, drop column process, drop column input,
      drop column facts_sha256;
    alter table customer_order drop column code, drop column customer_key, drop column lines_given, drop column pieces, drop column processes,
      drop column garments, drop column search_text, drop column spark;
    delete from artwork_figures f where exists (select 1 from artwork_figures g where g.artwork_id = f.artwork_id and g.job_key = f.job_key and g.analysis > f.analysis);
    alter table artwork_figures drop constraint artwork_figures_pkey, drop column analysis, add primary key (artwork_id, job_key);
    alter table artwork drop column size_bytes;
    drop trigger revise_style on garment_style;
    drop trigger revise_colour on garment_colour;
    drop trigger revise_size on garment_size;
    drop trigger revise_material on material;
    drop trigger revise_machine on machine;
    drop trigger revise_setting on shop_setting;
    drop trigger revise_weighing on weighing;
    drop table shop_change, shop_facts, shop_revision;
    drop function count_revision;
    alter table garment_style
      add check (kind in ('tee', 'performance-shirt', 'sweatshirt', 'hoodie', 'bib', 'cap-five', 'cap-six', 'cap-stretch', 'tote', 'apron',
        'cushion', 'mask', 'jeans', 'patch')), add check (construction in ('knit', 'woven', 'fleece'));
    alter table garment_colour add check (tone in ('light', 'tint', 'dark'));
    alter table material add check (kind in ('film', 'powder', 'ink', 'pretreatment', 'cover-sheet', 'tape', 'bought-in'));
    alter table machine add check (kind in ('printer', 'sprayer', 'press', 'cap-press', 'hand-iron', 'oven', 'griddle', 'rack', 'cooling-table'));
    alter table artwork add check (format in ('png', 'jpeg', 'tiff', 'svg')),
      add check (rights in ('unasked', 'own', 'licensed', 'customer-assures', 'refused'));
    alter table proof_answer add check (verdict in ('approved', 'changes-wanted'));
    alter table shop_setting add check (key in ('house', 'rates'));
    alter table customer_order add check (state in ('needs-art', 'planning', 'failed', 'ready', 'running', 'done', 'cancelled'));
    alter table order_line add check (state in ('needs-art', 'planning', 'failed', 'ready', 'running', 'done')),
      add check (process in ('dtg', 'dtf', 'dtf-platen', 'sub-film', 'bought-in', 'patch-cap'));
    alter table run_event add check (kind in
      ('step-started', 'step-completed', 'reading-taken', 'piece-inspected', 'problem-raised', 'problem-cleared', 'undone'));
    alter table outcome add check (verdict in ('good', 'reprint', 'scrap'));
  `,
};
