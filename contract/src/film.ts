import { Type } from 'typebox';
import { ArtSteps } from './artworkJob.ts';
import { Process } from './process.ts';
import { Id, Instant, PrintId, nullable, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

/** A thing of the set-up that film is made with. */
const Thing = strictObject({ id: Id, name: Type.String() });

/** Transfers of one print of a line that is ready for the floor: what can be laid on film. */
export const WaitingTransfers = strictObject({
  lineId: Id,
  orderId: Id,
  code: Type.String(),
  /** The version of its route that says so. */
  routeNumber: Type.Integer(),
  customer: Type.String(),
  dueAt: Instant,
  garment: Type.String(),
  colourHex: Type.String(),
  /** `null` where the print has none any more. */
  artworkId: nullable(Id),
  /** What is done to the file before it is printed. */
  steps: ArtSteps,
  print: PrintId,
  /** Where on the garment it goes, to be translated. */
  place: Type.String(),
  process: Process,
  film: Thing,
  powder: nullable(Thing),
  printer: nullable(Thing),
  /** Time on the printer, s: for each sheet, and for each transfer on it. */
  printS: strictObject({ sheet: Type.Number(), each: Type.Number() }),
  /** Powder that stays on one transfer, g. */
  powderG: Type.Number(),
  /** By size on film, mm: which of the line's transfers, from 1; spares are the last. */
  sizes: Type.Array(
    strictObject({
      widthMm: Type.Number(),
      heightMm: Type.Number(),
      slots: Type.Array(Type.Integer({ minimum: 1 })),
    }),
  ),
  spares: Type.Integer({ minimum: 0 }),
  /** They are made to be kept: one that is lost is one fewer on the shelf. */
  isForShelf: Type.Boolean(),
  /** Where they were spoiled and are printed again for a run that goes on; `null` for a line that has not begun. */
  again: nullable(
    strictObject({
      runId: Id,
      /** By their names within that run, in the order of their slots. */
      parts: Type.Array(Type.String(), { minItems: 1 }),
      /** What was seen of those that were lost. */
      faults: Type.Array(Type.String()),
      /** Film, ink and powder that they cost once more, cents. */
      cents: Type.Number(),
    }),
  ),
});
export type WaitingTransfers = Static<typeof WaitingTransfers>;

/** What waits for film, soonest due first. */
export const FilmWaiting = strictObject({
  items: Type.Array(WaitingTransfers),
  /** There are more lines than are looked at. */
  isMore: Type.Boolean(),
  /** Rolls that were begun, by film: what the layout put on the floor last has left on them. */
  rolls: Type.Array(strictObject({ filmId: Id, leftMm: Type.Number(), after: Type.String() })),
  /** Transfers that this shop has printed, and lost before they were on a piece: of the lines it finished last. */
  spoilage: strictObject({ made: Type.Integer(), lost: Type.Integer() }),
});
export type FilmWaiting = Static<typeof FilmWaiting>;
