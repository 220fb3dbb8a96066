import { Turns } from '../turns.ts';
import { Watch } from '../watch.ts';
import { PictureChild } from './pictureChild.ts';
import type { TaskLimits } from './pictureChild.ts';
import type { PictureAnswers, PictureTask } from './tasks.ts';

/** As many as the shop's machine has processors to spare. */
const PROCESSES = 2;
/** Megapixels under way at once: one of the largest alone, or two of half of it. */
const MOST_MEGAPIXELS = 110;
const IDLE_MS = 30_000;
/** After one of these a process is let go: what it took it does not give back. */
const LARGE_MEGAPIXELS = 30;

/** Where pictures are read, cleaned, drawn and encoded: processes apart from the one that answers, in a queue by megapixels. */
export interface Pictures {
  /**
   * @param task what is asked
   * @param megapixels how much there is to decode
   * @param bytes of the picture, fetched when it is its turn
   * @param use what is done with the result while its place is kept: a large one is held until it is sent
   * @throws DomainError as the picture deserves, or `busy`
   */
  run: <K extends PictureTask['kind'], T>(
    task: Extract<PictureTask, { kind: K }>,
    megapixels: number,
    bytes: () => Promise<Buffer>,
    use: (done: PictureAnswers[K] & { bytes: Buffer }) => T | Promise<T>,
  ) => Promise<T>;
  stop: () => Promise<void>;
}

/** @param limits of one task, by its megapixels */
export function createPicturePool(limits: (megapixels: number) => TaskLimits = limitsOf): Pictures {
  const turns = new Turns({
    most: MOST_MEGAPIXELS,
    waiting: 40,
    patienceMs: 60_000,
    busy: 'More pictures are being worked on than can wait. Try again in a moment.',
  });
  const idle: PictureChild[] = [];
  const all = new Set<PictureChild>();
  let sweep: NodeJS.Timeout | undefined;

  const letGo = (child: PictureChild): void => {
    child.stop();
    all.delete(child);
  };
  const take = (): PictureChild => {
    clearTimeout(sweep);
    for (let own = idle.pop(); own !== undefined; own = idle.pop()) {
      if (!own.isGone) return own;
      all.delete(own);
    }
    const fresh = new PictureChild();
    all.add(fresh);
    return fresh;
  };
  const giveBack = (child: PictureChild, isUsedUp: boolean): void => {
    if (isUsedUp || child.isGone) letGo(child);
    else idle.push(child);
    sweep = setTimeout(() => idle.splice(0).forEach(letGo), IDLE_MS);
    sweep.unref();
  };
  return {
    run: (task, megapixels, bytes, use) =>
      // it has limits of its own: whoever asked for it waits for it
      Watch.uncounted(() =>
        turns.take(Math.max(megapixels, MOST_MEGAPIXELS / PROCESSES), async () => {
          const child = take();
          try {
            const done = await child.run(task, await bytes(), limits(megapixels));
            return await use({ ...done.answer, bytes: done.bytes } as never); // the task's kind says what its answer holds
          } finally {
            giveBack(child, megapixels > LARGE_MEGAPIXELS);
          }
        }),
      ),
    stop: () => {
      clearTimeout(sweep);
      for (const child of all) letGo(child);
      return Promise.resolve();
    },
  };
}

/** Times and memory measured with the largest picture on two slow processors, twice over. */
function limitsOf(megapixels: number): TaskLimits {
  return { seconds: 10 + 0.35 * megapixels, memoryMb: Math.round(500 + 15 * megapixels) };
}
