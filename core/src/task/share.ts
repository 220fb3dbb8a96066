import type { TaskClient } from './taskClient.ts';
import type { AnswerOf, InputOf, Tasks } from './task.ts';

/** How work of a kind is divided among hosts, and put together again. */
export interface Division<Input, Answer> {
  /** @param parts at most so many, ≥ 1; fewer where there is less to do */
  divide: (input: Input, parts: number) => readonly Input[];
  /** @param answers in the order of the inputs they are for; at least one */
  join: (answers: readonly Answer[]) => Answer;
}

/**
 * One task done by several hosts at once: each gets its part, progress is the mean of theirs. Where a part fails the
 * others are cancelled.
 *
 * @throws as the first part that fails
 */
export async function share<T extends Tasks, K extends keyof T & string>(
  clients: readonly TaskClient<T>[],
  { kind, input }: { kind: K; input: InputOf<T[K]> },
  { divide, join }: Division<InputOf<T[K]>, AnswerOf<T[K]>>,
  onProgress: (share: number) => void = () => undefined,
): Promise<AnswerOf<T[K]>> {
  const parts = divide(input, clients.length);
  const shares = parts.map(() => 0);
  const asked = parts.flatMap((part, i) => {
    const client = clients[i % clients.length];
    return client
      ? [
          client.ask(kind, part, (own) => {
            shares[i] = own;
            onProgress(shares.reduce((sum, one) => sum + one, 0) / shares.length);
          }),
        ]
      : [];
  });
  try {
    return join(await Promise.all(asked.map(({ answer }) => answer)));
  } catch (error) {
    for (const own of asked) {
      own.answer.catch(() => undefined); // told once already
      own.cancel();
    }
    throw error;
  }
}
