import { TURNS } from '@saltflat/core/film';
import { Type } from 'typebox';
import { WaitingTransfers } from './film.ts';
import { MOST_LINES } from './runs.ts';
import {
  Cursor,
  Id,
  Instant,
  MOST_ROWS,
  PrintId,
  nullable,
  shortText,
  strictObject,
  stretch,
} from './scalars.ts';
import type { Static } from './scalars.ts';

/** A length on film, mm. */
const mm = (title: string, maximum: number) =>
  Type.Number({ title, minimum: 0, maximum, quantity: 'length' });
const LONGEST_MM = 20_000; // of any roll that is cut

/** How transfers are laid. */
export const LaySettings = strictObject({
  cutting: Type.Enum(['trimmer', 'knife', 'scissors'], { title: 'Cut apart with' }),
  gapMm: mm('Between two pieces', 50),
  edgeMm: mm('Along the edges', 100),
  mayTurn: Type.Boolean({ title: 'Pieces may be turned' }),
  /** Of a roll: the longest piece, mm. */
  longestMm: mm('Longest piece of roll', LONGEST_MM),
  /** Of a roll that was begun: what is left on it, mm; `null` where there is enough. */
  rollLeftMm: nullable(mm('Left on the roll', 1_000_000)),
  /** Sheets of another size, in place of what the film comes as: off-cuts, what is left of a roll. */
  offcut: nullable(
    strictObject({ widthMm: mm('Off-cut, wide', LONGEST_MM), heightMm: mm('Off-cut, long', LONGEST_MM) }),
  ),
  /** Boxes, or outlines where those are poorly filled; others may lie in their holes or not. */
  outlines: Type.Enum(['boxes', 'filled', 'with-holes'], { title: 'Pieces lie by' }),
});
export type LaySettings = Static<typeof LaySettings>;

/** What is printed on film beside the pieces. */
export const MarkWishes = strictObject({
  isCoded: Type.Boolean({ title: 'Codes beside the pieces' }),
  isHeaded: Type.Boolean({ title: 'Sheet and side' }),
  isTrimmed: Type.Boolean({ title: 'Corners to trim to' }),
  isCutLined: Type.Boolean({ title: 'Lines to cut along' }),
});
export type MarkWishes = Static<typeof MarkWishes>;

/** Of one print beyond what its line wants: as far as a layout is still for its lines. */
const MOST_MORE = 500;

const ItemId = Type.String({ title: 'Item', minLength: 1, maxLength: 80 });
const MOST_PIECES = 5000;

const Mask = strictObject({
  itemId: ItemId,
  widthMm: Type.Integer({ title: 'Wide', minimum: 1, maximum: 2000 }),
  heightMm: Type.Integer({ title: 'High', minimum: 1, maximum: 2000 }),
  /** Row by row the start and length of each run of cells of 1 mm. */
  rows: Type.Array(Type.Array(Type.Integer({ minimum: 0, maximum: 2000 }), { maxItems: 2000 }), {
    title: 'Outline',
    maxItems: 2000,
  }),
});

const PlacementDocument = strictObject({
  key: Type.String({ title: 'Piece', minLength: 3, maxLength: 90 }),
  itemId: ItemId,
  sheet: Type.Integer({ title: 'Sheet', minimum: 0, maximum: 999 }),
  xMm: mm('From the left', LONGEST_MM),
  yMm: mm('From the top', LONGEST_MM),
  turn: Type.Enum([...TURNS], { title: 'Turn' }),
});

const laid = {
  settings: LaySettings,
  marks: MarkWishes,
  masks: Type.Array(Mask, { title: 'Outlines', maxItems: 400 }),
  placements: Type.Array(PlacementDocument, { title: 'Pieces', minItems: 1, maxItems: MOST_PIECES }),
};

/** A layout to be kept: of which lines, by the versions of their routes that were looked at. */
export const FilmLayoutInput = strictObject({
  transfers: Type.Array(
    strictObject({
      lineId: Id,
      print: PrintId,
      routeNumber: Type.Integer({ title: 'Route version', minimum: 1, maximum: MOST_ROWS }),
      /** On the earliest sheets. */
      isFirst: Type.Boolean({ title: 'First' }),
      /** None of it is turned. */
      isUpright: Type.Boolean({ title: 'Upright' }),
      /** Printed beyond what its line wants; to spare, of its largest size. */
      more: Type.Integer({ title: 'More', minimum: 0, maximum: MOST_MORE }),
    }),
    { title: 'Lines', minItems: 1, maxItems: MOST_LINES },
  ),
  ...laid,
  by: shortText('Who', 60),
});
export type FilmLayoutInput = Static<typeof FilmLayoutInput>;

const Named = strictObject({ id: Id, name: Type.String() });

/** A layout as it was kept: with everything it was made of, whatever became of that since. */
export const FilmLayoutDocument = strictObject({
  film: strictObject({
    ...Named.properties,
    widthMm: Type.Number(),
    /** `null` for a roll. */
    heightMm: nullable(Type.Number()),
  }),
  powder: nullable(Named),
  printer: nullable(Named),
  /** Files for it are mirrored: its software does not do it. */
  isMirroredHere: Type.Boolean(),
  transfers: Type.Array(WaitingTransfers),
  /** By name, what lies on the earliest sheets. */
  first: Type.Array(Type.String()),
  /** By name, what is not turned. */
  upright: Type.Array(Type.String()),
  ...laid,
});
export type FilmLayoutDocument = Static<typeof FilmLayoutDocument>;

const head = {
  id: Id,
  /** “F-12”: numbers count up and are given once. */
  code: Type.String(),
  by: Type.String(),
  at: Instant,
  film: Type.String(),
  lines: Type.Array(Type.String()),
  pieces: Type.Integer(),
  sheets: Type.Integer(),
  /** Film it takes along the feed, mm. */
  lengthMm: Type.Number(),
  /** Where it is on the floor; `null` while it is not. */
  runId: nullable(Id),
};
export const FilmLayoutHead = strictObject(head);
export type FilmLayoutHead = Static<typeof FilmLayoutHead>;
export const FilmLayout = strictObject({ ...head, document: FilmLayoutDocument });
export type FilmLayout = Static<typeof FilmLayout>;

export const FilmLayoutPage = stretch(FilmLayoutHead);
export type FilmLayoutPage = Static<typeof FilmLayoutPage>;
export const FilmLayoutQuery = strictObject({
  limit: Type.Optional(Type.Integer({ title: 'Limit', minimum: 1, maximum: 100 })),
  cursor: Type.Optional(Cursor),
});
export type FilmLayoutQuery = Static<typeof FilmLayoutQuery>;

/** Who puts a layout on the floor. */
export const FilmLayoutStart = strictObject({ by: shortText('Who', 60) });

/** Sides a cut file can be for: as the film is printed, or as it is read through. */
export const FILM_SIDES = ['printed', 'through'] as const;

/** Resolutions a print file is made at, pixels per inch: what film printers take (trade range). */
export const PRINT_DPI = { least: 100, usual: 300, most: 1200 } as const;
