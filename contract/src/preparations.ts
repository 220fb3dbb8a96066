import { Type } from 'typebox';
import { ArtSteps } from './artworkJob.ts';
import { ArtFinding } from './artworkReport.ts';
import { Process } from './process.ts';
import { RIGHTS } from './rights.ts';
import { SettingOverride } from './routes.ts';
import { Id, Instant, PrintId, nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

const Share = (title: string) => Type.Number({ title, minimum: 0, maximum: 1 });

/** White settings that belong to the artwork rather than to one route: how it is separated. */
export const WhiteSettings = strictObject({
  minDot: Type.Optional(Share('Smallest dot')),
  gamma: Type.Optional(Type.Number({ title: 'White gamma', exclusiveMinimum: 0, maximum: 5 })),
  nearGarment: Type.Optional(
    strictObject({
      from: Type.Number({ title: 'Near garment, from', minimum: 0, maximum: 100 }),
      to: Type.Number({ title: 'Near garment, to', minimum: 0, maximum: 100 }),
    }),
  ),
  highlight: Type.Optional(Share('Second white')),
});
export type WhiteSettings = Static<typeof WhiteSettings>;

/** One way an artwork is made ready: steps and white, kept for ever under a number. The original file is never touched. */
export const Preparation = strictObject({
  id: Id,
  artworkId: Id,
  number: Type.Integer(),
  steps: ArtSteps,
  white: WhiteSettings,
  byName: Type.String(),
  createdAt: Instant,
});
export type Preparation = Static<typeof Preparation>;

/** Steps, white and width one of a line's prints is to be made with, and the route's overrides that go with them. */
export const PreparationInput = strictObject({
  print: PrintId,
  steps: ArtSteps,
  white: WhiteSettings,
  widthMm: Type.Number({ title: 'Printed width, mm', minimum: 5, maximum: 600 }),
  /** Leave out to keep those of the route. */
  overrides: Type.Optional(Type.Array(SettingOverride, { title: 'Overrides', maxItems: 60 })),
  /** Route version the person was looking at; `null` where there was none. */
  basedOn: nullable(Type.Integer({ title: 'Based on version', minimum: 1 })),
  by: shortText('Who', 60),
});
export type PreparationInput = Static<typeof PreparationInput>;

/** A way to make an artwork ready, before any line has it. */
export const NewPreparation = strictObject({
  steps: ArtSteps,
  white: WhiteSettings,
  by: shortText('Who', 60),
});
export type NewPreparation = Static<typeof NewPreparation>;

/** A print as an artwork is judged for it: on which garment, how wide, made ready how. */
export const JudgementQuery = strictObject({
  artworkId: Type.String({ format: 'uuid', title: 'Artwork' }),
  preparationId: Type.Optional(nullable(Type.String({ format: 'uuid', title: 'Preparation' }))),
  styleId: Type.String({ format: 'uuid', title: 'Garment' }),
  colourId: Type.String({ format: 'uuid', title: 'Garment colour' }),
  widthMm: Type.Number({ title: 'Printed width, mm', minimum: 5, maximum: 600 }),
  process: Process,
  /** Of a large picture the answer at a first look is enough for now. */
  isFirstLookEnough: Type.Optional(Type.Boolean({ title: 'A first look is enough' })),
});
export type JudgementQuery = Static<typeof JudgementQuery>;
/** What stands out in an artwork as it would be printed, worst first. */
export const Judgement = strictObject({
  findings: Type.Array(ArtFinding),
  /** It was looked at in small: all of its pixels may tell more. */
  isFirstLook: Type.Boolean(),
});
export type Judgement = Static<typeof Judgement>;

/** Whose image it is, asked once per artwork. */
export const RightsInput = strictObject({
  rights: Type.Enum(
    RIGHTS.filter((one) => one !== 'unasked'),
    { title: 'Whose image it is' },
  ),
  note: Type.String({ title: 'Note', maxLength: 500 }),
  by: shortText('Who', 60),
});
export type RightsInput = Static<typeof RightsInput>;

/** What a customer said to a proof. */
export const ProofAnswerInput = strictObject({
  verdict: Type.Enum(['approved', 'changes-wanted'], { title: 'Answer' }),
  /** Who answered for the customer. */
  customerName: shortText('Name of who answered', 120, 'Who answered for the customer?'),
  note: Type.String({ title: 'Note', maxLength: 500 }),
  by: shortText('Who', 60),
});
export type ProofAnswerInput = Static<typeof ProofAnswerInput>;

export const ProofAnswer = strictObject({
  id: Id,
  lineId: Id,
  routeNumber: nullable(Type.Integer()),
  verdict: Type.Enum(['approved', 'changes-wanted']),
  customerName: Type.String(),
  note: Type.String(),
  byName: Type.String(),
  at: Instant,
});
export type ProofAnswer = Static<typeof ProofAnswer>;
