import type { PlanAnswer, PlanInstance, PlannedOp } from '@saltflat/core/plan';
import type { Asked } from '@saltflat/core/task';
import { useEffect, useRef, useState } from 'react';
import { planRacers } from '../../worker/planClient.ts';

/** A search ends by itself after so long, ms: what it finds later is seldom worth the wait. */
const LONGEST_MS = 12_000;

/** A search for a better plan, as a page shows it. */
export type PlanSearchState =
  | { status: 'none' }
  /** `isQuiet`: nobody asked for it, so nothing on the page makes room for it. */
  | { status: 'running'; answer: PlanAnswer | null; isQuiet: boolean }
  | { status: 'done'; answer: PlanAnswer; isQuiet: boolean }
  | { status: 'failed'; why: string };

/** The less late plan; of those as late the one that is through first, then the one with fewer changes. */
export function betterAnswer(p: PlanAnswer, q: PlanAnswer): PlanAnswer {
  const rank = ({ best: { score, leftOut } }: PlanAnswer): number[] => [
    leftOut.length,
    score.lateness,
    score.finish,
    score.setup,
    score.moved,
  ];
  const [of, to] = [rank(p), rank(q)];
  const i = of.findIndex((figure, k) => figure !== to[k]);
  return i >= 0 && (of[i] ?? 0) > (to[i] ?? 0) ? q : p;
}

/** Plans in threads that race, until it is stopped, nothing can be gained or the time is up. */
export function usePlanSearch(): {
  search: PlanSearchState;
  begin: (instance: PlanInstance, from: readonly PlannedOp[] | null, isQuiet?: boolean) => void;
  /** Enough: the best there is becomes the answer. */
  stop: () => void;
  forget: () => void;
} {
  const [search, setSearch] = useState<PlanSearchState>({ status: 'none' });
  const asked = useRef<readonly Asked<PlanAnswer>[]>([]);
  const turn = useRef(0);
  const cancel = (): void => {
    turn.current++;
    for (const own of asked.current) {
      own.answer.catch(() => undefined); // it was cancelled by ourselves
      own.cancel();
    }
    asked.current = [];
  };
  useEffect(() => cancel, []);
  const stop = (): void => asked.current.forEach((own) => own.stop());

  function begin(instance: PlanInstance, from: readonly PlannedOp[] | null, isQuiet = false): void {
    cancel();
    const mine = turn.current;
    setSearch({ status: 'running', answer: null, isQuiet });
    let best: PlanAnswer | null = null;
    const told = (answer: PlanAnswer): void => {
      if (mine !== turn.current) return;
      best = best === null ? answer : betterAnswer(best, answer);
      const shown = best;
      setSearch((before) => (before.status === 'running' ? { ...before, answer: shown } : before));
    };
    asked.current = planRacers.map((racer, i) => {
      const seed = planRacers.length * mine + i + 1; // looking again is looking elsewhere
      const question = { instance, seed, tries: Infinity, ...(from === null ? {} : { from }) };
      return racer.ask('plan', question, undefined, told);
    });
    const timer = setTimeout(stop, LONGEST_MS);
    Promise.all(asked.current.map(({ answer }) => answer))
      .then(
        (answers) => {
          if (mine === turn.current)
            setSearch({ status: 'done', answer: answers.reduce(betterAnswer), isQuiet });
        },
        (error: unknown) => {
          if (mine !== turn.current) return;
          cancel();
          setSearch({ status: 'failed', why: error instanceof Error ? error.message : String(error) });
        },
      )
      .finally(() => clearTimeout(timer));
  }
  const forget = (): void => {
    cancel();
    setSearch({ status: 'none' });
  };
  return { search, begin, stop, forget };
}
