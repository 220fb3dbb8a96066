import { BLANK_KINDS } from '@saltflat/core/blank';
import { MOST_PRINTS } from '@saltflat/core/route';
import { Type } from 'typebox';
import { ArtSteps } from './artworkJob.ts';
import { ArtFinding } from './artworkReport.ts';
import { Artwork } from './artworks.ts';
import { GarmentColour } from './catalogue.ts';
import { Process } from './process.ts';
import { PLACEMENT_KEYS } from './placements.ts';
import { Preparation, ProofAnswer } from './preparations.ts';
import { HouseChoices } from './shopSettings.ts';
import {
  Cursor,
  Id,
  Instant,
  PrintId,
  Version,
  longText,
  nullable,
  page,
  shortText,
  strictObject,
  stretch,
} from './scalars.ts';
import type { Static } from './scalars.ts';

export const SizeQuantity = strictObject({
  size: shortText('Size', 12),
  quantity: Type.Integer({ title: 'Quantity', minimum: 1, maximum: 9999 }),
});

export type SizeQuantity = Static<typeof SizeQuantity>;

/** Sizes that get the artwork at a width of their own. */
export const Grade = strictObject({
  sizes: Type.Array(shortText('Size', 12), { title: 'Sizes', minItems: 1, maxItems: 20 }),
  widthMm: Type.Number({ title: 'Printed width, mm', minimum: 5, maximum: 600 }),
});

/** What a person says about one print of a line. */
export const PrintInput = strictObject({
  /** Present when a print the line has is being changed. */
  id: Type.Optional(PrintId),
  artworkId: nullable(Type.String({ format: 'uuid', title: 'Artwork' })),
  /** Leave out to keep the one the print has, `null` for the file as it came; it must be one of this artwork's. */
  preparationId: Type.Optional(nullable(Type.String({ format: 'uuid', title: 'Preparation' }))),
  placement: Type.Enum([...PLACEMENT_KEYS], { title: 'Placement' }),
  dropMm: Type.Number({
    title: 'Distance below the collar, mm',
    minimum: 0,
    maximum: 700,
    ask: 'Give the distance below the collar, or the upper edge.',
  }),
  widthMm: Type.Number({
    title: 'Printed width, mm',
    minimum: 5,
    maximum: 600,
    ask: 'Give the printed width.',
  }),
  process: Process,
  /** Leave out to keep what the print has; empty for one width in all sizes. */
  grades: Type.Optional(Type.Array(Grade, { title: 'Widths by size', maxItems: 10 })),
});
export type PrintInput = Static<typeof PrintInput>;

/** What a person says about one line: a blank, how many, and every print it gets. */
export const OrderLineInput = strictObject({
  /** Present when an existing line is being changed. */
  id: Type.Optional(Id),
  styleId: Type.String({ format: 'uuid', title: 'Garment' }),
  colourId: Type.String({ format: 'uuid', title: 'Garment colour' }),
  prints: Type.Array(PrintInput, { title: 'Prints', minItems: 1, maxItems: MOST_PRINTS }),
  sizes: Type.Array(SizeQuantity, {
    title: 'Sizes',
    minItems: 1,
    maxItems: 20,
    ask: 'Give the number of pieces in at least one size.',
  }),
  /** Leave out to keep what the line has; empty for the shop's methods throughout. */
  house: Type.Optional(HouseChoices),
});
export type OrderLineInput = Static<typeof OrderLineInput>;

