import { setImmediate as others } from 'node:timers/promises';

const AT_ONCE_MS = 20;

/** Does something to each of many items, letting others be answered in between. */
export async function mapBreathing<T, R>(
  items: readonly T[],
  work: (item: T, at: number) => R,
): Promise<R[]> {
  const done: R[] = [];
  let begun = performance.now();
  for (const [at, item] of items.entries()) {
    if (performance.now() - begun > AT_ONCE_MS) {
      await others();
      begun = performance.now();
    }
    done.push(work(item, at));
  }
  return done;
}
