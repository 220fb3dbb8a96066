import { analyseArtwork } from '@saltflat/core/artwork';
import type { ArtFigures, ArtJob } from '@saltflat/core/artwork';

/** What a worker thread is handed; the bytes are moved, not copied. */
export interface PixelTask {
  data: Uint8Array;
  width: number;
  height: number;
  job: ArtJob;
}

/** Runs in a worker thread: figures of an artwork. */
export default function measure({ data, width, height, job }: PixelTask): ArtFigures {
  return analyseArtwork({ width, height, data }, job).figures;
}
