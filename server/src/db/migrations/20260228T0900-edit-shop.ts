import type { Migration } from '../migration.ts';

/** Blanks, materials and machines become editable, with all that routes for every process read of them. */
export const editShop: Migration = {
  name: '20260228T0900-edit-shop',
  up: `
    alter table garment_style drop constraint garment_style_kind_check, drop constraint fibres_are_whole;
    update garment_style set kind = 'cap-five' where kind = 'cap';
    alter table garment_style
      add maker text not null default '',
      add nylon real not null default 0 check (nylon between 0 and 1),
      add thickness_mm real check (thickness_mm > 0),
      add features text[] not null default '{}',
      add dye_migrates boolean not null default false,
      add areas jsonb not null default '[]',
      add version integer not null default 1 check (version >= 1),
      add retired_at timestamptz,
      add check (kind in ('tee', 'performance-shirt', 'sweatshirt', 'hoodie', 'bib', 'cap-five', 'cap-six', 'cap-stretch', 'tote', 'apron',
        'cushion', 'mask', 'jeans', 'patch')),
      add constraint fibres_are_whole check (abs(cotton + polyester + elastane + nylon + other - 1) < 0.002);
    alter table garment_size add body_width_mm real check (body_width_mm > 0), add collar_drop_mm real check (collar_drop_mm >= 0);

    alter table material drop constraint material_kind_check;
    alter table material
      add maker text not null default '', add lot text not null default '', add stock double precision check (stock >= 0),
      add stock_unit text not null default '', add version integer not null default 1 check (version >= 1), add retired_at timestamptz,
      add check (kind in ('film', 'powder', 'ink', 'pretreatment', 'cover-sheet', 'tape', 'bought-in'));
    update material set properties = '{"pull":"slow","coated":"one","isGlitter":false,"widthMm":600,"heightMm":null}'::jsonb || properties where kind = 'film';
    update material set properties = '{"grain":"medium","meltC":{"min":100,"max":125}}'::jsonb || properties where kind = 'powder';
    update material set properties = (properties - 'process') || jsonb_build_object(
      'use', case properties ->> 'process' when 'dtf' then 'film' else 'textile' end, 'channels', 'CMYKW') where kind = 'ink';
    update material set properties = '{"dryByS":1200}'::jsonb || properties where kind = 'pretreatment';
    update material set properties = '{"purpose":"ink","thicknessMm":0.05,"usesSoFar":0}'::jsonb || properties
      || case properties ->> 'kind' when 'silicone' then '{"kind":"silicone-thin","thicknessMm":1.5}'::jsonb else '{}' end where kind = 'cover-sheet';
    insert into material (id, kind, name, position, properties)
      select gen_random_uuid(), kind, name || ', for pretreatment', position, properties || '{"purpose":"pretreatment"}'::jsonb
      from material where kind = 'cover-sheet' order by position limit 1;

    alter table machine drop constraint machine_kind_check;
    alter table machine
      add maker text not null default '', add version integer not null default 1 check (version >= 1), add retired_at timestamptz,
      add check (kind in ('printer', 'sprayer', 'press', 'cap-press', 'hand-iron', 'oven', 'griddle', 'rack', 'cooling-table'));
    update machine set properties = '{"widthMm":400,"heightMm":500}'::jsonb || properties where kind = 'oven';
    update machine set properties = '{"opening":"clam","isAutoOpening":false,"hasHeatedLower":false,"pressureScale":[]}'::jsonb || properties where kind = 'press';
    update machine set properties = (properties - 'process' - 'minPerM2') || jsonb_build_object(
      'tasks', jsonb_build_array(case properties ->> 'process' when 'dtf' then 'film' else 'direct' end),
      'modes', jsonb_build_array(jsonb_build_object('name', 'standard', 'passes', 8, 'minPerM2', properties -> 'minPerM2')),
      'platens', '[]'::jsonb, 'whiteJobs', 'one', 'isMirroring', true) where kind = 'printer';
    insert into machine (id, kind, name, position, properties)
      select gen_random_uuid(), 'sprayer', 'Sprayer', 0, '{"isHandGun":false,"widthMm":400}'::jsonb
      where exists (select 1 from machine);

    alter table order_line drop constraint order_line_process_check;
    alter table order_line
      add house jsonb not null default '{}', add grades jsonb not null default '[]',
      add check (process in ('dtg', 'dtf', 'dtf-platen', 'sub-film', 'bought-in', 'patch-cap'));

    create table shop_setting (
      key text primary key check (key in ('house', 'rates')),
      document jsonb not null,
      version integer not null default 1 check (version >= 1)
    );

    create trigger tell_style after insert or update on garment_style for each row execute function tell_change('material', 'id');
    create trigger tell_material after insert or update on material for each row execute function tell_change('material', 'id');
    create trigger tell_machine after insert or update on machine for each row execute function tell_change('material', 'id');
    create trigger tell_setting after insert or update on shop_setting for each row execute function tell_change('material', 'key');
  `,
  down: `
    drop trigger tell_style on garment_style;
    drop trigger tell_material on material;
    drop trigger tell_machine on machine;
    drop table shop_setting;
    alter table order_line drop constraint order_line_process_check, drop column house, drop column grades;
    update order_line set process = 'dtf' where process not in ('dtf', 'dtg');
    alter table order_line add check (process in ('dtf', 'dtg'));
    delete from machine where kind not in ('press', 'oven', 'printer');
    alter table machine drop constraint machine_kind_check, drop column maker, drop column version, drop column retired_at,
      add check (kind in ('press', 'oven', 'printer'));
    update machine set properties = properties || jsonb_build_object('process', case when properties -> 'tasks' ? 'direct' then 'dtg' else 'dtf' end,
      'minPerM2', properties #> '{modes,0,minPerM2}') where kind = 'printer';
    delete from weighing where material_id in (select id from material where kind in ('tape', 'bought-in'));
    delete from material where kind in ('tape', 'bought-in');
    alter table material drop constraint material_kind_check, drop column maker, drop column lot, drop column stock, drop column stock_unit,
      drop column version, drop column retired_at,
      add check (kind in ('film', 'powder', 'ink', 'pretreatment', 'cover-sheet'));
    update material set properties = properties || jsonb_build_object('process', case properties ->> 'use' when 'film' then 'dtf' else 'dtg' end) where kind = 'ink';
    alter table garment_size drop column body_width_mm, drop column collar_drop_mm;
    alter table garment_style drop constraint garment_style_kind_check, drop constraint fibres_are_whole;
    update garment_style set kind = case when kind like 'cap-%' then 'cap' when kind in ('tee', 'hoodie', 'bib', 'tote') then kind else 'tee' end,
      other = other + nylon;
    alter table garment_style drop column maker, drop column nylon, drop column thickness_mm, drop column features, drop column dye_migrates,
      drop column areas, drop column version, drop column retired_at,
      add check (kind in ('tee', 'hoodie', 'bib', 'tote', 'cap')),
      add constraint fibres_are_whole check (abs(cotton + polyester + elastane + other - 1) < 0.002);
  `,
};