const orderFields = {
  customer: shortText('Customer', 120, 'Say which customer it is for.'),
  dueAt: Type.String({ format: 'date-time', title: 'Due', ask: 'Give the day and hour it is due.' }),
  note: longText('Note'),
  lines: Type.Array(OrderLineInput, { title: 'Lines', minItems: 1, maxItems: 20 }),
};
export const OrderInput = strictObject(orderFields);
export type OrderInput = Static<typeof OrderInput>;
export const OrderChange = strictObject({ ...orderFields, version: Version });
export type OrderChange = Static<typeof OrderChange>;
/** Another file for one print of a line. */
export const ArtworkChoice = strictObject({
  print: PrintId,
  artworkId: Type.String({ format: 'uuid', title: 'Artwork' }),
});
export type ArtworkChoice = Static<typeof ArtworkChoice>;
/** Another process for one print. */
export const ProcessChoice = strictObject({ print: PrintId, process: Process });
export type ProcessChoice = Static<typeof ProcessChoice>;
/** A print made from an artwork, and the number of its preparation. */
export const ArtworkUse = strictObject({
  lineId: Id,
  print: PrintId,
  placement: Type.Enum([...PLACEMENT_KEYS]),
  code: Type.String(),
  customer: Type.String(),
  preparation: nullable(Type.Integer()),
});
export type ArtworkUse = Static<typeof ArtworkUse>;
export const VersionOnly = strictObject({ version: Version });

/**
 * Where a line stands: without art nothing can be planned; a plan that failed says why; art that stops the print is mended
 * or overruled before the line may go on the floor.
 */
export const LINE_STATES = [
  'needs-art',
  'planning',
  'failed',
  'art-to-mend',
  'ready',
  'running',
  'done',
] as const;
export const ORDER_STATES = [...LINE_STATES, 'cancelled'] as const;

/** One print of a line as it stands. */
export const LinePrint = strictObject({
  id: PrintId,
  artwork: nullable(Artwork),
  /** How the artwork is made ready for this print; `null` for the file as it came. */
  preparation: nullable(Preparation),
  placement: Type.Enum([...PLACEMENT_KEYS]),
  dropMm: Type.Number(),
  widthMm: Type.Number(),
  process: Process,
  grades: Type.Array(Grade),
  /** What stood out in the art when the route was planned, worst first, without its places; empty until then. */
  findings: Type.Array(ArtFinding),
});
export type LinePrint = Static<typeof LinePrint>;

/** Somebody has decided that art is printed though something stops the print. */
export const ArtOverrule = strictObject({
  by: Type.String(),
  why: Type.String(),
  at: Instant,
  /** What was overruled, and of which print as it then was: made from other art, otherwise or wider it is asked anew. */
  of: Type.Array(
    strictObject({
      print: PrintId,
      finding: ArtFinding,
      asPrinted: strictObject({
        artworkId: Id,
        steps: ArtSteps,
        widthMm: Type.Number(),
        garment: Type.String(),
      }),
    }),
  ),
});
export type ArtOverrule = Static<typeof ArtOverrule>;
const overruleWords = {
  by: shortText('Who', 60, 'Who are you? The name goes with the print.'),
  why: shortText('Why it is printed all the same', 300, 'Why? The word goes with the print.'),
};
/** What a person says who has art printed as it is. */
export const OverruleWords = strictObject(overruleWords);
export type OverruleWords = Static<typeof OverruleWords>;
export const ArtOverruleInput = strictObject({
  ...overruleWords,
  /** The route that was looked at. */
  basedOn: Type.Integer({ title: 'Based on version', minimum: 1 }),
});
export type ArtOverruleInput = Static<typeof ArtOverruleInput>;

export const OrderLine = strictObject({
  id: Id,
  position: Type.Integer(),
  code: Type.String(),
  styleId: Id,
  styleName: Type.String(),
  styleKind: Type.Enum([...BLANK_KINDS]),
  colour: GarmentColour,
  /** In the order they are written. */
  prints: Type.Array(LinePrint, { minItems: 1 }),
  /** The customer's latest answer to a proof. */
  proof: nullable(ProofAnswer),
  sizes: Type.Array(SizeQuantity),
  house: HouseChoices,
  pieces: Type.Integer(),
  state: Type.Enum([...LINE_STATES]),
  planProblem: nullable(Type.String()),
  /** The route it is made by as it now stands; `null` until that is planned. */
  routeNumber: nullable(Type.Integer()),
  /** `null` where nothing stops the print, or nobody has overruled it. */
  artOverrule: nullable(ArtOverrule),
  activeRunId: nullable(Id),
});
export type OrderLine = Static<typeof OrderLine>;

