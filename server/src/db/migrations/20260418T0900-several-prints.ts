import type { Migration } from '../migration.ts';

/** A line has several prints, each with its artwork, place, width and process; what a line had is its first. */
export const severalPrints: Migration = {
  name: '20260418T0900-several-prints',
  up: `
    create table line_print (
      line_id uuid not null references order_line,
      id text not null check (id ~ '^[1-9][0-9]{0,2}$'),
      position integer not null check (position >= 1),
      artwork_id uuid references artwork,
      preparation_id uuid,
      placement text not null,
      drop_mm real not null check (drop_mm between 0 and 700),
      width_mm real not null check (width_mm between 5 and 600),
      process text not null,
      grades jsonb not null,
      primary key (line_id, id),
      constraint preparation_of_this_artwork foreign key (preparation_id, artwork_id) references artwork_preparation (id, artwork_id)
    );
    insert into line_print (line_id, id, position, artwork_id, preparation_id, placement, drop_mm, width_mm, process, grades)
      select id, '1', 1, artwork_id, preparation_id, placement, drop_mm, width_mm, process, grades from order_line;
    create index line_print_artwork on line_print (artwork_id);
    alter table order_line drop constraint art_before_plan, drop constraint preparation_of_this_artwork;
    alter table order_line add prints_given integer not null default 1, drop column artwork_id, drop column preparation_id, drop column placement,
      drop column drop_mm, drop column width_mm, drop column process, drop column grades;
    alter table order_line alter prints_given drop default;
    update shop_setting set document = document || '{"spareTransfers": "none"}'
      where key = 'house' and not document ? 'spareTransfers';
    -- what was done by one process stays so; several are written with a plus
    alter table route_version rename process to processes;
    alter table run_line rename process to processes;
    alter table outcome rename process to processes;
    alter table outcome_tally rename process to processes;
  `,
  down: `
    update shop_setting set document = document - 'spareTransfers' where key = 'house';
    alter table outcome_tally rename processes to process;
    alter table outcome rename processes to process;
    alter table run_line rename processes to process;
    alter table route_version rename processes to process;
    alter table order_line add artwork_id uuid references artwork, add preparation_id uuid, add placement text, add drop_mm real, add width_mm real,
      add process text, add grades jsonb;
    -- the first of a line's prints is the one it keeps
    update order_line l set artwork_id = p.artwork_id, preparation_id = p.preparation_id, placement = p.placement, drop_mm = p.drop_mm,
        width_mm = p.width_mm, process = p.process, grades = p.grades
      from (select distinct on (line_id) * from line_print order by line_id, position) p where p.line_id = l.id;
    alter table order_line alter placement set not null, alter drop_mm set not null, alter width_mm set not null, alter process set not null,
      alter grades set not null, drop column prints_given,
      add constraint art_before_plan check (artwork_id is not null or state = 'needs-art'),
      add constraint preparation_of_this_artwork foreign key (preparation_id, artwork_id) references artwork_preparation (id, artwork_id);
    create index order_line_artwork on order_line (artwork_id);
    drop table line_print;
  `,
};
