import { cropPixels, openArt } from '@saltflat/core/artwork';
import type { ArtStep } from '@saltflat/core/artwork';
import { layOutFilm, maskOf, sheetOut } from '@saltflat/core/film';
import { atOnce } from '@saltflat/core/task';
import type { Tasks } from '@saltflat/core/task';
import { fetchPixels } from './fetchPixels.ts';
import { serveHere } from './serveHere.ts';

/** Longest side of the picture art is read from, px: some for each millimetre of what is usual. */
const READ_PX = 900;

interface ArtQuestion {
  artworkId: string;
  steps: readonly ArtStep[];
  garment: string;
  /** Of what is printed, mm. */
  widthMm: number;
  heightMm: number;
}

/** An outline on whole millimetres. */
export type FilmOutline = ReturnType<typeof maskOf>;

/** What of an artwork is printed, made ready as its line has it: a picture, and its outline with its holes filled and open. */
export interface FilmArt {
  picture: Blob;
  filled: FilmOutline;
  withHoles: FilmOutline;
}

async function look({ artworkId, steps, garment, ...size }: ArtQuestion): Promise<FilmArt> {
  const session = openArt(await fetchPixels(artworkId, READ_PX));
  const { image, scan } = session.preview({ widthMm: size.widthMm, garment, process: 'dtf', steps });
  if (scan.box === null) throw new Error('Nothing is left of this art to be printed: look at its steps.');
  const art = cropPixels(image, scan.box);
  const canvas = new OffscreenCanvas(art.width, art.height);
  canvas
    .getContext('2d')
    ?.putImageData(new ImageData(new Uint8ClampedArray(art.data), art.width, art.height), 0, 0);
  return {
    picture: await canvas.convertToBlob({ type: 'image/png' }),
    filled: maskOf(art, size, false),
    withHoles: maskOf(art, size, true),
  };
}

const TASKS = { layout: layOutFilm, look: atOnce(look), sheetOut: atOnce(sheetOut) } satisfies Tasks;
export type FilmTasks = typeof TASKS;

serveHere(TASKS);
