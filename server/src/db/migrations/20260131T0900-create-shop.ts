import type { Migration } from '../migration.ts';

export const createShop: Migration = {
  name: '20260131T0900-create-shop',
  up: `
    create table customer (
      id uuid primary key,
      name text not null check (length(btrim(name)) between 1 and 120),
      created_at timestamptz not null default now()
    );
    create unique index customer_name on customer (lower(name));

    create table garment_style (
      id uuid primary key,
      name text not null unique,
      kind text not null check (kind in ('tee', 'hoodie', 'bib', 'tote', 'cap')),
      cotton real not null check (cotton between 0 and 1),
      polyester real not null check (polyester between 0 and 1),
      elastane real not null check (elastane between 0 and 1),
      other real not null check (other between 0 and 1),
      construction text not null check (construction in ('knit', 'woven', 'fleece')),
      mass_g_m2 real not null check (mass_g_m2 > 0),
      max_press_c real check (max_press_c between 60 and 250),
      constraint fibres_are_whole check (abs(cotton + polyester + elastane + other - 1) < 0.001)
    );
    create table garment_colour (
      id uuid primary key,
      style_id uuid not null references garment_style,
      position integer not null,
      name text not null,
      hex text not null check (hex ~ '^#[0-9a-f]{6}$'),
      tone text not null check (tone in ('light', 'tint', 'dark')),
      unique (style_id, name)
    );
    create table garment_size (
      style_id uuid not null references garment_style,
      size text not null,
      position integer not null,
      cents integer not null check (cents >= 0),
      primary key (style_id, size)
    );

    create table material (
      id uuid primary key,
      kind text not null check (kind in ('film', 'powder', 'ink', 'pretreatment', 'cover-sheet')),
      name text not null,
      position integer not null,
      properties jsonb not null,
      unique (kind, name)
    );
    create table machine (
      id uuid primary key,
      kind text not null check (kind in ('press', 'oven', 'printer')),
      name text not null,
      position integer not null,
      properties jsonb not null,
      unique (kind, name)
    );

    create table blob (
      sha256 text primary key check (sha256 ~ '^[0-9a-f]{64}$'),
      media_type text not null,
      bytes bytea not null,
      created_at timestamptz not null default now()
    );
    create table artwork (
      id uuid primary key,
      sha256 text not null unique references blob,
      name text not null,
      format text not null check (format in ('png', 'jpeg', 'tiff', 'svg')),
      width_px integer not null check (width_px >= 1),
      height_px integer not null check (height_px >= 1),
      reading_notes text[] not null,
      thumbnail bytea not null,
      created_at timestamptz not null default now()
    );
    create table artwork_figures (
      artwork_id uuid not null references artwork,
      job_key text not null,
      figures jsonb not null,
      primary key (artwork_id, job_key)
    );
  `,
  down: `drop table artwork_figures, artwork, blob, machine, material, garment_size, garment_colour, garment_style, customer;`,
};
