import {
  findCleanTolerance,
  mirrorPixels,
  narrowestChordPx,
  openArt,
  pictureBits,
  pictureWhite,
  previewOnGarment,
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
} from '@saltflat/core/artwork';
import { expose, transfer } from 'comlink';

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

/** Fetches the pixels straight into this thread; they never pass through the page. */
function pixelsOf(own: Desk, detail: Detail): Promise<Pixels> {
  const pixels = own.pixels.get(detail) ?? fetchPixels(own.artworkId, detail);
  own.pixels.set(detail, pixels);
  pixels.catch(() => own.pixels.delete(detail));
  return pixels;
}

async function fetchPixels(artworkId: string, detail: Detail): Promise<Pixels> {
  const size = detail === 'draft' ? `?maxPx=${DRAFT_PX}` : '';
  const answer = await fetch(`/api/v1/artworks/${artworkId}/pixels${size}`);
  if (!answer.ok) throw new Error('The pixels of this artwork cannot be fetched. Try again in a moment.');
  const data = new Uint8Array(await answer.arrayBuffer());
  return {
    width: Number(answer.headers.get('X-Width')),
    height: Number(answer.headers.get('X-Height')),
    data,
  };
}

/** The newest request: an older one stops at its next pause. */
let newest = 0;

/**
 * Figures at full size. Pauses often, so that newer questions are answered first, and gives up (`null`) when a newer analysis was asked for.
 *
 * @param onProgress told the share done, 0–1
 */
async function analyse(
  artworkId: string,
  job: ArtJob,
  onProgress: (share: number) => void,
): Promise<ArtFigures | null> {
  const mine = ++newest;
  const session = await sessionFor(artworkId, 'full');
  const work = session.analysing(job);
  let pausedAt = performance.now();
  for (;;) {
    if (mine !== newest) return null;
    const { done, value } = work.next();
    if (done) {
      deskFor(artworkId).analysed = { key: JSON.stringify(job), analysis: value };
      return value.figures;
    }
    onProgress(value);
    if (performance.now() - pausedAt < 12) continue;
    await new Promise((resolve) => setTimeout(resolve));
    pausedAt = performance.now();
  }
}

/** Stops the analysis under way at its next pause. */
function cancel(): void {
  newest++;
}

/** The picture of a layer: quickly at screen size, or with every pixel. */
async function picture(artworkId: string, job: ArtJob, layer: ArtLayer, detail: Detail): Promise<ArtPicture> {
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
  const own: ArtPicture = {
    bitmap,
    small,
    width: shown.width,
    height: shown.height,
    widthMm: job.widthMm,
    ink: detail === 'draft' ? session.previewInk(job) : null,
  };
  return transfer(own, small === bitmap ? [bitmap] : [bitmap, small]);
}

interface Asked {
  artworkId: string;
  job: ArtJob;
  layer: ArtLayer;
  detail: Detail;
}

async function layerPixels(session: ArtSession, { artworkId, job, layer, detail }: Asked): Promise<Pixels> {
  if (layer === 'art') return pixelsOf(deskFor(artworkId), detail);
  const { image, scan, whites } = session.preview(job);
  const empty = (): Pixels => ({ ...image, data: new Uint8Array(image.data.length) });
  const { width, height } = image;
  const composite = (): Pixels => previewOnGarment(scan, whites?.underbase ?? null, job.garment, job.process);
  switch (layer) {
    case 'ready':
      return image;
    case 'composite':
      return composite();
    case 'white':
      return whites ? pictureWhite(whites.underbase, width, height) : empty();
    case 'second-white':
      return whites?.highlight ? pictureWhite(whites.highlight, width, height) : empty();
    case 'film-through':
      return composite();
    case 'film-printed':
      return mirrorPixels(
        whites ? whiteOverColour(image, pictureWhite(whites.underbase, width, height)) : image,
      );
    default: {
      const mask = maskOf(artworkId, job, layer);
      return mask && detail === 'full' ? pointAt(composite(), mask) : composite();
    }
  }
}

function maskOf(artworkId: string, job: ArtJob, layer: 'thin' | 'gaps' | 'solids' | 'soft'): BitPlane | null {
  const { analysed } = deskFor(artworkId);
  if (analysed?.key !== JSON.stringify(job)) return null;
  const { masks } = analysed.analysis;
  return { thin: masks.thin, gaps: masks.gaps, solids: masks.solid, soft: masks.soft }[layer];
}

/** The printed side of a film: white lies on top of the colour. */
function whiteOverColour(image: Pixels, white: Pixels): Pixels {
  const data = new Uint8Array(image.data);
  for (let p = 0; p < data.length; p += 4) {
    const share = (white.data[p + 3] ?? 0) / 255;
    for (let i = 0; i < 3; i++) data[p + i] = Math.round(255 * share + (data[p + i] ?? 0) * (1 - share));
  }
  return { ...image, data };
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
async function probe(artworkId: string, job: ArtJob, x: number, y: number): Promise<ArtProbe> {
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
async function cleanTolerance(artworkId: string, before: ArtJob, spec: KnockOut): Promise<number> {
  const session = await sessionFor(artworkId, 'full');
  const { scan, image } = session.preview(before);
  const work = findCleanTolerance(scan, spec, before.widthMm / image.width);
  for (;;) {
    const { done, value } = work.next();
    if (done) return value;
    await new Promise((resolve) => setTimeout(resolve));
  }
}

const api = { analyse, cancel, picture, probe, cleanTolerance };
export type ArtworkWorker = typeof api;
expose(api);
