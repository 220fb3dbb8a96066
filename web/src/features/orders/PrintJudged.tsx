import { t } from '../../words/index.ts';
import type { Fix } from '@saltflat/core/artwork';
import type { JudgementQuery } from '@saltflat/contract';
import { skipToken } from '@reduxjs/toolkit/query';
import { Suspense, lazy, useEffect } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { useAttempt } from '../../api/useAttempt.ts';
import { useSignature } from '../../person/personSlice.ts';
import { useJudgementQuery, useMakeReadyMutation } from './judgementsApi.ts';
import type { LineValues, PrintValues, ReadyArt } from './orderFormValues.ts';
import { useSettled } from './useSettled.ts';
import { Refusal } from '../../ui/index.ts';

/** With all sentences it weighs as much as a page: it comes with the first art. */
const load = () => import('./JudgedArt.tsx');
const JudgedArt = lazy(load);

interface Props {
  line: LineValues;
  print: PrintValues;
  onChange: (part: Partial<PrintValues>) => void;
}

const TYPING_MS = 350;

/** Judges a print's art as soon as it is there, and again for what is chosen meanwhile; mends it by one press. */
export function PrintJudged({ line, print, onChange }: Props) {
  const query = useSettled(queryOf(line, print), TYPING_MS);
  const first = useJudgementQuery(query ? { ...query, isFirstLookEnough: true } : skipToken);
  // a large picture is seen in small at first, so that nobody waits for what its last pixel says
  const isAllAsked = first.currentData?.isFirstLook === true;
  const all = useJudgementQuery(query && isAllAsked ? query : skipToken);
  const { data, error, isFetching, refetch } = isAllAsked && (all.currentData || all.error) ? all : first;
  const [makeReady] = useMakeReadyMutation();
  const attempt = useAttempt();
  const by = useSignature();
  const { artwork, preparation } = print;
  const hasArt = artwork !== null;
  useEffect(() => {
    if (hasArt) void load(); // while the art is being looked over
  }, [hasArt]);
  if (artwork === null || query === null) return null;
  const keep = (steps: ReadyArt['steps']): void => {
    const white = preparation?.white ?? {};
    if (steps.length === 0 && Object.keys(white).length === 0) {
      onChange({ preparation: null });
      return;
    }
    void attempt.make(
      'mend',
      () => makeReady({ artworkId: artwork.id, steps, white, by }),
      (made) => onChange({ preparation: made }),
    );
  };
  const steps = preparation?.steps ?? [];
  const mend = (fix: Fix): void =>
    fix.kind === 'print-width' ? onChange({ widthMm: fix.widthMm }) : keep([...steps, fix.step]);
  if (error)
    return (
      <Refusal
        words={t('The art could not be judged: {error}', { error: problemMessage(error) })}
        onRetry={() => void refetch()}
        isRetrying={isFetching}
      />
    );
  const waiting = (
    <p className="muted small" role="status">
      {t('Looking the art over …')}
    </p>
  );
  if (!data) return waiting;
  return (
    <Suspense fallback={waiting}>
      <JudgedArt
        findings={data.findings}
        done={steps}
        onFix={mend}
        onUndo={() => keep(steps.slice(0, -1))}
        isBusy={attempt.isBusy('mend') || isFetching}
        refusal={attempt.refusal('mend')}
      >
        {data.isFirstLook && (
          <p className="muted small" role="status">
            {t('At a first look. All of its pixels are being measured: that may tell more.')}
          </p>
        )}
      </JudgedArt>
    </Suspense>
  );
}

/** What is asked of the server; `null` while too little is known. */
const queryOf = (
  { styleId, colourId }: LineValues,
  { artwork, preparation, widthMm, process }: PrintValues,
): JudgementQuery | null =>
  artwork === null || widthMm === null || widthMm < 5
    ? null
    : {
        artworkId: artwork.id,
        preparationId: preparation?.id ?? null,
        styleId,
        colourId,
        widthMm,
        process,
      };
