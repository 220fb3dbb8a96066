import { countBits } from './bits.ts';
import type { BitPlane } from './bits.ts';
import { detectOpaqueBox } from './boxDetection.ts';
import { parseHex } from './colour.ts';
import { listFindings } from './findings.ts';
import type { SeenFigures } from './findings.ts';
import type { Finding } from './finding.ts';
import type { ArtFigures, ArtJob, WhiteFigures } from './artFigures.ts';
import { DEFAULT_SEPARATION, defaultLaydown, measureInk, separator } from './ink.ts';
import type { InkUse, Laydown, Separation } from './ink.ts';
import { assertPixels, rgbOfWord } from './pixels.ts';
import type { Box, Pixels } from './pixels.ts';
import { finishScan, scanArt, scanRows, startScan } from './scan.ts';
import type { ArtScan } from './scan.ts';
import { findSoft, measuringShape, perimeterOf } from './shape.ts';
import type { ShapeMasks } from './shape.ts';
import { finish, keptStage, withShare } from './stages.ts';
import { applyStep } from './steps/index.ts';
import type { ArtStep } from './steps/index.ts';
import { sprayNeedOf } from './sprayed.ts';
import { vanishingShare } from './thinParts.ts';
import { listWarnings } from './warnings.ts';
import { COLOUR_WATER_G_ML, PRETREATMENT_WATER, WHITE_WATER_G_ML, measureWater } from './water.ts';
import type { Water } from './water.ts';
import { defaultUnderbase, layWhiteRows, leastWhite, startWhite, whitePx, wantWhite } from './white.ts';
import type { UnderbaseSettings, WhiteWork, Whites } from './white.ts';

/** Counted up when the same pixels and job give other figures: stored figures say which analysis made them. */
export const ANALYSIS_VERSION = 2;

/** All that was worked out on the way, for pictures and exports. */
export interface ArtAnalysis {
  figures: ArtFigures;
  /** The art as printed, after all steps. */
  image: Pixels;
  scan: ArtScan;
  whites: Whites | null;
  masks: ShapeMasks & { soft: BitPlane };
}

/** Judges an artwork for one job, all at once: {@link ArtSession.analysing} without the pauses. */
export const analyseArtwork = (image: Pixels, job: ArtJob): ArtAnalysis =>
  finish(openArt(image).analysing(job));

/** One artwork on the desk: what was worked out for one job serves the next where it is the same. */
export interface ArtSession {
  /**
   * Judges the artwork for a job. A generator: it yields the share (0–1) done after each piece of work, so that whoever runs
   * it can show progress and stop. Memory: the image, one byte a pixel for each white, ⅛ byte for each of about fifteen masks,
   * and 4 to 17 bytes for each colour of every cube of 8 × 8 × 8 colours that was met, fivefold at most while it grows.
   *
   * @throws RangeError for a width that is not positive or settings out of range
   */
  analysing: (job: ArtJob) => Generator<number, ArtAnalysis>;
  /** What stands out alone, worst first, in about half the time: no white is laid, no ink and no water counted. */
  judging: (job: ArtJob) => Generator<number, Finding[]>;
  /** Art and white alone: enough for a picture while a slider moves. */
  preview: (job: ArtJob) => { image: Pixels; scan: ArtScan; whites: Whites | null };
  /** Ink, powder and the like of a preview: of a smaller picture they are near what the whole one will say. */
  previewInk: (job: ArtJob) => InkUse;
}

interface Seen extends Pick<ArtAnalysis, 'image' | 'scan' | 'masks'> {
  figures: SeenFigures & Pick<ArtFigures, 'box' | 'knockout'>;
  findings: Finding[];
}

const BAND_ROWS = 512;

/**
 * Puts an artwork on the desk.
 *
 * @throws RangeError for an image of the wrong byte count
 */
export function openArt(original: Pixels): ArtSession {
  assertPixels(original);
  const stages = stagesOf(original);

  function preview(job: ArtJob): ReturnType<ArtSession['preview']> {
    assertJob(job);
    const { steps, widthMm, garment, process, underbase } = job;
    const { image, scan } = finish(stages.stepped({ steps, widthMm }));
    return { image, scan, whites: finish(stages.whitened({ steps, widthMm, garment, process, underbase })) };
  }

  function previewInk(job: ArtJob): InkUse {
    const { image, scan, whites } = preview(job);
    const pitchMm = job.widthMm / image.width;
    const perimeterMm = perimeterOf(scan.shape, pitchMm);
    return inkOf({ scan, whites, perimeterMm, pitchMm, job, ...constantsOf(job) });
  }

  return {
    analysing: (job) => withShare(analysing(stages, job), PAUSES),
    judging: (job) => withShare(judging(stages, job), PAUSES),
    preview,
    previewInk,
  };
}

