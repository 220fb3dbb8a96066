import type { ArtFigures, ArtJob } from '@saltflat/core/artwork';
import type { Asked } from '@saltflat/core/task';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { ArtLayer, ArtPicture } from '../../worker/artwork.worker.ts';
import { artworkTasks } from '../../worker/artworkClient.ts';
import { isMask } from './layers.ts';

export interface ArtState {
  picture: ArtPicture | null;
  /** Of the newest job that was measured whole; see `isStale`. */
  figures: ArtFigures | null;
  /** Figures are of a former job, or the picture is not of every pixel yet. */
  isStale: boolean;
  /** Share measured, 0–1, while it goes on. */
  progress: number;
  problem: string | null;
  retry: () => void;
}

const SETTLE_MS = 160; // a slider at rest for this long has its full answer worked out

/** Picture and figures of an artwork for a job: a quick picture first, then every pixel. Answers for former jobs are dropped. */
export function useArtwork(artworkId: string, job: ArtJob, layer: ArtLayer): ArtState {
  const [picture, setPicture] = useState<ArtPicture | null>(null);
  const [measured, setMeasured] = useState<{ key: string; figures: ArtFigures } | null>(null);
  const [isRough, setIsRough] = useState(true);
  const [progress, setProgress] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const [attempt, setAttempt] = useState(0);
  const jobKey = JSON.stringify(job);

  useEffect(() => {
    const question = { artworkId, job: JSON.parse(jobKey) as ArtJob };
    return showing({ question, layer }, (news) => {
      if (news.say === 'picture') {
        setPicture(news.picture);
        setIsRough(news.isRough);
      } else if (news.say === 'progress') setProgress(news.share);
      else if (news.say === 'figures') setMeasured({ key: jobKey, figures: news.figures });
      else setProblem(news.problem);
    });
  }, [artworkId, jobKey, layer, attempt]);

  // only once the next one is on the page: the canvas may draw the old one until then
  useEffect(
    () => () => {
      if (picture) closePicture(picture);
    },
    [picture],
  );

  const retry = useCallback(() => setAttempt((before) => before + 1), []);
  const isStale = measured?.key !== jobKey || (isRough && isMask(layer));
  const quickInk = picture?.ink ?? null;
  // while the whole is measured, ink and what goes with it follow the quick picture
  const figures = useMemo(
    () => measured && (isStale && quickInk ? { ...measured.figures, ...quickInk } : measured.figures),
    [measured, isStale, quickInk],
  );
  return {
    picture,
    figures,
    isStale: isStale || isRough,
    progress,
    problem,
    retry,
  };
}

type News =
  | { say: 'picture'; picture: ArtPicture; isRough: boolean }
  | { say: 'progress'; share: number }
  | { say: 'figures'; figures: ArtFigures }
  | { say: 'problem'; problem: string | null };

/**
 * Shows an artwork: a quick picture, its figures, then every pixel.
 *
 * @returns ends it: what comes after is dropped, what is under way is cancelled
 */
function showing(
  { question, layer }: { question: { artworkId: string; job: ArtJob }; layer: ArtLayer },
  tell: (news: News) => void,
): () => void {
  const now: { isCurrent: boolean; measuring: Asked<ArtFigures> | null } = {
    isCurrent: true,
    measuring: null,
  };
  const show = async (detail: 'draft' | 'full'): Promise<void> => {
    const picture = await artworkTasks.ask('picture', { ...question, layer, detail }).answer;
    if (now.isCurrent) tell({ say: 'picture', picture, isRough: detail === 'draft' });
    else closePicture(picture);
  };
  const make = async (): Promise<void> => {
    tell({ say: 'problem', problem: null });
    await show('draft');
    await new Promise((resolve) => setTimeout(resolve, SETTLE_MS));
    if (!now.isCurrent) return;
    now.measuring = artworkTasks.ask('figures', question, (share) => {
      if (now.isCurrent) tell({ say: 'progress', share });
    });
    const figures = await now.measuring.answer;
    if (!now.isCurrent) return;
    tell({ say: 'figures', figures });
    tell({ say: 'progress', share: 1 });
    await show('full');
  };
  make().catch((error: unknown) => {
    const problem = error instanceof Error ? error.message : 'The picture could not be made.';
    if (now.isCurrent) tell({ say: 'problem', problem });
  });
  return () => {
    now.isCurrent = false;
    now.measuring?.cancel(); // the pixels of a former job need not be finished
  };
}

/** Gives the memory of a picture back. */
export function closePicture({ bitmap, small }: ArtPicture): void {
  bitmap.close();
  small.close();
}
