import { useState } from 'react';
import { keepDraft, readDraft } from './keptDraft.ts';

/**
 * What is set on a part of a page and saved nowhere: it outlives a reload of its tab.
 *
 * @param name its own, with all that it hangs on: what was kept under another name is not found again
 * @returns what stands, how parts of it are changed, and how it is forgotten
 */
export function useKept<T extends object>(
  name: string,
  fresh: () => T,
): readonly [value: T, put: (part: Partial<T>) => void, forget: () => void] {
  const key = `saltflat.kept.${name}`;
  const [value, setValue] = useState<T>(() => ({
    ...fresh(), // what is newer than the page that kept it stands as it begins
    ...readDraft<Partial<T>>(sessionStorage, key)?.values,
  }));
  const put = (part: Partial<T>): void =>
    setValue((before) => {
      const next = { ...before, ...part };
      keepDraft(sessionStorage, key, { version: 1, values: next });
      return next;
    });
  const forget = (): void => {
    sessionStorage.removeItem(key);
    setValue(fresh());
  };
  return [value, put, forget];
}
