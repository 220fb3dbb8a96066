import { useState } from 'react';
import { keepDraft, readDraft } from './keptDraft.ts';
import type { KeptDraft } from './keptDraft.ts';

export interface VersionedDraft<T> {
  values: T;
  /** The version that is being changed: what the person saw, whatever came after. */
  version: number;
  /** The record was changed by somebody else since. */
  isOvertaken: boolean;
  change: (values: T) => void;
  /** Go on with what is written, knowing theirs. */
  keepMine: () => void;
  /** Give up what is written. */
  startAgain: () => void;
}

/** A record being changed: shown as it is until something is written; what is written then survives a reload with its version. */
export function useVersionedDraft<T>(key: string, current: KeptDraft<T>): VersionedDraft<T> {
  const [draft, setDraft] = useState(() => readDraft<T>(sessionStorage, key));
  const keep = (next: KeptDraft<T>): void => {
    setDraft(next);
    keepDraft(sessionStorage, key, next);
  };
  return {
    values: draft?.values ?? current.values,
    version: draft?.version ?? current.version,
    isOvertaken: draft !== null && draft.version !== current.version,
    change: (values) => keep({ version: draft?.version ?? current.version, values }),
    keepMine: () => draft && keep({ ...draft, version: current.version }),
    startAgain: () => {
      setDraft(null);
      sessionStorage.removeItem(key);
    },
  };
}
