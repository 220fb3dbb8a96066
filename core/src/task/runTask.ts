import type { Task } from './task.ts';

/** What a person wants of a task that runs: to go on, to give what it has, or to be forgotten. */
export type Wish = 'go-on' | 'stop' | 'cancel';

/** How a task is run: by the clock and the pauses of its host. */
export interface Running<Answer = unknown> {
  /** Asked between two steps. */
  wish?: () => Wish;
  /** Told the share done, 0–1: never less than before. */
  onProgress?: (share: number) => void;
  /** Told the best there is whenever it is another, before a pause. */
  onSoFar?: (answer: Answer) => void;
  /** Lets others have the thread; called when a step is over and `everyMs` have passed since the last. */
  pause?: () => Promise<void>;
  everyMs?: number;
  /** ms, from any beginning. */
  now?: () => number;
}

/** How a task ended. */
export type Ended<Answer> =
  | { how: 'done' | 'stopped'; answer: Answer }
  /** Stopped before it had anything to show, or cancelled. */
  | { how: 'cancelled' };

/**
 * Runs a task in the thread it is called in, until it is done, stopped or cancelled.
 *
 * @throws whatever the task throws
 */
export async function runTask<Input, State, Answer>(
  task: Task<Input, State, Answer>,
  input: Input,
  { wish = goOn, onProgress, onSoFar, pause, everyMs = 12, now = () => 0 }: Running<Answer> = {},
): Promise<Ended<Answer>> {
  const state = await task.start(input);
  let told = 0;
  let pausedAt = now();
  let shown: Answer | null = null;
  for (;;) {
    const wanted = wish();
    if (wanted === 'cancel') return { how: 'cancelled' };
    if (wanted === 'stop') return ended('stopped', task.answer(state));
    const { share, isDone } = await task.improve(state);
    if (share > told) {
      told = Math.min(1, share);
      onProgress?.(told);
    }
    if (isDone) return ended('done', task.answer(state));
    if (pause === undefined || now() - pausedAt < everyMs) continue;
    const soFar = onSoFar && task.answer(state);
    if (soFar != null && soFar !== shown) {
      shown = soFar;
      onSoFar?.(soFar);
    }
    await pause();
    pausedAt = now();
  }
}

const goOn = (): Wish => 'go-on';

const ended = <Answer>(how: 'done' | 'stopped', answer: Answer | null): Ended<Answer> =>
  answer === null ? { how: 'cancelled' } : { how, answer };