/** The parts of an analysis that are worth keeping for the next job. */
function stagesOf(original: Pixels) {
  const scanned = keptStage((_: null) => scanning(original));
  const stepped = keptStage(function* ({ steps, widthMm }: Pick<ArtJob, 'steps' | 'widthMm'>) {
    return yield* stepping(original, yield* scanned(null), steps ?? [], widthMm);
  });
  const shaped = keptStage(function* (job: Pick<ArtJob, 'steps' | 'widthMm'>) {
    const { image, scan } = yield* stepped(job);
    const pitchMm = job.widthMm / image.width;
    const soft = findSoft(scan, pitchMm);
    yield;
    const { figures, masks } = yield* measuringShape(scan, pitchMm);
    return { figures, masks: { ...masks, soft } };
  });
  const wished = keptStage(function* ({ steps, widthMm, garment, process, settings }: Wished) {
    const { scan } = yield* stepped({ steps, widthMm });
    return wantWhite(scan, garment, process, settings);
  });
  const whitened = keptStage(function* ({ steps, widthMm, garment, process, underbase }: ArtJob) {
    const { image, scan } = yield* stepped({ steps, widthMm });
    const settings = underbaseOf({ process, underbase });
    const { chokeMm: _choke, minDot: _dot, ...hangsOn } = settings;
    const wanted = yield* wished({ steps, widthMm, garment, process, settings: hangsOn });
    const work = startWhite(scan, widthMm / image.width, garment, process, settings, wanted);
    return work && (yield* layingWhite(work));
  });
  return { scanned, stepped, shaped, whitened };
}
type Stages = ReturnType<typeof stagesOf>;

/** All that findings are told from. */
function* seeing({ scanned, stepped, shaped }: Stages, job: ArtJob): Generator<void, Seen> {
  assertJob(job);
  const { steps, widthMm, garment } = job;
  const originalScan = yield* scanned(null);
  const box = detectOpaqueBox(originalScan, garment);
  yield;
  const { image, scan, knockout } = yield* stepped({ steps, widthMm });
  const boxLeft = scan === originalScan ? box : detectOpaqueBox(scan, garment);
  const shape = yield* shaped({ steps, widthMm });
  const figures = {
    ...sizeOf(image, originalScan, widthMm),
    box,
    boxLeft,
    knockout,
    ...areasOf(scan, widthMm / image.width, shape.masks.soft),
    ...shape.figures,
    unprintableLightShare: unprintableShare(scan, job),
  };
  const { masks } = shape;
  return { image, scan, figures, masks, findings: listFindings(figures, masks, scan, job) };
}

function* judging(stages: Stages, job: ArtJob): Generator<void, Finding[]> {
  return (yield* seeing(stages, job)).findings;
}

function* analysing(stages: Stages, job: ArtJob): Generator<void, ArtAnalysis> {
  const { image, scan, figures: seen, masks, findings } = yield* seeing(stages, job);
  const { steps, widthMm, garment, process, underbase: ownUnderbase } = job;
  const whites = yield* stages.whitened({ steps, widthMm, garment, process, underbase: ownUnderbase });
  const { pitchMm, perimeterMm } = seen;
  const underbase = underbaseOf(job);
  const { laydown, separation } = constantsOf(job);
  const printed = measurePrint({ scan, whites, perimeterMm, pitchMm, job, laydown, separation });
  yield;
  const bare = {
    ...seen,
    colours: coloursOf(scan),
    white: whiteFigures(scan, whites, pitchMm, underbase),
    sprayM2: sprayNeedOf(scan, whites, pitchMm, process),
    ...printed,
    underbase,
    laydown,
    separation,
  };
  return { figures: { ...bare, warnings: listWarnings(bare, job), findings }, image, scan, whites, masks };
}

/** Laydowns and separation of a job: its own, else the process's. */
const constantsOf = ({
  process,
  laydown,
  separation,
}: ArtJob): { laydown: Laydown; separation: Separation } => ({
  laydown: { ...defaultLaydown(process), ...definedOf(laydown) },
  separation: { ...DEFAULT_SEPARATION, ...definedOf(separation) },
});

