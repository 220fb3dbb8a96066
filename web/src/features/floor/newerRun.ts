import type { Run } from '@saltflat/contract';

/**
 * Of two answers about a run the one that knows more. Events are never taken out, so an answer with fewer was asked for
 * earlier and only came later: shown, it would take the floor back to a step that is done.
 */
export const newerRun = <R extends Pick<Run, 'events'>>(known: R | undefined, answer: R): R =>
  known !== undefined && known.events.length > answer.events.length ? known : answer;
