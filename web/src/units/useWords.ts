import { inWords } from '@saltflat/core/words';
import type { AnySaid } from '@saltflat/core/words';
import { useUnits } from './unitsSlice.ts';

/** Puts what is said into words, in the units that are shown. Apart from the units, since all sentences come with it. */
export function useWords(): (said: AnySaid) => string {
  const system = useUnits();
  return (said) => inWords(said, { system, language: 'en' });
}
