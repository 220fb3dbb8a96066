import type { ArtStep, UnderbaseSettings } from '@saltflat/core/artwork';
import { useCallback, useEffect, useState } from 'react';
import { beginWith, changed, redone, undone } from './draftHistory.ts';

/** What a person is trying on an artwork before it is kept for the line. */
export interface ArtDraft {
  steps: ArtStep[];
  white: Partial<Pick<UnderbaseSettings, 'minDot' | 'gamma' | 'nearGarment' | 'highlight'>>;
  chokeMm: number;
  density: number;
  widthMm: number;
}

export interface ArtDraftState {
  draft: ArtDraft;
  /** Differs from what the line is printed with. */
  isChanged: boolean;
  canUndo: boolean;
  canRedo: boolean;
  change: (part: Partial<ArtDraft>, kind?: string) => void;
  undo: () => void;
  redo: () => void;
  reset: () => void;
}

/** A draft with undo and redo that survives a reload of the page, kept apart for each line and what was kept for it. */
export function useArtDraft(lineId: string, kept: ArtDraft): ArtDraftState {
  const keptKey = JSON.stringify(kept);
  const store = `saltflat.art.${lineId}`;
  const [history, setHistory] = useState(() => beginWith(restored(store, keptKey) ?? kept));
  const { past, now, future } = history;
  const isChanged = JSON.stringify(now) !== keptKey;

  useEffect(() => {
    if (isChanged) localStorage.setItem(store, JSON.stringify({ basis: keptKey, draft: now }));
    else localStorage.removeItem(store);
  }, [store, keptKey, now, isChanged]);

  const change = useCallback(
    (part: Partial<ArtDraft>, kind?: string): void => setHistory((before) => changed(before, part, kind)),
    [],
  );
  const undo = useCallback((): void => setHistory(undone), []);
  const redo = useCallback((): void => setHistory(redone), []);
  const reset = useCallback((): void => change(JSON.parse(keptKey) as ArtDraft), [change, keptKey]);
  return {
    draft: now,
    isChanged,
    canUndo: past.length > 0,
    canRedo: future.length > 0,
    change,
    undo,
    redo,
    reset,
  };
}

/** What was being tried before a reload, if the line is still as it was then. */
function restored(store: string, keptKey: string): ArtDraft | null {
  try {
    const saved = JSON.parse(localStorage.getItem(store) ?? 'null') as {
      basis: string;
      draft: ArtDraft;
    } | null; // written by us
    return saved?.basis === keptKey ? saved.draft : null;
  } catch {
    return null; // not readable: begin with what is kept
  }
}
