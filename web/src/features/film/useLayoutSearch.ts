import type { FilmAnswer, FilmProblem, Placement } from '@saltflat/core/film';
import type { Asked } from '@saltflat/core/task';
import { useEffect, useRef, useState } from 'react';
import { filmRacers } from '../../worker/filmClient.ts';
import { bestOf, isWhole } from './bestOf.ts';

/** A search ends by itself after so long, ms: what it finds later is seldom worth the wait. */
const LONGEST_MS = 20_000;

/** A search for a layout, as a page shows it. */
export type LayoutSearch =
  | { status: 'none' }
  | { status: 'running'; answer: FilmAnswer | null; since: number }
  | { status: 'done'; answer: FilmAnswer }
  | { status: 'failed'; why: string };

/** Asks every thread for a layout, each with a seed of its own. @param told the best of them, as it gets better */
function race(
  problem: FilmProblem,
  from: readonly Placement[],
  { turn, told }: { turn: number; told: (best: FilmAnswer | null) => void },
): Asked<FilmAnswer>[] {
  const soFar: FilmAnswer[] = [];
  return filmRacers.map((racer, i) => {
    const seed = filmRacers.length * turn + i; // looking again is looking elsewhere
    const question = { problem, seed, rounds: Infinity, from };
    return racer.ask('layout', question, undefined, (answer) => {
      soFar[i] = answer;
      const known = soFar.filter((own) => own !== undefined);
      told(bestOf(problem, known));
    });
  });
}

/** Lays film out in threads that race, until it is stopped, nothing can be gained or the time is up. */
export function useLayoutSearch(onDone: (answer: FilmAnswer) => void): {
  search: LayoutSearch;
  begin: (problem: FilmProblem, from: readonly Placement[]) => void;
  /** Enough: the best there is becomes the layout, once there is one with all its pieces. */
  stop: () => void;
} {
  const [search, setSearch] = useState<LayoutSearch>({ status: 'none' });
  const asked = useRef<readonly Asked<FilmAnswer>[]>([]);
  const latest = useRef(0);
  const done = useRef(onDone);
  done.current = onDone;
  const standing = useRef({ isEnough: false, hasWhole: false });
  const cancel = (): void => {
    latest.current++;
    for (const own of asked.current) {
      own.answer.catch(() => undefined); // it was cancelled by ourselves
      own.cancel();
    }
    asked.current = [];
  };
  useEffect(() => cancel, []);

  const end = (): void => asked.current.forEach((own) => own.stop());
  const stop = (): void => {
    standing.current.isEnough = true;
    if (standing.current.hasWhole) end();
  };

  function begin(problem: FilmProblem, from: readonly Placement[]): void {
    cancel();
    const turn = latest.current;
    standing.current = { isEnough: false, hasWhole: false };
    setSearch({ status: 'running', answer: null, since: performance.now() });
    asked.current = race(problem, from, { turn, told });

    function told(best: FilmAnswer | null): void {
      if (turn !== latest.current) return;
      setSearch((before) => (before.status === 'running' ? { ...before, answer: best } : before));
      standing.current.hasWhole ||= best !== null && isWhole(problem, best.best);
      if (standing.current.hasWhole && standing.current.isEnough) end();
    }
    const timer = setTimeout(end, LONGEST_MS);
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
