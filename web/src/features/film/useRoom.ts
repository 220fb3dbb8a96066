import { oneMore, oneMoreIn } from '@saltflat/core/film';
import type { FilmProblem, OneMore, Placement } from '@saltflat/core/film';
import { useRef, useState } from 'react';
import { filmRacers } from '../../worker/filmClient.ts';

/** One more copy, and whether there is room for it. */
export type Room =
  | { status: 'none' }
  | { status: 'looking' }
  /** No gap takes it: film gets longer, or another sheet begins. */
  | ({ status: 'longer' } & OneMore)
  | { status: 'failed'; why: string };

/** Looks for a gap that takes one more piece while all others stay where they are. */
export function useRoom(onFound: (own: Placement) => void) {
  const [room, setRoom] = useState<Room>({ status: 'none' });
  const latest = useRef(0);
  const found = useRef(onFound);
  found.current = onFound;
  const forget = (): void => {
    latest.current++;
    setRoom({ status: 'none' });
  };
  /** @param problem with the new copy in it */
  function look(problem: FilmProblem, placements: readonly Placement[]): void {
    const turn = ++latest.current;
    const [racer] = filmRacers;
    if (!racer) return;
    setRoom({ status: 'looking' });
    const question = oneMore(problem, placements);
    racer.ask('layout', question).answer.then(
      (answer) => {
        if (turn !== latest.current) return;
        const more = oneMoreIn(question, answer);
        if (!more) setRoom({ status: 'failed', why: '' });
        else if (more.byMm > 0 || more.bySheets > 0) setRoom({ status: 'longer', ...more });
        else {
          setRoom({ status: 'none' });
          found.current(more.own);
        }
      },
      (error: unknown) => {
        if (turn === latest.current)
          setRoom({ status: 'failed', why: error instanceof Error ? error.message : String(error) });
      },
    );
  }
  return { room, look, forget };
}
