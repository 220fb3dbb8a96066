import { CURES } from '@saltflat/core/shelf';
import { Type } from 'typebox';
import { TransferSheet } from './catalogue.ts';
import { Process } from './process.ts';
import { RIGHTS } from './rights.ts';
import { Id, Instant, PrintId, longText, nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

const MOST_TRANSFERS = 100_000;
const count = (title: string, minimum: number) => Type.Integer({ title, minimum, maximum: MOST_TRANSFERS });
const Line = strictObject({ lineId: Id, orderId: Id, code: Type.String(), customer: Type.String() });

export const ORIGINS = ['made', 'bought', 'found'] as const;

/** Transfers of one kind that were made, or came, together. */
export const ShelfPacket = strictObject({
  id: Id,
  /** “P-7”: numbers count up and are given once. */
  code: Type.String(),
  /** The kind of transfer it is: its record among the materials, with how it is pressed. */
  materialId: Id,
  name: Type.String(),
  artwork: Type.String(),
  /** `null` where no artwork of that name is here. */
  artworkId: nullable(Id),
  widthMm: Type.Number(),
  /** What its sheet asks for. */
  instructions: TransferSheet,
  keepsDays: Type.Integer(),
  centsEach: Type.Number(),
  origin: Type.Enum([...ORIGINS]),
  /** The run that made it. */
  runId: nullable(Id),
  madeAt: Instant,
  by: Type.String(),
  cure: Type.Enum([...CURES]),
  /** What it was made with, or the supplier’s own lot. */
  lots: Type.Array(strictObject({ material: Type.String(), lot: Type.String() })),
  note: Type.String(),
  /** That were put in it. */
  pieces: Type.Integer(),
  left: Type.Integer(),
  onFloor: Type.Integer(),
  reserved: Type.Array(strictObject({ ...Line.properties, pieces: Type.Integer() })),
  free: Type.Integer(),
  /** Whose image it is, as far as the shop has asked. */
  rights: Type.Enum([...RIGHTS]),
});
export type ShelfPacket = Static<typeof ShelfPacket>;

/** A kind of transfer of which so many are to lie ready. */
export const ShelfWish = strictObject({
  materialId: Id,
  name: Type.String(),
  artwork: Type.String(),
  artworkId: nullable(Id),
  /** As many as are to be free. */
  wished: Type.Integer(),
  free: Type.Integer(),
  /** Printed for the shelf by lines that are not done. */
  coming: Type.Integer(),
  /** Neither free nor on its way. */
  missing: Type.Integer({ minimum: 0 }),
  /** The line whose print it is printed like; `null` where none here was printed so. */
  like: nullable(
    strictObject({ orderId: Id, lineId: Id, code: Type.String(), print: PrintId, size: Type.String() }),
  ),
  /** Who sells it; `null` for what is made here. */
  supplier: nullable(
    strictObject({ name: Type.String(), minimum: Type.Integer(), leadDays: Type.Integer() }),
  ),
});
export type ShelfWish = Static<typeof ShelfWish>;
export const ShelfWishes = strictObject({ wishes: Type.Array(ShelfWish) });
export type ShelfWishes = Static<typeof ShelfWishes>;

/** Has so many of a kind printed for the shelf. */
export const ShelfPrintInput = strictObject({
  materialId: Type.String({ title: 'Kind of transfer', format: 'uuid' }),
  pieces: Type.Integer({ title: 'Transfers', minimum: 1, maximum: 9999 }),
});
export type ShelfPrintInput = Static<typeof ShelfPrintInput>;

/** What lies on the shelf, kind by kind, the oldest of each first. */
export const Shelf = strictObject({ packets: Type.Array(ShelfPacket), isMore: Type.Boolean() });
export type Shelf = Static<typeof Shelf>;
export const ShelfQuery = strictObject({
  /** Empty packets too. */
  all: Type.Optional(Type.Boolean()),
});

const came = {
  pieces: count('Transfers', 1),
  madeAt: Type.String({ title: 'Made or came on', format: 'date-time' }),
  cure: Type.Enum([...CURES], { title: 'Powder is' }),
  lot: Type.String({ title: 'Lot', maxLength: 60 }),
  note: longText('Note', 500),
  by: shortText('Who', 60),
};

/** A packet of a kind that is known. */
export const ShelfPacketInput = strictObject({
  materialId: Type.String({ title: 'Kind of transfer', format: 'uuid' }),
  ...came,
});
export type ShelfPacketInput = Static<typeof ShelfPacketInput>;

/** The first packet of a kind that a supplier made: it is pressed as all of that supplier’s are. */
export const BoughtPacketInput = strictObject({
  supplierId: Type.String({ title: 'Supplier', format: 'uuid' }),
  /** By its name: the newest of that name is meant. */
  artwork: shortText('Artwork', 200),
  widthMm: Type.Number({ title: 'Print, wide', exclusiveMinimum: 0, maximum: 2000, quantity: 'length' }),
  centsEach: Type.Integer({ title: 'Price each', minimum: 0, maximum: 1_000_000 }),
  ...came,
});
export type BoughtPacketInput = Static<typeof BoughtPacketInput>;

/** What is done with a packet by hand. */
export const SHELF_MOVES = ['reserved', 'freed', 'sold', 'thrown', 'counted'] as const;
export type ShelfMove = (typeof SHELF_MOVES)[number];

export const ShelfMoveInput = strictObject({
  kind: Type.Enum([...SHELF_MOVES], { title: 'What' }),
  /** Of a count: how many lie there. */
  pieces: count('Transfers', 0),
  /** Whose they are to be, or were. */
  lineId: nullable(Id),
  why: longText('Why', 300),
  by: shortText('Who', 60),
});
export type ShelfMoveInput = Static<typeof ShelfMoveInput>;

/** A line that a packet’s transfers would do for, whether it is planned with them or not. */
export const ShelfLine = strictObject({
  ...Line.properties,
  dueAt: Instant,
  print: Type.String(),
  process: Process,
  pieces: Type.Integer(),
  /** Kept for it of this kind, in whatever packet. */
  kept: Type.Integer(),
});
export type ShelfLine = Static<typeof ShelfLine>;

/** A packet with all that became of it. */
export const ShelfPacketWhole = strictObject({
  packet: ShelfPacket,
  /** Transfers of its kind that are free, in all packets: what is kept for a line comes out of the oldest. */
  freeOfKind: Type.Integer(),
  /** Newest first. */
  history: Type.Array(
    strictObject({
      at: Instant,
      /** Empty for what runs do. */
      by: Type.String(),
      kind: Type.Enum([...SHELF_MOVES, 'floor', 'taken']),
      pieces: Type.Integer(),
      line: nullable(Type.String()),
      why: Type.String(),
      /** Of what was sold: whose image it was then said to be. */
      rights: nullable(Type.Enum([...RIGHTS])),
    }),
  ),
  lines: Type.Array(ShelfLine),
});
export type ShelfPacketWhole = Static<typeof ShelfPacketWhole>;

/** What a run has to do with the shelf: what it takes, out of which packets, the oldest first. */
export const ShelfUses = strictObject({
  uses: Type.Array(
    strictObject({
      lineKey: Type.String(),
      print: Type.String(),
      code: Type.String(),
      name: Type.String(),
      madeAt: Instant,
      cure: Type.Enum([...CURES]),
      keepsDays: Type.Integer(),
      pieces: Type.Integer(),
      taken: Type.Integer(),
    }),
  ),
  /** Packets with what was left over of its own film. */
  leftOver: Type.Array(strictObject({ id: Id, code: Type.String(), pieces: Type.Integer() })),
});
export type ShelfUses = Static<typeof ShelfUses>;

/** Who puts on the shelf what no piece of a run needed. */
export const LeftOverInput = strictObject({ by: shortText('Who', 60) });

export const ShelfLabelsQuery = strictObject({
  packets: Type.String({
    title: 'Packets',
    pattern: '^[0-9a-f-]{36}(,[0-9a-f-]{36}){0,99}$',
    help: 'their ids with commas between, 100 at most',
  }),
  paper: Type.Optional(Type.Enum(['a4', 'letter'], { title: 'Paper' })),
});
