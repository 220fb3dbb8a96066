const KEPT = 6;

const keyOf = (list: string): string => `saltflat.recent.${list}`;

/** What was chosen lately from a list, newest first; kept on this device. */
export function recentOf(list: string, storage: Pick<Storage, 'getItem'> = localStorage): string[] {
  try {
    const kept: unknown = JSON.parse(storage.getItem(keyOf(list)) ?? '[]');
    return Array.isArray(kept) ? kept.filter((own) => typeof own === 'string') : [];
  } catch {
    return [];
  }
}

/** Notes that something was chosen. */
export function noteRecent(
  list: string,
  id: string,
  storage: Pick<Storage, 'getItem' | 'setItem'> = localStorage,
): void {
  const rest = recentOf(list, storage).filter((own) => own !== id);
  storage.setItem(keyOf(list), JSON.stringify([id, ...rest].slice(0, KEPT)));
}

/** What was chosen lately before all else, each in the order it stood in. */
export function recentFirst<T>(
  items: readonly T[],
  idOf: (item: T) => string,
  recent: readonly string[],
): T[] {
  const rank = (item: T): number => {
    const at = recent.indexOf(idOf(item));
    return at < 0 ? recent.length : at;
  };
  return items
    .map((item, i) => ({ item, i }))
    .sort((a, b) => rank(a.item) - rank(b.item) || a.i - b.i)
    .map(({ item }) => item);
}
