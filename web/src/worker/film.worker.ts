import { openArt } from '@saltflat/core/artwork';
import type { ArtStep } from '@saltflat/core/artwork';
import { layOutFilm, maskOf } from '@saltflat/core/film';
import { atOnce } from '@saltflat/core/task';
import type { Tasks } from '@saltflat/core/task';
import { fetchPixels } from './fetchPixels.ts';
import { serveHere } from './serveHere.ts';

/** Longest side of the picture an outline is read from, px: some for each millimetre of what is usual. */
const READ_PX = 900;

interface OutlineQuestion {
  artworkId: string;
  steps: readonly ArtStep[];
  garment: string;
  widthMm: number;
  heightMm: number;
  withHoles: boolean;
}

/** The outline of an artwork as it is printed, made ready as its line has it. */
async function outline({ artworkId, steps, garment, withHoles, ...size }: OutlineQuestion) {
  const session = openArt(await fetchPixels(artworkId, READ_PX));
  const { image } = session.preview({ widthMm: size.widthMm, garment, process: 'dtf', steps });
  return maskOf({ ...image, data: new Uint8Array(image.data) }, size, withHoles);
}

const TASKS = { layout: layOutFilm, outline: atOnce(outline) } satisfies Tasks;
export type FilmTasks = typeof TASKS;

serveHere(TASKS);