export const Order = strictObject({
  id: Id,
  code: Type.String(),
  customer: Type.String(),
  dueAt: Instant,
  note: Type.String(),
  state: Type.Enum([...ORDER_STATES]),
  version: Version,
  createdAt: Instant,
  cancelledAt: nullable(Instant),
  lines: Type.Array(OrderLine),
});
export type Order = Static<typeof Order>;

/** A stretch of the small heat trace in a list: how hot (°C), how long (s), whether hands are on it. Without names: a page has hundreds. */
const Spark = Type.Tuple([Type.Number(), Type.Number(), Type.Boolean()]);

export const OrderSummary = strictObject({
  id: Id,
  code: Type.String(),
  customer: Type.String(),
  dueAt: Instant,
  state: Type.Enum([...ORDER_STATES]),
  pieces: Type.Integer(),
  processes: Type.Array(Process),
  garments: Type.Array(Type.String()),
  spark: Type.Array(Spark),
  createdAt: Instant,
});
export type OrderSummary = Static<typeof OrderSummary>;

export const OrderPage = page(OrderSummary);
export type OrderPage = Static<typeof OrderPage>;

/** A line together with what is on its order's ticket. */
export const LineOnOrder = strictObject({
  line: OrderLine,
  orderId: Id,
  customer: Type.String(),
  dueAt: Instant,
  isCancelled: Type.Boolean(),
});
export type LineOnOrder = Static<typeof LineOnOrder>;

/** A line that can be put on the floor. */
/** A line of an open order, as a list to choose from has it. */
export const OpenLine = strictObject({
  lineId: Id,
  orderId: Id,
  state: Type.Enum([...LINE_STATES]),
  /** Of its prints, in the order they are written; `null` where a print has none yet. */
  artworkIds: Type.Array(nullable(Id)),
  code: Type.String(),
  customer: Type.String(),
  dueAt: Instant,
  pieces: Type.Integer(),
  garment: Type.String(),
  colourHex: Type.String(),
  processes: Type.Array(Process),
});
export type OpenLine = Static<typeof OpenLine>;
export const OpenLinesQuery = strictObject({
  /** Leave out for every state but done. */
  state: Type.Optional(Type.Enum([...LINE_STATES], { title: 'State' })),
  limit: Type.Optional(Type.Integer({ title: 'Limit', minimum: 1, maximum: 200 })),
  cursor: Type.Optional(Cursor),
});
export type OpenLinesQuery = Static<typeof OpenLinesQuery>;
export const OpenLines = stretch(OpenLine);
export type OpenLines = Static<typeof OpenLines>;

export const Customer = strictObject({ id: Id, name: Type.String() });
export type Customer = Static<typeof Customer>;
export const CustomerQuery = strictObject({
  search: Type.Optional(Type.String({ title: 'Search', maxLength: 120 })),
});

export const ORDER_SORTS = ['due', 'code', 'customer', 'created'] as const;
export const OrderQuery = strictObject({
  /** Words that must all be there; of three letters or more anywhere, shorter ones at the beginning of a word. */
  search: Type.Optional(Type.String({ title: 'Search', maxLength: 120 })),
  state: Type.Optional(Type.Enum([...ORDER_STATES, 'open'], { title: 'State' })),
  sort: Type.Optional(Type.Enum([...ORDER_SORTS], { title: 'Sort' })),
  direction: Type.Optional(Type.Enum(['asc', 'desc'], { title: 'Direction' })),
  cursor: Type.Optional(Cursor),
  limit: Type.Optional(Type.Integer({ title: 'Limit', minimum: 1, maximum: 200 })),
});
export type OrderQuery = Static<typeof OrderQuery>;
