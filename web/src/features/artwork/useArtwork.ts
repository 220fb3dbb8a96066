import type { ArtFigures, ArtJob } from '@saltflat/core/artwork';
import { useEffect, useState } from 'react';
import type { ArtLayer } from '../../worker/artwork.worker.ts';
import { artworkWorker } from '../../worker/artworkClient.ts';

export type Picture =
  | { status: 'reading' }
  /** `figures` are `null` until the first full measurement; `isStale` while a newer one is under way. */
  | { status: 'shown'; bitmap: ImageBitmap; figures: ArtFigures | null; isStale: boolean }
  | { status: 'failed'; reason: string };

/** Picture and figures of an artwork for a job: a quick picture first, then every pixel. An answer for a former job is dropped. */
export function useArtwork(artworkId: string, job: ArtJob, layer: ArtLayer): Picture {
  const [picture, setPicture] = useState<Picture>({ status: 'reading' });
  const jobKey = JSON.stringify(job);
  useEffect(() => {
    let isCurrent = true;
    const asked = JSON.parse(jobKey) as ArtJob;
    const show = (bitmap: ImageBitmap, figures: ArtFigures | null): void => {
      if (!isCurrent) bitmap.close();
      else
        setPicture((before) => ({
          status: 'shown',
          bitmap,
          figures: figures ?? (before.status === 'shown' ? before.figures : null),
          isStale: figures === null,
        }));
    };
    const make = async (): Promise<void> => {
      const worker = artworkWorker();
      show(await worker.picture(artworkId, asked, layer, 'draft'), null);
      await new Promise((resolve) => setTimeout(resolve, SETTLE_MS));
      if (!isCurrent) return; // a slider is still moving: no full pass for this position
      const figures = await worker.analyse(artworkId, asked);
      show(await worker.picture(artworkId, asked, layer, 'full'), figures);
    };
    make().catch((error: unknown) => {
      if (isCurrent)
        setPicture({
          status: 'failed',
          reason: error instanceof Error ? error.message : 'The picture could not be made.',
        });
    });
    return () => {
      isCurrent = false;
    };
  }, [artworkId, jobKey, layer]);
  return picture;
}

const SETTLE_MS = 150;
