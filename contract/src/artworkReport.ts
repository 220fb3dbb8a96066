import type { ArtFigures, Finding } from '@saltflat/core/artwork';
import { FINDING_CODES } from '@saltflat/core/artwork';
import { Type } from 'typebox';
import { ArtStepDocument } from './artworkJob.ts';
import { nullable, strictObject } from './scalars.ts';

const Count = Type.Integer({ minimum: 0 });
const Amount = Type.Number({ minimum: 0 });
const Share = Type.Number({ minimum: 0, maximum: 1.000001 });
const Box = strictObject({ x: Type.Number(), y: Type.Number(), w: Type.Number(), h: Type.Number() });
const Pair = Type.Tuple([Count, Count]);
const Channels = (value: typeof Amount) =>
  strictObject({ c: value, m: value, y: value, k: value, w: value, h: value });

const OpaqueBox = Type.Union([
  strictObject({ kind: Type.Literal('none') }),
  strictObject({
    kind: Type.Literal('fake-checkerboard'),
    ringUniform: Share,
    greys: Type.Tuple([Type.String(), Type.String()]),
    cellPx: Count,
  }),
  strictObject({ kind: Type.Literal('opaque-rectangle'), ringUniform: Share }),
  strictObject({
    kind: Type.Literal('uniform-box'),
    ringUniform: Share,
    hex: Type.String(),
    tone: Type.Enum(['white', 'black', 'other']),
    likeGarment: Type.Boolean(),
    boxShare: Share,
  }),
]);

const Fix = Type.Union([
  strictObject({ kind: Type.Literal('step'), step: ArtStepDocument }),
  strictObject({ kind: Type.Literal('print-width'), widthMm: Amount }),
]);

/** Something about a file that a print room should know; see the core's `Finding`. */
export const ArtFinding = Type.Unsafe<Finding>(
  strictObject({
    code: Type.Enum([...FINDING_CODES]),
    severity: Type.Enum(['stop', 'warn', 'note']),
    confidence: Type.Enum(['sure', 'likely']),
    params: Type.Record(Type.String(), Type.Union([Type.Number(), Type.String(), Type.Boolean()])),
    places: Type.Array(Box),
    placeCount: Count,
    fixes: Type.Array(Fix),
  }),
);

/** Every figure of an artwork for a job: what the command line prints and the server answers. */
export const ArtworkReport = Type.Unsafe<ArtFigures>(
  strictObject(
    {
      px: Pair,
      widthMm: Amount,
      heightMm: Amount,
      pitchMm: Amount,
      dpi: Amount,
      src: strictObject({
        px: Pair,
        ghostPx: Count,
        bbox: nullable(Box),
        semiShare: Share,
        noAlpha: Type.Boolean(),
        nnScale: Count,
        trueDpi: Amount,
      }),
      box: OpaqueBox,
      boxLeft: OpaqueBox,
      knockout: nullable(strictObject({ removedPx: Count, softPx: Count })),
      bbox: nullable(Box),
      bboxMm: nullable(Box),
      inkMm2: Amount,
      maskMm2: Amount,
      bboxFill: Share,
      semiShare: Share,
      softShare: Share,
      colours: strictObject({
        unique: Count,
        flatShare: Share,
        flat: Count,
        kind: Type.Enum(['flat', 'tonal']),
      }),
      thin: strictObject({ '0.2': Share, '0.3': Share, '0.5': Share, '0.8': Share }),
      gap: strictObject({ '0.3': Amount, '0.5': Amount }),
      parts: strictObject({ components: Count, specks: Count, speckShare: Share, pinholes: Count }),
      perimeterMm: Amount,
      solid: strictObject({ circleMm: Amount, circleAt: nullable(Pair), largestMm2: Amount }),
      white: strictObject({
        chokePx: Amount,
        meanPlane: Share,
        unchokedMean: Share,
        coverageOfInk: Amount,
        lostToChokePx: Count,
        chokeLostShare: Share,
        hist16: Type.Array(Count, { minItems: 16, maxItems: 16 }),
      }),
      unprintableLightShare: nullable(Share),
      coverage: Channels(Amount),
      ml: Channels(Amount),
      powderG: Amount,
      filmM2: Amount,
      pretreatG: Amount,
      pretreatM2: Amount,
      sprayM2: strictObject({ box: Amount, shape: Amount }),
      water: strictObject({
        inkG: Amount,
        pretreatG: Amount,
        meanGm2: Amount,
        peakGm2: Amount,
        windowPx: Count,
        peakAt: strictObject({ x: Count, y: Count }),
      }),
      warnings: Type.Array(Type.String()),
      findings: Type.Array(ArtFinding),
      underbase: strictObject({
        chokeMm: Amount,
        density: Share,
        minDot: Share,
        gamma: Amount,
        nearGarment: strictObject({ from: Amount, to: Amount }),
        lightTints: Type.Boolean(),
        highlight: Share,
      }),
      laydown: strictObject({
        colourMlM2: Amount,
        whiteMlM2: Amount,
        highlightMlM2: Amount,
        powderGM2: Amount,
        powderRimMm: Amount,
        pretreatmentGM2: Amount,
      }),
      separation: strictObject({
        blackFrom: Amount,
        blackGamma: Amount,
        blackStrength: Share,
        underColourRemoval: Share,
        totalInk: Amount,
      }),
    },
    { title: 'Artwork figures' },
  ),
);
