import { Turns } from '../turns.ts';
import { Watch } from '../watch.ts';
import { ChildDied, PictureChild, tooHeavy } from './pictureChild.ts';
import type { TaskLimits } from './pictureChild.ts';
import type { PictureAnswer, PictureKind, PictureQuestion } from './pictureTasks.ts';

/** As many as the shop's machine has processors to spare. */
const PROCESSES = 2;
/** Megapixels under way at once: one of the largest alone, or two of half of it. */
export const MOST_MEGAPIXELS = 110;
const IDLE_MS = 30_000;
/** After one of these a process is let go: what it took it does not give back. A thumbnail is shrunk row by row and takes little. */
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
  // somebody waits at the screen for something short: it does not stand behind what takes long
  const glances = new Turns({
    most: 1,
    waiting: 40,
    patienceMs: 60_000,
    busy: 'More pictures are being looked at than can wait. Try again in a moment.',
  });
  const children = new Children();
  return {
    run: ({ kind, question, megapixels, bytes, onProgress }, use) =>
      // it has limits of its own: whoever asked for it waits for it
      Watch.uncounted(() =>
        (kind === 'firstLook' ? glances : turns).take(
          Math.max(megapixels, MOST_MEGAPIXELS / PROCESSES),
          async () => {
            const input = { ...question, bytes: await bytes() } as never; // the kind says what is asked
            const how = { limits: limits(megapixels), ...(onProgress ? { onProgress } : {}) };
            for (let attempt = 1; ; attempt++) {
              const child = children.take();
              try {
                return await use(await child.run(kind, input, how));
              } catch (error) {
                if (!(error instanceof ChildDied)) throw error;
                if (attempt === MOST_ATTEMPTS) throw tooHeavy(question.name, OUT_OF_MEMORY, error);
              } finally {
                children.giveBack(child, megapixels > LARGE_MEGAPIXELS && kind !== 'thumbnail');
              }
            }
          },
        ),
      ),
    stop: () => Promise.resolve(children.letAllGo()),
  };
}

const OUT_OF_MEMORY = 'could not be drawn: it takes more memory than there is for it';

/** The processes there are: kept a while for the next picture, let go when they are used up or idle. */
class Children {
  private readonly idle: PictureChild[] = [];
  private readonly all = new Set<PictureChild>();
  private sweep: NodeJS.Timeout | undefined;

  take(): PictureChild {
    clearTimeout(this.sweep);
    for (let own = this.idle.pop(); own !== undefined; own = this.idle.pop()) {
      if (!own.isGone) return own;
      this.all.delete(own);
    }
    const fresh = new PictureChild();
    this.all.add(fresh);
    return fresh;
  }

  giveBack(child: PictureChild, isUsedUp: boolean): void {
    if (isUsedUp || child.isGone) this.letGo(child);
    else this.idle.push(child);
    this.sweep = setTimeout(() => {
      for (const own of this.idle.splice(0)) this.letGo(own);
    }, IDLE_MS);
    this.sweep.unref();
  }

  letAllGo(): void {
    clearTimeout(this.sweep);
    for (const child of [...this.all]) this.letGo(child);
  }

  private letGo(child: PictureChild): void {
    child.stop();
    this.all.delete(child);
  }
}

/** Times and memory measured with the largest picture on two slow processors, twice over. */
function limitsOf(megapixels: number): TaskLimits {
  return { seconds: 10 + 0.35 * megapixels, memoryMb: Math.round(500 + 15 * megapixels) };
}
