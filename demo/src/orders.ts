import type { PlacementKey } from '@saltflat/contract/placements';
import type { HouseMethods, Process } from '@saltflat/core/route';

export interface DemoPrint {
  /** Key of the art; `null` when the customer has not sent it yet. */
  art: string | null;
  placement: PlacementKey;
  widthMm: number;
  process: Process;
}

export interface DemoLine extends DemoPrint {
  style: string;
  colour: string;
  /** What else is printed on the same garment. */
  more?: DemoPrint[];
  sizes: [size: string, quantity: number][];
  /** Where it is done otherwise than the shop does. */
  house?: Partial<HouseMethods>;
}

export interface DemoOrder {
  customer: string;
  /** Days from today to the due date. */
  dueInDays: number;
  note: string;
  lines: DemoLine[];
  /** `done`: run to the end, that many days ago; `running`: this share of the pieces is judged. */
  fate:
    | { kind: 'open' }
    | { kind: 'cancelled' }
    | { kind: 'running'; piecesJudged: number }
    | { kind: 'done'; daysAgo: number };
}

const open = { kind: 'open' } as const;
const CLUB = 'Gull Rock Kite Club';
const WEEK = 'Reed Bay Kite Week';

const NOW: DemoOrder[] = [
  {
    customer: CLUB, dueInDays: 2, note: 'Club colours. Four fingers below the collar.', fate: open,
    lines: [{ style: 'Harbour tee', colour: 'Navy', art: 'kite', placement: 'full-front', widthMm: 240, process: 'dtf', sizes: [['S', 4], ['M', 9], ['L', 7], ['XL', 4]] }],
  },
  {
    customer: WEEK, dueInDays: 1, note: 'Volunteers’ bibs, front only.', fate: { kind: 'running', piecesJudged: 2 },
    lines: [{ style: 'Marker bib', colour: 'Signal orange', art: 'marker', placement: 'full-front', widthMm: 220, process: 'dtf', sizes: [['One size', 6]] }],
  },
  {
    customer: WEEK, dueInDays: 3, note: 'Crew. Print over the front pocket is NOT wanted.', fate: open,
    lines: [{
      style: 'Breakwater hoodie', colour: 'Black', art: 'gull', placement: 'left-chest', widthMm: 90, process: 'dtg',
      more: [{ art: 'crew', placement: 'back', widthMm: 260, process: 'dtf' }], sizes: [['M', 3], ['L', 5], ['XL', 4]],
    }],
  },
  {
    customer: 'Reed Bay Singers', dueInDays: 5, note: '', fate: open,
    lines: [{ style: 'Slipway heather tee', colour: 'Heather grey', art: 'choir', placement: 'full-front', widthMm: 230, process: 'dtf', sizes: [['S', 5], ['M', 6], ['L', 4], ['XL', 3]] }],
  },
  {
    customer: 'Page Isle Books', dueInDays: 7, note: 'Reorder of the spring totes.', fate: open,
    lines: [{ style: 'Canvas tote', colour: 'Natural', art: 'owl', placement: 'tote-front', widthMm: 180, process: 'dtg', sizes: [['One size', 10]] }],
  },
  {
    customer: 'The Mooring Café', dueInDays: -1, note: 'Was promised for yesterday.', fate: open,
    lines: [{ style: 'Harbour tee', colour: 'Brick', art: 'cup', placement: 'left-chest', widthMm: 75, process: 'dtf', sizes: [['S', 2], ['M', 3], ['L', 2]] }],
  },
  {
    customer: 'Night Flight Team', dueInDays: 4, note: 'File came on a black ground: ask before printing.', fate: open,
    lines: [{ style: 'Harbour tee', colour: 'Black', art: 'kite-box', placement: 'full-front', widthMm: 220, process: 'dtg', sizes: [['M', 2], ['L', 2]] }],
  },
  {
    customer: 'Lantern Parade', dueInDays: 6, note: '', fate: open,
    lines: [{ style: 'Harbour tee', colour: 'Navy', art: 'glow', placement: 'full-front', widthMm: 200, process: 'dtf', sizes: [['M', 6], ['L', 6]] }],
  },
  {
    customer: 'Heron Lake Anglers', dueInDays: 9, note: 'Caps. Badge to come as vector.', fate: open,
    lines: [{ style: 'Pier cap', colour: 'Navy', art: null, placement: 'cap-front', widthMm: 70, process: 'dtf', sizes: [['One size', 15]] }],
  },
  {
    customer: 'Lighthouse Keepers', dueInDays: 4, note: 'Patch sewn look, tan.', fate: open,
    lines: [{ style: 'Pier cap', colour: 'Navy', art: 'heron', placement: 'cap-front', widthMm: 60, process: 'patch-cap', sizes: [['One size', 12]] }],
  },
  {
    customer: 'Harbour Regatta', dueInDays: 6, note: 'Thin shirts, keep them cool.', fate: open,
    lines: [{ style: 'Regatta performance shirt', colour: 'Signal red', art: 'compass', placement: 'full-front', widthMm: 200, process: 'dtf', sizes: [['S', 4], ['M', 8], ['L', 6]] }],
  },
  {
    customer: 'The Mooring Café', dueInDays: 10, note: 'Transfers for the shelf, pressed when shirts come.', fate: open,
    lines: [{ style: 'Harbour tee', colour: 'Brick', art: 'cup', placement: 'left-chest', widthMm: 75, process: 'dtf', sizes: [['M', 40]], house: { filmUse: 'stock', powderCure: 'full' } }],
  },
  {
    customer: 'The Mooring Café', dueInDays: 3, note: 'Out of the packet on the shelf.', fate: open,
    lines: [{ style: 'Harbour tee', colour: 'Brick', art: 'cup', placement: 'left-chest', widthMm: 75, process: 'shelf', sizes: [['M', 4], ['XL', 2]] }],
  },
  {
    customer: 'Tide Table Press', dueInDays: 5, note: 'Primed shirts: nothing to spray.', fate: open,
    lines: [{ style: 'Harbour tee, primed', colour: 'Black', art: 'compass', placement: 'full-front', widthMm: 220, process: 'dtg', sizes: [['M', 4], ['L', 4]] }],
  },
  {
    customer: 'Sunset Yoga Deck', dueInDays: 8, note: 'Changed their mind.', fate: { kind: 'cancelled' },
    lines: [{ style: 'Harbour tee', colour: 'Sand', art: 'low', placement: 'full-front', widthMm: 260, process: 'dtg', sizes: [['M', 8]] }],
  },
]; // prettier-ignore

