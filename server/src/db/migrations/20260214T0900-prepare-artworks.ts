import type { Migration } from '../migration.ts';

export const prepareArtworks: Migration = {
  name: '20260214T0900-prepare-artworks',
  up: `
    create table artwork_preparation (
      id uuid primary key,
      artwork_id uuid not null references artwork,
      number integer not null check (number >= 1),
      steps jsonb not null,
      white jsonb not null,
      by_name text not null check (length(btrim(by_name)) between 1 and 60),
      created_at timestamptz not null default now(),
      unique (artwork_id, number),
      unique (id, artwork_id)
    );
    create trigger artwork_preparation_append_only before update or delete on artwork_preparation
      for each row execute function refuse_change();
    alter table order_line add column preparation_id uuid,
      add constraint preparation_of_this_artwork foreign key (preparation_id, artwork_id) references artwork_preparation (id, artwork_id);

    alter table artwork
      add column rights text not null default 'unasked' check (rights in ('unasked', 'own', 'licensed', 'customer-assures', 'refused')),
      add column rights_note text not null default '',
      add column rights_by text;
    create trigger tell_artwork_rights after update on artwork for each row execute function tell_change('artwork', 'id');

    create table proof_answer (
      id uuid primary key,
      line_id uuid not null references order_line,
      route_version_id uuid references route_version,
      verdict text not null check (verdict in ('approved', 'changes-wanted')),
      customer_name text not null,
      note text not null default '',
      by_name text not null,
      at timestamptz not null default now()
    );
    create index proof_answer_line on proof_answer (line_id, at desc);
    create trigger proof_answer_append_only before update or delete on proof_answer for each row execute function refuse_change();
    create trigger tell_proof after insert on proof_answer for each row execute function tell_change('line', 'line_id');
  `,
  down: `
    drop trigger tell_artwork_rights on artwork;
    alter table artwork drop column rights, drop column rights_note, drop column rights_by;
    alter table order_line drop constraint preparation_of_this_artwork, drop column preparation_id;
    drop table proof_answer, artwork_preparation;
  `,
};
