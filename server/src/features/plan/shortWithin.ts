import type { Material, Run } from '@saltflat/contract';
import type { RunState } from '@saltflat/core/run';
import { runsShort, stockNeeds } from '@saltflat/core/stock';
import type { LineToMake, RunningShort } from '@saltflat/core/stock';
import { operationsIn } from '@saltflat/core/work';
import type { ReadyLine } from './planReads.ts';

interface Work {
  ready: readonly ReadyLine[];
  runs: readonly { run: Run; state: RunState }[];
  materials: readonly Material[];
}

/** Materials of which less is noted than the lines that are due until then still take. */
export function shortWithin(untilMs: number, { ready, runs, materials }: Work): RunningShort[] {
  const isSoon = ({ dueAt }: { dueAt: string }): boolean => Date.parse(dueAt) < untilMs;
  const waiting = ready.filter(isSoon).map(({ route: { lanes, operations }, pieces }): LineToMake => ({
    lanes,
    operations,
    pieces,
    leftOf: null,
  }));
  const begun = runs.flatMap(({ run, state }) =>
    run.lines
      .filter((line) => line.finishedAt === null && isSoon(line))
      .map((line) => beingMade(line, state)),
  );
  return runsShort(
    stockNeeds([...waiting, ...begun]),
    materials.map(({ id, name, stock, stockUnit, properties: { widthMm, heightMm } }) => ({
      id,
      name,
      stock,
      stockUnit,
      widthMm: typeof widthMm === 'number' ? widthMm : null,
      heightMm: typeof heightMm === 'number' ? heightMm : null,
    })),
  );
}

/** A line on the floor: what has gone through an operation has had what it takes. */
function beingMade(
  { key, pieces, route: { lanes, operations } }: Run['lines'][number],
  state: RunState,
): LineToMake {
  const parts = Object.values(state.parts).filter((part) => part.line === key && !part.isLost);
  return {
    lanes,
    operations,
    pieces,
    leftOf: ({ id, lane }) => {
      const nth = operationsIn(operations, lane).findIndex((own) => own.id === id);
      return parts.filter((part) => part.lane === lane && part.done <= nth).length;
    },
  };
}
