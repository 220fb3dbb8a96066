import type { Run } from '@saltflat/contract';
import type { FollowedRun } from '@saltflat/core/run';
import { Memory } from '../../memory.ts';
import type { OutcomeRow } from './projectOutcomes.ts';

/** A run as it stood after its last event: what the next one is added to. */
export interface KnownRun {
  run: Run;
  /** Follows the events as one is added to them; only who holds the run's row may read it. */
  followed: FollowedRun;
  outcomes: OutcomeRow[];
}

const MOST = 24; // runs on a floor at a time; each some hundred kilobytes

/**
 * What was last read of the runs that are being worked on. Events are only ever added: whoever knows as many of a run's
 * events as its row counts knows all of them, whichever server wrote them.
 */
export const createRunMemory = (): Memory<KnownRun> => new Memory(MOST);
