import { analyseArtwork, pictureWhite, previewOnGarment } from '@saltflat/core/artwork';
import type { ArtFigures, ArtJob, Pixels, WhitePlane } from '@saltflat/core/artwork';
import { expose, transfer } from 'comlink';

/** What the page can look at. */
export type ArtLayer = 'art' | 'composite' | 'white';

let loaded: { artworkId: string; pixels: Pixels } | null = null;
let analysed: { key: string; figures: ArtFigures; white: WhitePlane | null } | null = null;

/** Fetches the pixels straight into this thread; they never pass through the page. */
async function pixelsOf(artworkId: string): Promise<Pixels> {
  if (loaded?.artworkId === artworkId) return loaded.pixels;
  const answer = await fetch(`/api/v1/artworks/${artworkId}/pixels`);
  if (!answer.ok) throw new Error('The pixels of this artwork cannot be fetched. Try again in a moment.');
  const data = new Uint8Array(await answer.arrayBuffer());
  const pixels = {
    width: Number(answer.headers.get('X-Width')),
    height: Number(answer.headers.get('X-Height')),
    data,
  };
  loaded = { artworkId, pixels };
  return pixels;
}

async function analyse(artworkId: string, job: ArtJob): Promise<ArtFigures> {
  const pixels = await pixelsOf(artworkId);
  const key = `${artworkId} ${JSON.stringify(job)}`;
  if (analysed?.key !== key) analysed = { key, ...analyseArtwork(pixels, job) };
  return analysed.figures;
}

async function picture(artworkId: string, job: ArtJob, layer: ArtLayer): Promise<ImageBitmap> {
  await analyse(artworkId, job);
  const pixels = await pixelsOf(artworkId);
  const white = analysed?.white ?? null;
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
