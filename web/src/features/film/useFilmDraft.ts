import type { Placement } from '@saltflat/core/film';
import { useEffect, useState } from 'react';
import { beginWith, changed, redone, undone } from '../../form/index.ts';
import type { DraftHistory } from '../../form/index.ts';
import { remembered } from '../../units/remembered.ts';
import type { FilmDraft } from './filmJob.ts';

/** A layout that is worked on, with undo; kept on this device through reloads, for each film and powder. */
export function useFilmDraft(group: string, fresh: FilmDraft) {
  const store = `saltflat.film-draft.${group}`;
  const [history, setHistory] = useState<DraftHistory<FilmDraft>>(() =>
    beginWith({ ...fresh, ...remembered(store) }),
  );
  const { past, now, future } = history;
  useEffect(() => localStorage.setItem(store, JSON.stringify(now)), [store, now]);
  const change = (part: Partial<FilmDraft>, kind?: string): void =>
    setHistory((before) => changed(before, part, kind));
  return {
    draft: now,
    change,
    /** Moves or turns one copy; moves of the same copy in a row are one step back. */
    place: (own: Placement): void =>
      change(
        { placements: now.placements.map((known) => (known.key === own.key ? own : known)) },
        `place ${own.key}`,
      ),
    undo: (): void => setHistory(undone),
    redo: (): void => setHistory(redone),
    canUndo: past.length > 0,
    canRedo: future.length > 0,
  };
}