const PAUSES = 24; // of an analysis at usual sizes: only how fast the share grows hangs on it

const underbaseOf = ({ process, underbase }: Pick<ArtJob, 'process' | 'underbase'>): UnderbaseSettings => ({
  ...defaultUnderbase(process),
  ...definedOf(underbase),
});

function assertJob({ widthMm, garment }: ArtJob): void {
  if (!(widthMm > 0 && widthMm <= 5000))
    throw new RangeError(`printed width is ${widthMm} mm, expected more than 0, at most 5000`);
  parseHex(garment);
}

/** Without what is there but undefined, so that it cannot hide a default. */
function definedOf<T extends object>(values: T | undefined): Partial<T> {
  return Object.fromEntries(
    Object.entries(values ?? {}).filter(([, value]) => value !== undefined),
  ) as Partial<T>; // keys stay those of T
}

function* scanning(image: Pixels): Generator<void, ArtScan> {
  const work = startScan(image);
  for (let y = 0; y < image.height; y += BAND_ROWS) {
    scanRows(work, y, Math.min(image.height, y + BAND_ROWS));
    yield;
  }
  return finishScan(work);
}

/** What the white wanted under each colour hangs on. */
type Wished = Pick<ArtJob, 'steps' | 'widthMm' | 'garment' | 'process'> & {
  settings: Parameters<typeof wantWhite>[3];
};

function* layingWhite(work: WhiteWork): Generator<void, Whites> {
  const { h } = work.whites.underbase.box;
  for (let y = 0; y < h; y += BAND_ROWS) {
    layWhiteRows(work, y, Math.min(h, y + BAND_ROWS));
    yield;
  }
  return work.whites;
}

interface Stepping {
  image: Pixels;
  scan: ArtScan;
  knockout: ArtFigures['knockout'];
}

function* stepping(
  original: Pixels,
  originalScan: ArtScan,
  steps: readonly ArtStep[],
  widthMm: number,
): Generator<void, Stepping> {
  let image = original;
  let scan = originalScan;
  const taken = { removedPx: 0, softPx: 0 };
  let isKnockedOut = false;
  for (const step of steps) {
    if (step.isOff) continue;
    const stepped = applyStep(image, scan, step, widthMm / image.width);
    if (stepped.knockedOut) {
      isKnockedOut = true;
      taken.removedPx += stepped.knockedOut.removedPx;
      taken.softPx += stepped.knockedOut.softPx;
    }
    if (stepped.image === image) continue;
    image = stepped.image;
    yield;
    scan = scanArt(image);
    yield;
  }
  return { image, scan, knockout: isKnockedOut ? taken : null };
}

function sourceOf(scan: ArtScan, widthMm: number): ArtFigures['src'] {
  const { width, height, ghostPx, box, inkPx, opaquePx, nnScale } = scan;
  return {
    px: [width, height],
    ghostPx,
    bbox: box,
    semiShare: inkPx === 0 ? 0 : (inkPx - opaquePx) / inkPx,
    noAlpha: opaquePx === width * height,
    nnScale,
    trueDpi: (25.4 * width) / widthMm / nnScale,
  };
}

/** A rectangle of pixels in mm. */
const boxInMm = (box: Box, pitchMm: number): Box => ({
  x: box.x * pitchMm,
  y: box.y * pitchMm,
  w: box.w * pitchMm,
  h: box.h * pitchMm,
});

function sizeOf(image: Pixels, original: ArtScan, widthMm: number) {
  const pitchMm = widthMm / image.width;
  return {
    px: [image.width, image.height] as [number, number],
    widthMm,
    heightMm: image.height * pitchMm,
    pitchMm,
    dpi: 25.4 / pitchMm,
    src: sourceOf(original, widthMm),
  };
}

function areasOf({ box, alphaPx, inkPx, shapePx, opaquePx }: ArtScan, pitchMm: number, soft: BitPlane) {
  const pixelMm2 = pitchMm * pitchMm;
  return {
    bbox: box,
    bboxMm: box && boxInMm(box, pitchMm),
    inkMm2: alphaPx * pixelMm2,
    maskMm2: shapePx * pixelMm2,
    bboxFill: box === null ? 0 : alphaPx / (box.w * box.h),
    semiShare: inkPx === 0 ? 0 : (inkPx - opaquePx) / inkPx,
    softShare: inkPx === 0 ? 0 : countBits(soft) / inkPx,
  };
}

const FLAT_COLOUR_SHARE = 0.0005; // of the opaque pixels, for a colour to count as one of a flat picture
const FLAT = { share: 0.85, colours: 16 };

