import type { ArtJob } from '@saltflat/core/artwork';
import { Type } from 'typebox';
import { strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

const Hex = (title: string) => Type.String({ title, pattern: '^#[0-9a-fA-F]{6}$' });
const between = (title: string, minimum: number, maximum: number) => Type.Number({ title, minimum, maximum });

const knockOutFields = {
  hex: Hex('Colour to take out'),
  tol: between('Tolerance', 0, 100),
  soft: between('Fade', 0, 100),
  mode: Type.Enum(['global', 'flood'], { title: 'Where' }),
  decontaminate: Type.Optional(Type.Boolean({ title: 'Take the colour out of faded edges' })),
};
const isOff = Type.Optional(Type.Boolean({ title: 'Switched off' }));
const step = <K extends string, P extends Record<string, ReturnType<typeof Type.Number>>>(
  kind: K,
  fields: P,
) => strictObject({ kind: Type.Literal(kind), ...fields, isOff });

/** One thing done to a file before it is printed; see the core's `ArtStep`. */
export const ArtStepDocument = Type.Union(
  [
    strictObject({ kind: Type.Literal('knock-out'), ...knockOutFields, isOff }),
    step('crop-margin', {}),
    strictObject({
      kind: Type.Literal('remove-checkerboard'),
      greys: Type.Tuple([Hex('First grey'), Hex('Second grey')]),
      cellPx: between('Square, px', 1, 2000),
      isOff,
    }),
    step('harden-edges', { threshold: between('Threshold', 1, 255) }),
    step('screen-soft', { cellMm: between('Distance of the dots, mm', 0.5, 5) }),
    step('thicken', {
      thinnerThanMm: between('Thinner than, mm', 0.05, 5),
      byMm: between('Thicken by, mm', 0.01, 3),
    }),
    step('drop-specks', { smallerThanMm2: between('Smaller than, mm²', 0.001, 100) }),
    step('perforate', { holeMm: between('Hole, mm', 0.8, 10), pitchMm: between('Pitch, mm', 1.2, 50) }),
  ],
  { title: 'Step' },
);
export const ArtSteps = Type.Array(ArtStepDocument, { title: 'Steps', maxItems: 30 });

const Share = (title: string) => between(title, 0, 1);

/** Settings of a print on the command line; each stands in for the process's default. */
const Settings = strictObject({
  /** Underbase. */
  ub: Type.Optional(
    strictObject({
      chokeMm: Type.Optional(between('Choke, mm', 0, 20)),
      density: Type.Optional(Share('White density')),
      minDot: Type.Optional(Share('Smallest dot')),
      gamma: Type.Optional(Type.Number({ title: 'White gamma', exclusiveMinimum: 0, maximum: 5 })),
      near0: Type.Optional(between('Near garment, from', 0, 100)),
      near1: Type.Optional(between('Near garment, to', 0, 100)),
      lightTints: Type.Optional(Type.Boolean()),
      highlight: Type.Optional(Share('Second white')),
    }),
  ),
  laydown: Type.Optional(
    strictObject({
      colourMlM2: Type.Optional(between('Colour ink, ml/m²', 0, 1000)),
      whiteMlM2: Type.Optional(between('White ink, ml/m²', 0, 1000)),
      highlightMlM2: Type.Optional(between('Second white, ml/m²', 0, 1000)),
      powderGM2: Type.Optional(between('Powder, g/m²', 0, 1000)),
      powderRimMm: Type.Optional(between('Powder rim, mm', 0, 5)),
      pretreatmentGM2: Type.Optional(between('Pretreatment, g/m²', 0, 2000)),
    }),
  ),
  separation: Type.Optional(
    strictObject({
      blackFrom: Type.Optional(between('Black from', 0, 0.99)),
      blackGamma: Type.Optional(Type.Number({ title: 'Black gamma', exclusiveMinimum: 0, maximum: 5 })),
      blackStrength: Type.Optional(Share('Black strength')),
      underColourRemoval: Type.Optional(Share('Under-colour removal')),
      totalInk: Type.Optional(between('Total ink', 1, 4)),
    }),
  ),
});

/** How an artwork is to be judged, as the command line reads it. */
export const ArtworkJob = strictObject({
  format: Type.Literal(2),
  widthMm: Type.Number({ title: 'Printed width, mm', exclusiveMinimum: 0, maximum: 5000 }),
  garment: Hex('Garment colour'),
  process: Type.Enum(['dtf', 'dtg-dark', 'dtg-light', 'sub'], { title: 'Process' }),
  steps: Type.Optional(ArtSteps),
  settings: Type.Optional(Settings),
});
export type ArtworkJob = Static<typeof ArtworkJob>;

/** The job as the core reads it. */
export function artJobOf({ widthMm, garment, process, steps = [], settings = {} }: ArtworkJob): ArtJob {
  const { near0, near1, ...underbase } = settings.ub ?? {};
  const nearGarment =
    near0 === undefined && near1 === undefined ? {} : { nearGarment: { from: near0 ?? 3, to: near1 ?? 10 } };
  return {
    widthMm,
    garment: garment.toLowerCase(),
    process,
    steps,
    underbase: { ...underbase, ...nearGarment },
    laydown: settings.laydown ?? {},
    separation: settings.separation ?? {},
  };
}
