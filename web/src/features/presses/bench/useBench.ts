import type { BenchStack, OperationHeat } from '@saltflat/core/heat';
import { useEffect, useState } from 'react';
import { heatTasks } from '../../../worker/heatClient.ts';
import { problemsOf } from './benchProblems.ts';

/** What each stack comes to, in the heat thread; `null` for one that cannot be, or is still being worked out. */
export function useBench(stacks: readonly BenchStack[]): (OperationHeat | null)[] {
  const [found, setFound] = useState<ReadonlyMap<string, OperationHeat>>(new Map());
  const keys = stacks.map((own) => JSON.stringify(own));
  const asked = keys.join('\n');
  useEffect(() => {
    let isGone = false;
    for (const key of asked.split('\n')) {
      const stack = JSON.parse(key) as BenchStack; // made above
      if (Object.keys(problemsOf(stack)).length > 0) continue;
      heatTasks.ask('bench', stack).answer.then(
        (heat) => !isGone && setFound((before) => new Map(before).set(key, heat)),
        () => undefined, // it is left out, which the page says
      );
    }
    return () => {
      isGone = true;
    };
  }, [asked]);
  return keys.map((key) => found.get(key) ?? null);
}
