import {
  asPicture,
  findCleanTolerance,
  narrowestChordPx,
  openArt,
  pictureBits,
  renderPlane,
  toHex,
  whiteAt,
} from '@saltflat/core/artwork';
import type {
  ArtAnalysis,
  ArtFigures,
  ArtJob,
  ArtSession,
  BitPlane,
  InkUse,
  KnockOut,
  Pixels,
  Plane,
} from '@saltflat/core/artwork';
import { atOnce, taskOf } from '@saltflat/core/task';
import type { Tasks } from '@saltflat/core/task';
import { fetchPixels } from './fetchPixels.ts';
import { serveHere } from './serveHere.ts';

/** What the page can look at. */
export type ArtLayer =
  | 'art'
  | 'ready'
  | 'composite'
  | 'white'
  | 'second-white'
  | 'thin'
  | 'gaps'
  | 'solids'
  | 'soft'
  | 'film-printed'
  | 'film-through';

/** A picture, and what it is a picture of. */
export interface ArtPicture {
  /** Every pixel, or as many as a screen shows. */
  bitmap: ImageBitmap;
  /** The same at screen size, to draw quickly when zoomed out. */
  small: ImageBitmap;
  /** Pixels of the printed art, and how wide it is. */
  width: number;
  height: number;
  widthMm: number;
  /** Of a quick picture, what it was found to use: nearly what the whole one will say. */
  ink: InkUse | null;
}

/** What is under the pointer. */
export interface ArtProbe {
  hex: string;
  /** 0–1. */
  alpha: number;
  white: number;
  /** Width of the shape there, mm; `null` where there is none, `more` beyond 10 mm. */
  widthMm: number | 'more' | null;
}

export type Detail = 'draft' | 'full';

/** An artwork, and how it is printed. */
interface ArtQuestion {
  artworkId: string;
  job: ArtJob;
}
interface PictureQuestion extends ArtQuestion {
  layer: ArtLayer;
  detail: Detail;
}

/** Longest side of the quick picture, px: about what a screen shows. */
const DRAFT_PX = 900;
const PROBE_MM = 10;
const MARK = { r: 194, g: 48, b: 90 }; // rose: what a mask points at

interface Desk {
  artworkId: string;
  pixels: Map<Detail, Promise<Pixels>>;
  sessions: Map<Detail, ArtSession>;
  /** The last full analysis, for its masks. */
  analysed: { key: string; analysis: ArtAnalysis } | null;
}
let desk: Desk | null = null;

/** One artwork at a time is on the desk; the one before is put away. */
function deskFor(artworkId: string): Desk {
  if (desk?.artworkId !== artworkId)
    desk = { artworkId, pixels: new Map(), sessions: new Map(), analysed: null };
  return desk;
}

async function sessionFor(artworkId: string, detail: Detail): Promise<ArtSession> {
  const own = deskFor(artworkId);
  const pixels = await pixelsOf(own, detail);
  const session = own.sessions.get(detail) ?? openArt(pixels);
  own.sessions.set(detail, session);
  return session;
}

function pixelsOf(own: Desk, detail: Detail): Promise<Pixels> {
  const pixels = own.pixels.get(detail) ?? fetchPixels(own.artworkId, detail === 'draft' ? DRAFT_PX : null);
  own.pixels.set(detail, pixels);
  pixels.catch(() => own.pixels.delete(detail));
  return pixels;
}

/** Figures at full size; the analysis stays on the desk for its masks. */
async function analysing({ artworkId, job }: ArtQuestion): Promise<Generator<number, ArtFigures>> {
  const work = (await sessionFor(artworkId, 'full')).analysing(job);
  return (function* () {
    const analysis = yield* work;
    deskFor(artworkId).analysed = { key: JSON.stringify(job), analysis };
    return analysis.figures;
  })();
}

/** The picture of a layer: quickly at screen size, or with every pixel. */
async function picture({ artworkId, job, layer, detail }: PictureQuestion): Promise<ArtPicture> {
  const session = await sessionFor(artworkId, detail);
  const shown = await layerPixels(session, { artworkId, job, layer, detail });
  const { width, height, data } = shown;
  const view = new Uint8ClampedArray(data.buffer as ArrayBuffer, data.byteOffset, data.byteLength); // never shared memory
  const bitmap = await createImageBitmap(new ImageData(view, width, height));
  const ratio = DRAFT_PX / Math.max(width, height);
  const resized = {
    resizeWidth: Math.max(1, Math.round(width * ratio)),
    resizeHeight: Math.max(1, Math.round(height * ratio)),
  };
  const small =
    ratio >= 1 ? bitmap : await createImageBitmap(bitmap, { ...resized, resizeQuality: 'medium' });
  return {
    bitmap,
    small,
    width: shown.width,
    height: shown.height,
    widthMm: job.widthMm,
    ink: detail === 'draft' ? session.previewInk(job) : null,
  };
}

