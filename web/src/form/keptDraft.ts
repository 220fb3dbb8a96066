/** What was being written when a page closed, and the version of the record it was made from. */
export interface KeptDraft<T> {
  /** What the form showed: what is sent back, whatever came after. */
  version: number;
  values: T;
}

/** Reads a draft; one that cannot be read, or does not say its version, is none. */
export function readDraft<T>(storage: Pick<Storage, 'getItem'>, key: string): KeptDraft<T> | null {
  try {
    const kept = JSON.parse(storage.getItem(key) ?? 'null') as Partial<KeptDraft<T>> | null; // written by us alone
    return typeof kept?.version === 'number' && kept.values !== undefined
      ? { version: kept.version, values: kept.values }
      : null;
  } catch {
    return null;
  }
}

export function keepDraft(storage: Pick<Storage, 'setItem'>, key: string, draft: KeptDraft<unknown>): void {
  storage.setItem(key, JSON.stringify(draft));
}
