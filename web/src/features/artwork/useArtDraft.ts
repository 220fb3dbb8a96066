import type { ArtStep, UnderbaseSettings } from '@saltflat/core/artwork';
import { useCallback, useEffect, useState } from 'react';
import { beginWith, changed, redone, undone } from '../../form/index.ts';

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
  /** The route version the person saw when they began: what a write names. */
  basedOn: number | null;
  /** Differs from what the line is printed with. */
  isChanged: boolean;
  /** The line was planned anew by somebody else since. */
  isOvertaken: boolean;
  canUndo: boolean;
  canRedo: boolean;
  change: (part: Partial<ArtDraft>, kind?: string) => void;
  undo: () => void;
  redo: () => void;
  reset: () => void;
  /** Go on with what is tried, knowing the newer route. */
  keepMine: () => void;
  /** What was tried is what the line is printed with now. */
  wasKept: () => void;
}

/** A draft as it is kept on this device: with the route version the person saw when they began. */
interface SavedDraft {
  basedOn: number | null;
  draft: ArtDraft;
}

/**
 * A draft with undo and redo that survives a reload of the page, kept apart for each line.
 *
 * @param kept what the line is printed with now
 * @param current the route version that is; `null` where there is none
 */
export function useArtDraft(lineId: string, kept: ArtDraft, current: number | null): ArtDraftState {
  const keptKey = JSON.stringify(kept);
  const store = `saltflat.art-draft.${lineId}`;
  const [saved] = useState(() => restored(store));
  const [history, setHistory] = useState(() => beginWith(saved?.draft ?? kept));
  const [begun, setBegun] = useState<number | null | undefined>(saved?.basedOn); // undefined: nothing is tried
  const { past, now, future } = history;
  const isChanged = JSON.stringify(now) !== keptKey;
  const basedOn = begun === undefined ? current : begun;

  useEffect(() => {
    if (isChanged) localStorage.setItem(store, JSON.stringify({ basedOn, draft: now } satisfies SavedDraft));
    else localStorage.removeItem(store);
  }, [store, basedOn, now, isChanged]);

  const change = useCallback(
    (part: Partial<ArtDraft>, kind?: string): void => {
      setBegun((before) => (before === undefined ? current : before));
      setHistory((before) => changed(before, part, kind));
    },
    [current],
  );
  const undo = useCallback((): void => setHistory(undone), []);
  const redo = useCallback((): void => setHistory(redone), []);
  const reset = useCallback((): void => {
    setHistory((before) => changed(before, JSON.parse(keptKey) as ArtDraft));
    setBegun(undefined);
  }, [keptKey]);
  return {
    draft: now,
    basedOn,
    isChanged,
    isOvertaken: isChanged && basedOn !== current,
    canUndo: past.length > 0,
    canRedo: future.length > 0,
    change,
    undo,
    redo,
    reset,
    keepMine: () => setBegun(current),
    wasKept: () => setBegun(undefined),
  };
}

/** What was being tried before a reload, and on what it was based. */
function restored(store: string): SavedDraft | null {
  try {
    const saved = JSON.parse(localStorage.getItem(store) ?? 'null') as Partial<SavedDraft> | null; // written by us
    return saved?.draft && saved.basedOn !== undefined
      ? { basedOn: saved.basedOn, draft: saved.draft }
      : null;
  } catch {
    return null; // not readable: begin with what is kept
  }
}
