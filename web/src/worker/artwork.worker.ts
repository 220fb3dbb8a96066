import { analyseArtwork, pictureWhite, previewOnGarment } from '@saltflat/core/artwork';
import type { ArtFigures, ArtJob, Pixels, WhitePlane } from '@saltflat/core/artwork';
import { expose, transfer } from 'comlink';

/** What the page can look at. */
export type ArtLayer = 'art' | 'composite' | 'white';

/** Longest side of the quick picture, px: about what a screen shows. */
const DRAFT_PX = 900;

type Detail = 'draft' | 'full';
const loaded = new Map<string, Promise<Pixels>>();
let analysed: { key: string; figures: ArtFigures; white: WhitePlane | null } | null = null;

/** Fetches the pixels straight into this thread; they never pass through the page. One artwork at a time is kept. */
function pixelsOf(artworkId: string, detail: Detail): Promise<Pixels> {
  const key = `${artworkId} ${detail}`;
  for (const other of loaded.keys()) if (!other.startsWith(artworkId)) loaded.delete(other);
  const pixels = loaded.get(key) ?? fetchPixels(artworkId, detail);
  loaded.set(key, pixels);
  pixels.catch(() => loaded.delete(key));
  return pixels;
}

async function fetchPixels(artworkId: string, detail: Detail): Promise<Pixels> {
  const answer = await fetch(
    `/api/v1/artworks/${artworkId}/pixels${detail === 'draft' ? `?maxPx=${DRAFT_PX}` : ''}`,
  );
  if (!answer.ok) throw new Error('The pixels of this artwork cannot be fetched. Try again in a moment.');
  const data = new Uint8Array(await answer.arrayBuffer());
  return {
    width: Number(answer.headers.get('X-Width')),
    height: Number(answer.headers.get('X-Height')),
    data,
  };
}

/** Figures at full size. */
async function analyse(artworkId: string, job: ArtJob): Promise<ArtFigures> {
  return judged(artworkId, job, await pixelsOf(artworkId, 'full'), 'full').figures;
}

function judged(
  artworkId: string,
  job: ArtJob,
  pixels: Pixels,
  detail: Detail,
): NonNullable<typeof analysed> {
  const key = `${artworkId} ${detail} ${JSON.stringify(job)}`;
  if (analysed?.key !== key) analysed = { key, ...analyseArtwork(pixels, job) };
  return analysed;
}

/** The picture of a layer: quickly at screen size, or with every pixel. */
async function picture(
  artworkId: string,
  job: ArtJob,
  layer: ArtLayer,
  detail: Detail,
): Promise<ImageBitmap> {
  const pixels = await pixelsOf(artworkId, detail);
  const white = layer === 'art' ? null : judged(artworkId, job, pixels, detail).white;
  const shown =
    layer === 'art'
      ? pixels
      : layer === 'composite'
        ? previewOnGarment(pixels, white, job.garmentHex, job.process)
        : white
          ? pictureWhite(white, pixels.width, pixels.height)
          : { ...pixels, data: new Uint8Array(pixels.data.length) };
  const bytes = new Uint8ClampedArray(shown.data); // a copy: the bitmap is moved away
  const bitmap = await createImageBitmap(new ImageData(bytes, shown.width, shown.height));
  return transfer(bitmap, [bitmap]);
}

const api = { analyse, picture };
export type ArtworkWorker = typeof api;
expose(api);