const tee = (colour: string, art: string, widthMm: number, process: Process, sizes: [string, number][]): DemoLine => ({
  style: 'Harbour tee', colour, art, placement: widthMm < 120 ? 'left-chest' : 'full-front', widthMm, process, sizes,
}); // prettier-ignore
const past = (customer: string, daysAgo: number, line: DemoLine): DemoOrder => ({
  customer,
  dueInDays: 1 - daysAgo,
  note: '',
  lines: [line],
  fate: { kind: 'done', daysAgo },
});

const BEFORE: DemoOrder[] = [
  past('Page Isle Books', 20, { style: 'Canvas tote', colour: 'Natural', art: 'owl', placement: 'tote-front', widthMm: 180, process: 'dtg', sizes: [['One size', 8]] }),
  past(CLUB, 18, tee('Navy', 'kite', 240, 'dtg', [['M', 4], ['L', 4]])),
  past('The Mooring Café', 17, tee('Brick', 'cup', 75, 'dtf', [['S', 3], ['M', 3]])),
  past(WEEK, 15, { style: 'Marker bib', colour: 'Lime', art: 'marker', placement: 'full-front', widthMm: 220, process: 'dtf', sizes: [['One size', 10]] }),
  past('Lantern Parade', 13, tee('Navy', 'glow', 200, 'dtg', [['M', 5]])),
  past('Reed Bay Singers', 12, { style: 'Slipway heather tee', colour: 'Heather teal', art: 'choir', placement: 'full-front', widthMm: 230, process: 'dtf', sizes: [['S', 4], ['M', 4], ['L', 2]] }),
  past('Heron Lake Anglers', 9, { style: 'Pier cap', colour: 'Navy', art: 'heron', placement: 'cap-front', widthMm: 70, process: 'dtf', sizes: [['One size', 9]] }),
  past(CLUB, 7, tee('Black', 'compass', 220, 'dtf', [['M', 4], ['L', 4]])),
  past('Night Flight Team', 5, tee('Black', 'kite', 220, 'dtg', [['L', 6]])),
  past(WEEK, 3, { style: 'Breakwater hoodie', colour: 'Bottle green', art: 'gull', placement: 'left-chest', widthMm: 90, process: 'dtf', sizes: [['M', 4], ['L', 4]] }),
  past('The Mooring Café', 2, tee('White', 'programme', 220, 'dtg', [['M', 5], ['L', 3]])),
]; // prettier-ignore

/** Orders of the weeks before the kite festival: the finished ones first, as they came in. */
export const DEMO_ORDERS: readonly DemoOrder[] = [...BEFORE, ...NOW];
