import { Turns } from '../turns.ts';
import { Watch } from '../watch.ts';
import { ChildDied, PictureChild, tooHeavy } from './pictureChild.ts';
import type { TaskLimits } from './pictureChild.ts';
import type { PictureAnswer, PictureKind, PictureQuestion } from './pictureTasks.ts';

/** As many as the shop's machine has processors to spare. */
const PROCESSES = 2;
/** Megapixels under way at once: one of the largest alone, or two of half of it. */
const MOST_MEGAPIXELS = 110;
const IDLE_MS = 30_000;
/** After one of these a process is let go: what it took it does not give back. */
const LARGE_MEGAPIXELS = 30;

/** A process that dies may have been the machine's fault; one that dies again was this picture's. */
const MOST_ATTEMPTS = 2;

/** What is asked, and how heavy it is. */
export interface PictureWork<K extends PictureKind> {
  kind: K;
  question: PictureQuestion<K>;
  /** How much there is to decode. */
  megapixels: number;
  /** Of the picture, fetched when it is its turn. */
  bytes: () => Promise<Buffer>;
  /** Told the share done, 0–1. */
  onProgress?: (share: number) => void;
}

/** Where pictures are read, cleaned, drawn and encoded: processes apart from the one that answers, in a queue by megapixels. */
export interface Pictures {
  /**
   * @param task what is asked; one under which a process dies for no known reason is begun again once
   * @param use what is done with the result while its place is kept: a large one is held until it is sent
   * @throws DomainError as the picture deserves, or `busy`
   */
  run: <K extends PictureKind, T>(
    task: PictureWork<K>,
    use: (done: PictureAnswer<K>) => T | Promise<T>,
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
    run: ({ kind, question, megapixels, bytes, onProgress }, use) =>
      // it has limits of its own: whoever asked for it waits for it
      Watch.uncounted(() =>
        turns.take(Math.max(megapixels, MOST_MEGAPIXELS / PROCESSES), async () => {
          const input = { ...question, bytes: await bytes() } as never; // the kind says what is asked
          const how = { limits: limits(megapixels), ...(onProgress ? { onProgress } : {}) };
          for (let attempt = 1; ; attempt++) {
            const child = take();
            try {
              return await use(await child.run(kind, input, how));
            } catch (error) {
              if (!(error instanceof ChildDied)) throw error;
              if (attempt === MOST_ATTEMPTS)
                throw tooHeavy(
                  question.name,
                  'could not be drawn: it takes more memory than there is for it',
                  error,
                );
            } finally {
              giveBack(child, megapixels > LARGE_MEGAPIXELS);
            }
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
