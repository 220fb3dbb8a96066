import { inWords } from '@saltflat/core/words';
import type { AnySaid, Speech } from '@saltflat/core/words';
import { useMemo } from 'react';
import { useWriting } from './writingSlice.ts';

/** How things are said to this person. */
export function useSpeech(): Speech {
  const writing = useWriting();
  return useMemo(
    () => ({ system: writing, currency: writing.currency, language: writing.language }),
    [writing],
  );
}

/** Puts what is said into words, in the units that are shown. Apart from the units, since all sentences come with it. */
export function useWords(): (said: AnySaid) => string {
  const speech = useSpeech();
  return (said) => inWords(said, speech);
}
