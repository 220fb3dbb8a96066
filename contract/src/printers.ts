import { Type } from 'typebox';
import { MissingNozzles } from './care.ts';
import { Id, Instant, nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

/** What a printer does one after the other within a job. */
export const PRINT_LAYERS = ['colour', 'pause', 'white', 'set'] as const;
/** All of it in one job; or colour, cancelled in the pause that follows, and the white as a job of its own. */
export const JOB_PARTS = ['whole', 'first', 'second'] as const;
export const PRINTER_FAULTS = ['none', 'feed', 'head-strike'] as const;

export const PrinterJob = strictObject({
  id: Id,
  runId: Id,
  /** The step of the run that it prints. */
  step: Type.String(),
  /** “K-212 + K-214, 6 transfers”. */
  name: Type.String(),
  part: Type.Enum([...JOB_PARTS]),
  /** What its mode is called, where it has several. */
  mode: Type.String(),
  areaM2: Type.Number(),
  state: Type.Enum(['waiting', 'printing', 'pausing', 'done', 'cancelled', 'failed']),
  /** What is being done, or was last. */
  layer: Type.Enum([...PRINT_LAYERS]),
  /** Of the whole job, 0–1. */
  share: Type.Number(),
  /** s of its own time: a stand-in may run quicker. */
  leftS: Type.Number(),
  /** Ink laid down so far, ml. */
  colourMl: Type.Number(),
  whiteMl: Type.Number(),
  /** White went on colour that nobody had dried. */
  isWet: Type.Boolean(),
  /** What went wrong, and what to do. */
  fault: nullable(Type.String()),
});
export type PrinterJob = Static<typeof PrinterJob>;

/** A printer that says what it does. */
export const FilmPrinter = strictObject({
  machineId: Id,
  name: Type.String(),
  isSimulated: Type.Boolean(),
  whiteJobs: Type.Enum(['one', 'two']),
  /** In its tanks, ml. */
  colourMl: Type.Number(),
  whiteMl: Type.Number(),
  tankMl: Type.Number(),
  /** In the order they were sent; those that are over for as long as the printer remembers them. */
  jobs: Type.Array(PrinterJob),
  /** It prints nothing until somebody has looked. */
  isHeld: Type.Boolean(),
  /** The test pattern it printed last; `null` where it printed none since it was switched on. */
  pattern: nullable(strictObject({ at: Instant, missing: MissingNozzles })),
  /** Of a printer with a platen: how many steps up it stands, and whether its sensor objects to what lies on it. */
  platen: nullable(strictObject({ step: Type.Integer(), isObjecting: Type.Boolean() })),
  /** How the stand-in is driven. */
  drive: strictObject({
    speed: Type.Number(),
    nextFault: Type.Enum([...PRINTER_FAULTS]),
    garmentMm: Type.Number(),
  }),
});
export type FilmPrinter = Static<typeof FilmPrinter>;

export const PrinterJobInput = strictObject({
  runId: Id,
  step: shortText('Step', 20_000),
  part: Type.Enum([...JOB_PARTS], { title: 'Part' }),
});
export type PrinterJobInput = Static<typeof PrinterJobInput>;

/** The platen goes up or down, step by step. */
export const PlatenMove = strictObject({ by: Type.Integer({ title: 'Steps', minimum: -40, maximum: 40 }) });

/** Turns the knobs of a simulated printer; what is left out stays. */
export const PrinterDrive = strictObject({
  speed: Type.Optional(Type.Number({ title: 'Times as fast', minimum: 1, maximum: 600 })),
  nextFault: Type.Optional(Type.Enum([...PRINTER_FAULTS], { title: 'Goes wrong next' })),
  colourMl: Type.Optional(Type.Number({ title: 'Colour, ml', minimum: 0, maximum: 5000 })),
  whiteMl: Type.Optional(Type.Number({ title: 'White, ml', minimum: 0, maximum: 5000 })),
  clogged: Type.Optional(Type.Integer({ title: 'Clogged nozzles', minimum: 0, maximum: 30 })),
  /** Lets it stand for so long. */
  standH: Type.Optional(Type.Number({ title: 'Left standing, h', minimum: 0, maximum: 1000 })),
  garmentMm: Type.Optional(Type.Number({ title: 'Thickness on the platen, mm', minimum: 0, maximum: 25 })),
});
export type PrinterDrive = Static<typeof PrinterDrive>;
