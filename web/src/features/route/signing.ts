import type { Signed } from '@saltflat/contract';
import { compiled, trimmed, useFilled } from '../../form/index.ts';

const FILLED = { check: compiled('words', 'signed'), documentOf: trimmed };

/**
 * Who decides something of a route and why, as a form.
 *
 * @param onSign plans with it; a sentence when it is refused
 */
export const useSigning = (who: string, onSign: (signed: Signed) => Promise<string | null>) =>
  useFilled<Pick<Signed, 'who' | 'why'>, Signed, null>({
    filled: FILLED,
    values: { who, why: '' },
    send: async (signed) => ({ error: (await onSign(signed)) ?? undefined }),
  });