function coloursOf({ colours, opaquePx }: ArtScan): ArtFigures['colours'] {
  const { unique, flatPx, flat } = colours.flatness(FLAT_COLOUR_SHARE * opaquePx);
  const flatShare = opaquePx === 0 ? 0 : flatPx / opaquePx;
  return {
    unique,
    flatShare,
    flat,
    kind: flatShare >= FLAT.share && flat <= FLAT.colours ? 'flat' : 'tonal',
  };
}

interface PrintToMeasure {
  scan: ArtScan;
  whites: Whites | null;
  perimeterMm: number;
  pitchMm: number;
  job: ArtJob;
  laydown: Laydown;
  separation: Separation;
}

/** Ink, powder, film and pretreatment of one print. */
function inkOf({ scan, whites, perimeterMm, pitchMm, job, laydown, separation }: PrintToMeasure): InkUse {
  return measureInk({
    colours: scan.colours,
    separate: separator(separation),
    alphaPx: scan.alphaPx,
    underbase: whites?.underbase ?? null,
    highlight: whites?.highlight ?? null,
    boxMm: scan.box && boxInMm(scan.box, pitchMm),
    inkMm2: scan.alphaPx * pitchMm * pitchMm,
    perimeterMm,
    pitchMm,
    process: job.process,
    laydown,
  });
}

/** All that one print uses, and the water in it. */
function measurePrint(print: PrintToMeasure): InkUse & { water: Water } {
  const { scan, whites, pitchMm, laydown, separation } = print;
  const ink = inkOf(print);
  const { underbase = null, highlight = null } = whites ?? {};
  const planes = [
    ...(underbase && ink.ml.w > 0
      ? [{ white: underbase, fullGm2: laydown.whiteMlM2 * WHITE_WATER_G_ML }]
      : []),
    ...(highlight ? [{ white: highlight, fullGm2: laydown.highlightMlM2 * WHITE_WATER_G_ML }] : []),
  ];
  return {
    ...ink,
    water: {
      ...measureWater(scan, pitchMm, colourWater(separation, laydown), planes),
      pretreatG: ink.pretreatG * PRETREATMENT_WATER,
    },
  };
}

/** Water in the colour ink of an opaque pixel of a colour (0xBBGGRR), g/m². */
function colourWater(separation: Separation, { colourMlM2 }: Laydown): (rgb: number) => number {
  const separate = separator(separation);
  return (rgb) => {
    const { c, m, y, k } = separate(rgb);
    return (c + m + y + k) * colourMlM2 * COLOUR_WATER_G_ML;
  };
}

function whiteFigures(
  scan: ArtScan,
  whites: Whites | null,
  pitchMm: number,
  { chokeMm }: UnderbaseSettings,
): WhiteFigures {
  const px = scan.width * scan.height;
  const counts = whites?.underbase.counts.slice() ?? new Float64Array(256);
  const sum = whites ? whitePx(whites.underbase) : 0;
  counts[0] = px - counts.subarray(1).reduce((total, count) => total + count, 0); // beyond the ink's rectangle there is none
  const hist16 = Array.from({ length: 16 }, (_, bin) =>
    counts.subarray(16 * bin, 16 * bin + 16).reduce((total, count) => total + count, 0),
  );
  return {
    chokePx: chokeMm / pitchMm,
    meanPlane: sum / px,
    unchokedMean: (whites?.unchokedPx ?? 0) / px,
    coverageOfInk: scan.alphaPx === 0 ? 0 : sum / scan.alphaPx,
    lostToChokePx: whites?.lostToChokePx ?? 0,
    chokeLostShare: sum === 0 ? 0 : vanishingShare(scan.ink, chokeMm / pitchMm),
    hist16,
  };
}

const NEEDS_WHITE = 0.1; // least white above which a colour is lost without any

function unprintableShare({ colours, alphaPx, box }: ArtScan, job: ArtJob): number | null {
  const getsWhite = job.process === 'dtf' || job.process === 'dtg-dark' || job.underbase?.lightTints === true;
  if (getsWhite && !(job.process === 'sub')) return null;
  if (alphaPx === 0 || box === null) return 0;
  const garment = parseHex(job.garment);
  let lost = 0;
  colours.forEach((number, rgb) => {
    if (leastWhite(rgbOfWord(rgb), garment) > NEEDS_WHITE) lost += colours.alphaPx(number);
  });
  return lost / alphaPx;
}
