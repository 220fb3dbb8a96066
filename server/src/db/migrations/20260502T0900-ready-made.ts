import type { Migration } from '../migration.ts';

/** Blanks bought pretreated, transfers that lie ready, what holds film on a platen, and what warming up costs. */
export const readyMade: Migration = {
  name: '20260502T0900-ready-made',
  up: `
    alter table garment_style add pretreated jsonb;
    update machine set properties = '{"gripPadMm": null}' || properties where kind = 'printer';
    update shop_setting set document = '{"patchTransfer": "here"}' || document where key = 'house';
    update shop_setting set document = '{"linesPerWarmUp": 5}' || document where key = 'rates';
  `,
  // what lay ready is bought then, as near as a program gets that does not know the shelf
  down: `
    update line_print set process = 'bought-in' where process = 'shelf';
    update order_line set house = house - 'patchTransfer';
    update shop_setting set document = document - 'linesPerWarmUp' where key = 'rates';
    update shop_setting set document = document - 'patchTransfer' where key = 'house';
    update machine set properties = properties - 'gripPadMm' where kind = 'printer';
    delete from material_lot where material_id in (select id from material where kind in ('shelf-transfer', 'liquid'));
    delete from material where kind in ('shelf-transfer', 'liquid');
    alter table garment_style drop column pretreated;
  `,
};
