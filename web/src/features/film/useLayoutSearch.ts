import { compareLayouts } from '@saltflat/core/film';
import type { FilmAnswer, FilmLayout, FilmProblem, Placement } from '@saltflat/core/film';
import type { Asked } from '@saltflat/core/task';
import { useEffect, useRef, useState } from 'react';
import { filmRacers } from '../../worker/filmClient.ts';

/** A search ends by itself after so long, ms: what it finds later is seldom worth the wait. */
const LONGEST_MS = 20_000;

/** A search for a layout, as a page shows it. */
export type LayoutSearch =
  | { status: 'none' }
  | { status: 'running'; answer: FilmAnswer | null; since: number }
  | { status: 'done'; answer: FilmAnswer }
  | { status: 'failed'; why: string };

/** Of several searches the best layouts. */
export function bestOf(problem: FilmProblem, answers: readonly FilmAnswer[]): FilmAnswer | null {
  const [first, ...rest] = answers;
  if (first === undefined) return null;
  const better = (p: FilmLayout | null, q: FilmLayout | null): FilmLayout | null => {
    if (p === null || q === null) return p ?? q;
    return compareLayouts(problem, p, q) <= 0 ? p : q;
  };
  return rest.reduce<FilmAnswer>(
    (known, own) => ({
      ...known,
      best: better(known.best, own.best) ?? known.best,
      rows: better(known.rows, own.rows),
      rounds: known.rounds + own.rounds,
    }),
    first,
  );
}

/** Lays film out in threads that race, until it is stopped, nothing can be gained or the time is up. */
export function useLayoutSearch(onDone: (answer: FilmAnswer) => void): {
  search: LayoutSearch;
  begin: (problem: FilmProblem, from: readonly Placement[]) => void;
  /** Enough: the best there is becomes the layout. */
  stop: () => void;
} {
  const [search, setSearch] = useState<LayoutSearch>({ status: 'none' });
  const asked = useRef<readonly Asked<FilmAnswer>[]>([]);
  const latest = useRef(0);
  const done = useRef(onDone);
  done.current = onDone;
  const cancel = (): void => {
    latest.current++;
    for (const own of asked.current) {
      own.answer.catch(() => undefined); // it was cancelled by ourselves
      own.cancel();
    }
    asked.current = [];
  };
  useEffect(() => cancel, []);

  const stop = (): void => asked.current.forEach((own) => own.stop());

  function begin(problem: FilmProblem, from: readonly Placement[]): void {
    cancel();
    const turn = latest.current;
    const soFar: FilmAnswer[] = [];
    setSearch({ status: 'running', answer: null, since: performance.now() });
    asked.current = filmRacers.map((racer, i) => {
      const seed = filmRacers.length * turn + i; // looking again is looking elsewhere
      return racer.ask('layout', { problem, seed, rounds: Infinity, from }, undefined, (answer) => {
        if (turn !== latest.current) return;
        soFar[i] = answer;
        const best = bestOf(
          problem,
          soFar.filter((own) => own !== undefined),
        );
        setSearch((before) => (before.status === 'running' ? { ...before, answer: best } : before));
      });
    });
    const timer = setTimeout(stop, LONGEST_MS);
    Promise.all(asked.current.map(({ answer }) => answer))
      .then(
        (answers) => {
          if (turn !== latest.current) return;
          const answer = bestOf(problem, answers);
          if (answer === null) return;
          setSearch({ status: 'done', answer });
          done.current(answer);
        },
        (error: unknown) => {
          if (turn !== latest.current) return;
          cancel();
          setSearch({ status: 'failed', why: error instanceof Error ? error.message : String(error) });
        },
      )
      .finally(() => clearTimeout(timer));
  }

  return { search, begin, stop };
}
