import { workOfRun } from '@saltflat/core/plan';
import type { PlanInstance, PlannedOp, ShopJob } from '@saltflat/core/plan';
import { readStepId } from '@saltflat/core/run';
import type { RunEvent, RunLine, RunOperation, RunState } from '@saltflat/core/run';
import { needsOf } from '@saltflat/core/work';

const MINUTE_MS = 60_000;

/**
 * What the floor would note of a job were its plan followed to the minute: single sheets and loads phase by phase, pieces
 * of a batch one after the other over the minutes in which anybody is there.
 *
 * @param epochMs the plan’s minute 0
 */
export function eventsAsPlanned(
  job: ShopJob,
  plan: readonly PlannedOp[],
  { instance, epochMs }: { instance: PlanInstance; epochMs: number },
): RunEvent[] {
  const { stepsOf, aboutOf } = workOfRun({
    key: job.key,
    plan: job.plan,
    orderOf: () => '',
    machinesFor: () => [{ machine: 'any', state: 0 }],
    labelOf: () => '',
  });
  const events: Omit<RunEvent, 'id' | 'clientSeq'>[] = [];
  const note = (
    kind: RunEvent['kind'],
    step: string,
    minute: number,
    payload: RunEvent['payload'] = {},
  ): void => {
    events.push({
      clientId: 'floor',
      kind,
      step,
      at: new Date(epochMs + minute * MINUTE_MS).toISOString(),
      by: 'Ines',
      payload,
    });
  };
  const judged = new Set(
    job.plan.lines.flatMap(({ operations }) =>
      operations.flatMap(({ id, role }) => (role === 'inspect' ? [id] : [])),
    ),
  );
  const finish = (step: string, minute: number): void => {
    if (judged.has(readStepId(step)?.operation ?? ''))
      note('piece-inspected', step, minute, { inspection: { verdict: 'good', faults: [] } });
    else note('step-completed', step, minute);
  };
  for (const { id, mode, start } of plan) {
    const steps = stepsOf.get(id);
    if (steps === undefined) continue; // another job’s
    const { phases, pools } = instance.ops.find((op) => op.id === id)!.modes[mode]!;
    const rests = Object.keys(pools).length > 0 && (aboutOf.get(id)!.operation.waitAfter?.minS ?? 0) > 0;
    const worked = phases.slice(0, rests ? -1 : undefined); // on its rack it is done with
    const ends = worked.map(({ d, brk }, i) =>
      brk ? pausing(instance, start[i]!, d).at(-1)! + 1 : start[i]! + d,
    );
    if (steps.length > 1) {
      const [{ d, brk }] = worked as [(typeof worked)[number]];
      const minutes = brk
        ? pausing(instance, start[0]!, d)
        : Array.from({ length: d }, (_, i) => start[0]! + i);
      const at = (share: number): number => {
        const exact = share * minutes.length;
        const whole = Math.min(minutes.length - 1, Math.floor(exact));
        return minutes[whole]! + (exact - whole);
      };
      const inTurn = [...steps].sort((p, q) => slotIn(p) - slotIn(q)); // stable: a piece’s own steps stay in order
      for (const [i, step] of inTurn.entries()) {
        note('step-started', step, at(i / steps.length));
        finish(step, at((i + 1) / steps.length));
      }
    } else {
      note('step-started', steps[0]!, start[0]!);
      finish(steps[0]!, ends.at(-1)!);
    }
  }
  // what ends makes room for what begins at the same minute
  const rank = ({ kind }: Pick<RunEvent, 'kind'>): number => Number(kind === 'step-started');
  return events
    .sort((p, q) => p.at.localeCompare(q.at) || rank(p) - rank(q))
    .map((own, i) => ({ ...own, id: `event ${i}`, clientSeq: i + 1 }));
}

const slotIn = (step: string): number => readStepId(step)?.parts[0]?.slot ?? 0;

/** Minutes of work that pauses while nobody is there. */
function pausing({ people }: PlanInstance, from: number, count: number): number[] {
  const minutes: number[] = [];
  for (const [a, b, many] of people)
    for (let t = Math.max(a, from); many > 0 && t < b && minutes.length < count; t++) minutes.push(t);
  return minutes;
}

/** How long each part stood before a step beyond what its route allows, or short of what it asks for, s: an own reading of the route. */
export function waitsBroken(
  lines: readonly RunLine[],
  { steps, parts }: Pick<RunState, 'steps' | 'parts'>,
): { step: string; before: string; byS: number }[] {
  const doneAt = new Map<string, number>();
  for (const { operation, parts: own, completedAt } of steps)
    for (const part of own) doneAt.set(`${part} ${operation}`, Date.parse(completedAt ?? ''));
  return steps.flatMap(({ id, line, operation, parts: own, startedAt }) => {
    const { operations } = lines.find(({ key }) => key === line)!;
    const self = operations.find((each) => each.id === operation)!;
    return own.flatMap((part) =>
      needsOf(operations, self).flatMap(({ from, wait }) => {
        const before = operations.find((each) => each.id === from) as RunOperation;
        const { piece } = parts[part]!;
        const ofLane =
          before.lane === self.lane
            ? part
            : Object.values(parts).find(
                (each) => each.line === line && each.lane === before.lane && each.piece === piece,
              )?.id;
        const done = doneAt.get(`${ofLane} ${from}`);
        if (done === undefined || wait === null) return [];
        const stoodS = (Date.parse(startedAt ?? '') - done) / 1000;
        const byS = Math.max(wait.minS - stoodS, wait.maxS === null ? 0 : stoodS - wait.maxS);
        return byS > 0 ? [{ step: id, before: from, byS }] : [];
      }),
    );
  });
}
