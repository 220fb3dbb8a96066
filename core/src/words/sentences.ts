import { CAUTION_WORDS, CHECKS, LOOKS, WAITS } from './checks.ts';
import { FINDINGS } from './findings.ts';
import { HEAT } from './heat.ts';
import { PRESS } from './press.ts';
import { JUDGEMENTS } from './judgements.ts';
import { CONFLICTS, LIMITS } from './limits.ts';
import { PLACING } from './placing.ts';
import { PLANNING } from './planning.ts';
import { REASONS } from './reasons.ts';
import { REFUSALS, SLIPS } from './slipsAndRefusals.ts';
import { SOURCES } from './sourceWords.ts';
import { STEPS } from './steps.ts';

/**
 * Every sentence, by its code. A code is kept in documents: it is never given another meaning, and never taken away while
 * something that was written may carry it.
 */
export const SENTENCES = {
  ...REASONS,
  ...LIMITS,
  ...CONFLICTS,
  ...CHECKS,
  ...LOOKS,
  ...CAUTION_WORDS,
  ...WAITS,
  ...SLIPS,
  ...REFUSALS,
  ...PLACING,
  ...PLANNING,
  ...JUDGEMENTS,
  ...HEAT,
  ...PRESS,
  ...SOURCES,
  ...FINDINGS,
  ...STEPS,
};

export type Sentences = typeof SENTENCES;
