import type { Migration } from '../migration.ts';

/** The house says how pieces go on at the floor; a shop from before works as it did, one piece after the other. */
export const pieceFlow: Migration = {
  name: '20260411T0900-piece-flow',
  up: `
    update shop_setting set document = document || '{"pieceFlow": "through"}'
    where key = 'house' and not document ? 'pieceFlow';
  `,
  down: `
    update shop_setting set document = document - 'pieceFlow' where key = 'house';
  `,
};
