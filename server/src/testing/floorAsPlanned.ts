import { workOfRun } from '@saltflat/core/plan';
import type { PlanInstance, PlanMode, PlannedOp, ShopJob } from '@saltflat/core/plan';
import { readStepId } from '@saltflat/core/run';
import type { RunEvent, RunLine, RunOperation, RunState } from '@saltflat/core/run';
import { needsOf } from '@saltflat/core/work';

const MINUTE_MS = 60_000;

/** A step with when it is begun and when it is done, min. */
interface Worked {
  step: string;
  from: number;
  to: number;
}

/**
 * What the floor would note of a job were its plan followed to the minute: single sheets and loads from their first phase
 * to their last, pieces of a batch one after the other over the minutes in which anybody is there.
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
  const worked = plan.flatMap((own): Worked[] => {
    const mode = instance.ops.find(({ id }) => id === own.id)?.modes[own.mode];
    const operation = aboutOf.get(own.id)?.operation;
    const steps = stepsOf.get(own.id);
    if (mode === undefined || operation === undefined || steps === undefined) return []; // another job’s
    const phases = onRack(mode, operation) ? mode.phases.slice(0, -1) : mode.phases;
    const minutes = phases.map((phase, i) => minutesOf(instance, own.start[i] ?? NaN, phase));
    if (steps.length === 1) return steps.map((step) => ({ step, ...spanIn(minutes.flat(), 0, 1) }));
    return [...steps]
      .sort((p, q) => slotIn(p) - slotIn(q)) // stable: a piece’s own steps stay in order
      .map((step, i) => ({ step, ...spanIn(minutes.flat(), i / steps.length, (i + 1) / steps.length) }));
  });
  return inOrder(job, worked, epochMs);
}

/** What rests on its rack as a part of its operation is done with before. */
const onRack = ({ pools }: PlanMode, { waitAfter }: RunOperation): boolean =>
  Object.keys(pools).length > 0 && (waitAfter?.minS ?? 0) > 0;

const slotIn = (step: string): number => readStepId(step)?.parts[0]?.slot ?? 0;

/** The minutes of a phase: where it pauses, those in which somebody is there. */
function minutesOf({ people }: PlanInstance, from: number, { d, brk }: PlanMode['phases'][number]): number[] {
  if (!brk) return Array.from({ length: d }, (_, i) => from + i);
  const minutes: number[] = [];
  for (const [a, b, many] of people)
    for (let t = Math.max(a, from); many > 0 && t < b && minutes.length < d; t++) minutes.push(t);
  return minutes;
}

/** From one share of some minutes to another. */
function spanIn(minutes: readonly number[], from: number, to: number): Pick<Worked, 'from' | 'to'> {
  const at = (share: number): number => {
    const exact = share * minutes.length;
    const whole = Math.min(minutes.length - 1, Math.floor(exact));
    return (minutes[whole] ?? NaN) + (exact - whole);
  };
  return { from: at(from), to: at(to) };
}

function inOrder({ plan: { lines } }: ShopJob, worked: readonly Worked[], epochMs: number): RunEvent[] {
  const judged = new Set(
    lines.flatMap(({ operations }) => operations.flatMap(({ id, role }) => (role === 'inspect' ? [id] : []))),
  );
  const events = worked.flatMap(({ step, from, to }) => {
    const isJudged = judged.has(readStepId(step)?.operation ?? '');
    const end: Pick<RunEvent, 'kind' | 'payload'> = isJudged
      ? { kind: 'piece-inspected', payload: { inspection: { verdict: 'good', faults: [] } } }
      : { kind: 'step-completed', payload: {} };
    return [
      { step, minute: from, kind: 'step-started' as const, payload: {} },
      { step, minute: to, ...end },
    ];
  });
  // what ends makes room for what begins at the same minute
  const rank = ({ kind }: Pick<RunEvent, 'kind'>): number => Number(kind === 'step-started');
  return events
    .sort((p, q) => p.minute - q.minute || rank(p) - rank(q))
    .map(({ minute, ...own }, i) => ({
      ...own,
      id: `event ${i}`,
      clientId: 'floor',
      clientSeq: i + 1,
      at: new Date(epochMs + minute * MINUTE_MS).toISOString(),
      by: 'Ines',
    }));
}

/** Steps before which a part stood longer than its route allows, or shorter than it asks for, by how much, s: an own reading of the route. */
export function waitsBroken(
  lines: readonly RunLine[],
  { steps, parts }: Pick<RunState, 'steps' | 'parts'>,
): { step: string; before: string; byS: number }[] {
  const doneAt = new Map<string, number>();
  for (const { operation, parts: own, completedAt } of steps)
    for (const part of own) doneAt.set(`${part} ${operation}`, Date.parse(completedAt ?? ''));
  return steps.flatMap(({ id, line, operation, parts: own, startedAt }) => {
    const operations = lines.find(({ key }) => key === line)?.operations ?? [];
    const self = operations.find((each) => each.id === operation);
    if (self === undefined) return [];
    return own.flatMap((part) =>
      needsOf(operations, self).flatMap(({ from, wait }) => {
        const lane = operations.find((each) => each.id === from)?.lane;
        const inLane = Object.values(parts).find(
          (each) => each.line === line && each.lane === lane && each.piece === parts[part]?.piece,
        );
        const done = doneAt.get(`${lane === self.lane ? part : (inLane?.id ?? '')} ${from}`);
        if (done === undefined || wait === null) return [];
        const stoodS = (Date.parse(startedAt ?? '') - done) / 1000;
        const byS = Math.max(wait.minS - stoodS, wait.maxS === null ? 0 : stoodS - wait.maxS);
        return byS > 0 ? [{ step: id, before: from, byS }] : [];
      }),
    );
  });
}
