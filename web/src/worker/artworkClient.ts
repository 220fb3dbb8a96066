import { wrap } from 'comlink';
import type { Remote } from 'comlink';
import type { ArtworkWorker } from './artwork.worker.ts';

let remote: Remote<ArtworkWorker> | null = null;

/** The one thread that holds an artwork's pixels; made when first needed. */
export function artworkWorker(): Remote<ArtworkWorker> {
  remote ??= wrap<ArtworkWorker>(
    new Worker(new URL('./artwork.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}
