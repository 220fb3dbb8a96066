import type { ArtFigures, ArtJob } from '@saltflat/core/artwork';
import { useEffect, useState } from 'react';
import type { ArtLayer } from '../../worker/artwork.worker.ts';
import { artworkWorker } from '../../worker/artworkClient.ts';

export type Picture =
  | { status: 'reading' }
  | { status: 'shown'; bitmap: ImageBitmap; figures: ArtFigures; isStale: boolean }
  | { status: 'failed'; reason: string };

/** Figures and picture of an artwork for a job, made in the worker. An answer for a former job is dropped. */
export function useArtwork(artworkId: string, job: ArtJob, layer: ArtLayer): Picture {
  const [picture, setPicture] = useState<Picture>({ status: 'reading' });
  const jobKey = JSON.stringify(job);
  useEffect(() => {
    let isCurrent = true;
    setPicture((before) =>
      before.status === 'shown' ? { ...before, isStale: true } : { status: 'reading' },
    );
    const asked = JSON.parse(jobKey) as ArtJob;
    const make = async (): Promise<void> => {
      const worker = artworkWorker();
      const figures = await worker.analyse(artworkId, asked);
      const bitmap = await worker.picture(artworkId, asked, layer);
      if (isCurrent) setPicture({ status: 'shown', bitmap, figures, isStale: false });
      else bitmap.close();
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