async function layerPixels(
  session: ArtSession,
  { artworkId, job, layer, detail }: PictureQuestion,
): Promise<Pixels> {
  if (layer === 'art') return pixelsOf(deskFor(artworkId), detail);
  const ready = session.preview(job);
  const drawn = (plane: Plane): Pixels => asPicture(renderPlane(plane, ready, job));
  const plane = PLANE_OF[layer];
  if (plane !== undefined) return drawn(plane);
  const mask = maskOf(artworkId, job, layer as MaskLayer); // what shows no plane points at something
  return mask && detail === 'full' ? pointAt(drawn('composite'), mask) : drawn('composite');
}

/** The plane a layer shows; the others point at what was found. */
const PLANE_OF: Partial<Record<ArtLayer, Plane>> = {
  ready: 'knocked-out',
  composite: 'composite',
  white: 'white',
  'second-white': 'second-white',
  'film-printed': 'film-printed',
  'film-through': 'composite', // seen through the film it is not mirrored
};
type MaskLayer = 'thin' | 'gaps' | 'solids' | 'soft';

function maskOf(artworkId: string, job: ArtJob, layer: MaskLayer): BitPlane | null {
  const { analysed } = deskFor(artworkId);
  if (analysed?.key !== JSON.stringify(job)) return null;
  const { masks } = analysed.analysis;
  return { thin: masks.thin, gaps: masks.gaps, solids: masks.solid, soft: masks.soft }[layer];
}

/** A pale picture with what the mask marks in full rose. */
function pointAt(picture: Pixels, mask: BitPlane): Pixels {
  const marked = pictureBits(mask, MARK).data;
  const data = new Uint8Array(picture.data);
  for (let p = 0; p < data.length; p += 4) {
    const isMarked = (marked[p + 3] ?? 0) > 0;
    for (let i = 0; i < 3; i++)
      data[p + i] = isMarked ? (marked[p + i] ?? 0) : Math.round(0.45 * (data[p + i] ?? 0) + 0.55 * 236);
    data[p + 3] = 255;
  }
  return { ...picture, data };
}

/** What is at a pixel of the art as printed. */
async function probe({ artworkId, job, x, y }: ArtQuestion & { x: number; y: number }): Promise<ArtProbe> {
  const own = deskFor(artworkId);
  const detail: Detail = own.sessions.has('full') ? 'full' : 'draft';
  const session = await sessionFor(artworkId, detail);
  const { scan, whites } = session.preview(job);
  const u = Math.min(scan.width - 1, Math.floor(x * scan.width));
  const v = Math.min(scan.height - 1, Math.floor(y * scan.height));
  const word = scan.pixels[v * scan.width + u] ?? 0;
  const pitchMm = job.widthMm / scan.width;
  const reach = PROBE_MM / pitchMm;
  const chord = narrowestChordPx(scan, u, v, reach);
  return {
    hex: toHex({ r: word & 255, g: (word >>> 8) & 255, b: (word >>> 16) & 255 }),
    alpha: (word >>> 24) / 255,
    white: whiteAt(whites?.underbase ?? null, u, v) / 255,
    widthMm: chord === 0 ? null : chord >= reach ? 'more' : chord * pitchMm,
  };
}

/** The least tolerance that leaves no crumbs of a knocked-out colour, looked for in what the steps before it leave. */
async function cleaning({
  artworkId,
  job,
  spec,
}: ArtQuestion & { spec: KnockOut }): Promise<Generator<number, number>> {
  const { scan, image } = (await sessionFor(artworkId, 'full')).preview(job);
  const work = findCleanTolerance(scan, spec, job.widthMm / image.width);
  return (function* () {
    for (;;) {
      const { done, value } = work.next();
      if (done) return value;
      yield 0; // nobody knows how far it is
    }
  })();
}

const TASKS = {
  figures: taskOf(analysing),
  picture: atOnce(picture, ({ bitmap, small }) => (small === bitmap ? [bitmap] : [bitmap, small])),
  probe: atOnce(probe),
  'clean-tolerance': taskOf(cleaning),
} satisfies Tasks;
export type ArtworkTasks = typeof TASKS;

serveHere(TASKS);
