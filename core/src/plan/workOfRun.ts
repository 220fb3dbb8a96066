import { compileSteps } from '../run/index.ts';
import type { PlannedStep, RunLine, RunOperation, RunPlan, RunState, StepState } from '../run/index.ts';
import { aloneS, handsS, needsOf, operationsIn, partsIn, plannedPhases, streamPhase } from '../work/index.ts';
import type { MachineKind, Mode } from '../work/index.ts';
import type { MachineState, PlanLag, PlanMode, PlanOp } from './instance.ts';

/** A machine of the shop that can do what a mode asks for, and the state it must be in. */
export interface MachineChoice {
  machine: string;
  state: MachineState;
}

export interface RunToPlan {
  /** Names it among all that is planned; its operations begin with it. */
  key: string;
  plan: RunPlan;
  /** The order each line is. */
  orderOf: (line: RunLine) => string;
  /** Machines a mode can be done on, the one it was planned for first. Empty: it cannot be done in this shop. */
  machinesFor: (mode: Mode) => readonly MachineChoice[];
  /** What an operation is called for a person, before its pieces. */
  labelOf: (line: RunLine, operation: RunOperation) => string;
  /** Where it stands on the floor; `null` for one that is not there yet. */
  state?: Pick<RunState, 'steps' | 'parts'> | null;
}

/** What has happened to an operation on the floor. */
export interface BegunOp {
  /** Some of it is being worked at; otherwise it rests, or is over. */
  isRunning: boolean;
  /** As devices noted it, ms. */
  startedMs: number;
  /** When the last of its steps was done, ms; `null` while some are not. */
  endedMs: number | null;
  /** Since when the step is worked at that was begun last, ms; `null` where none is. */
  runningMs: number | null;
  /** Steps of it that are not done. */
  stepsLeft: number;
}

/** A run as work to be planned. */
export interface PlanWork {
  ops: PlanOp[];
  lags: PlanLag[];
  /** Steps of the floor that each operation is. */
  stepsOf: ReadonlyMap<string, readonly string[]>;
  /** What each is in its line's route (the first of those a piece goes through at once), its parts, and those not done yet. */
  aboutOf: ReadonlyMap<string, { line: RunLine; operation: RunOperation; count: number; parts: number }>;
  /** Of operations that have begun on the floor; they take the minutes of what is not done of them. */
  begun: ReadonlyMap<string, BegunOp>;
}

/** How long a batch lasts at its slowest station, s: 15 to 30 min are usual (trade range); shorter ones need more walking. */
const BATCH_S = 20 * 60;
/** Machines of these kinds hold many pieces at once: they are room, not a machine that is taken. */
const ROOM_KINDS: readonly (MachineKind | null)[] = ['rack', 'cooling-table', null];

const takesMachine = ({ modes: [mode] }: RunOperation): boolean => !ROOM_KINDS.includes(mode.machineKind);

const NOTHING: PlanMode['phases'][number] = { d: 0, ops: 0, brk: false, wait: 0 };

/** Steps that are done as one operation of a plan: a sheet, a load, a batch of pieces. */
interface Batch {
  id: string;
  line: RunLine;
  /** More than one where a piece goes through them without standing. */
  operations: readonly RunOperation[];
  steps: PlannedStep[];
  parts: PlannedStep['parts'];
  /** Parts of it that are not done yet. */
  left: PlannedStep['parts'];
  begun: BegunOp | null;
}

/**
 * Puts a run into operations of a plan: sheets and loads one by one, pieces in batches, what a piece goes through
 * without standing as one stream. Waits are those of its pieces: a batch of a stream ends before the first piece of it
 * has waited too long for the last.
 */
export function workOfRun(run: RunToPlan): PlanWork {
  const steps = run.state ? stepsOn(run.plan, run.state) : compileSteps(run.plan);
  const batches = run.plan.lines.flatMap((line) => batchesOf(run, line, steps));
  const orders = new Map(run.plan.lines.map((line) => [line.key, run.orderOf(line)]));
  const ops = batches.map((batch) => opOf(run, batch, orders));
  return {
    ops,
    lags: [...lagsBetween(run, batches), ...inTurn(batches, ops)],
    stepsOf: new Map(batches.map(({ id, steps: own }) => [id, own.map((step) => step.id)])),
    aboutOf: new Map(
      batches.map(({ id, line, operations: [operation], parts, left }) => [
        id,
        { line, operation, count: parts.length, parts: left.length },
      ]),
    ),
    begun: new Map(batches.flatMap(({ id, begun }) => (begun === null ? [] : [[id, begun]]))),
  };
}

/** The steps of a run as it stands: what is made again is among them, what was lost is not. */
function stepsOn({ lines }: RunPlan, { steps, parts }: Pick<RunState, 'steps' | 'parts'>): PlannedStep[] {
  const byKey = new Map(lines.map((line) => [line.key, line]));
  return steps.flatMap(({ id, line, operation, parts: own }) => {
    const found = byKey.get(line)?.operations.find((each) => each.id === operation);
    const here = own.map((part) => parts[part]);
    return found === undefined || here.length === 0 ? [] : [{ id, line, operation: found, parts: here }];
  });
}

/** A machine that only has to get warm is readied by the plan itself, as a change of its state. */
const isWarmUp = ({ role, modes: [mode] }: RunOperation): boolean =>
  role === 'set-up' && mode.stateC !== null && mode.phases.every(({ people }) => people === 0);

/** Seconds of a piece at an operation, hands and machine. */
const cycleS = (operation: RunOperation): number => handsS(operation, 1) + aloneS(operation, 1);
const isByPiece = ({ unit }: RunOperation): boolean => unit === 'piece';

function batchesOf(run: RunToPlan, line: RunLine, steps: readonly PlannedStep[]): Batch[] {
  return line.lanes.flatMap((lane) => {
    const chain = operationsIn(line.operations, lane.id).filter((operation) => !isWarmUp(operation));
    const size = batchSize(chain, line.pieces + lane.spares);
    return streamsOf(chain).flatMap((operations) => {
      const own = new Set(operations.map(({ id }) => id));
      const mine = steps.filter((step) => step.line === line.key && own.has(step.operation.id));
      const byPiece = isByPiece(operations[0]) ? grouped(mine, size) : mine.map((step) => [step]);
      return byPiece.map((group) => batchOf(run, line, operations, group));
    });
  });
}

function batchOf(
  { key, state }: RunToPlan,
  line: RunLine,
  operations: readonly RunOperation[],
  steps: PlannedStep[],
): Batch {
  const first = steps.filter(({ operation }) => operation.id === operations[0].id);
  const last = steps.filter(({ operation }) => operation.id === operations.at(-1)!.id);
  const stateOf = new Map((state?.steps ?? []).map((own) => [own.id, own]));
  const isDone = ({ id }: PlannedStep): boolean => stateOf.get(id)?.status === 'done';
  return {
    id: `${key}/${(first[0] ?? steps[0]).id}`,
    line,
    operations,
    steps,
    parts: (first.length > 0 ? first : last).flatMap(({ parts }) => parts),
    left: last.filter((step) => !isDone(step)).flatMap(({ parts }) => parts),
    begun: begunOf(
      steps.flatMap(({ id }) => stateOf.get(id) ?? []),
      last.filter((step) => !isDone(step)).length,
    ),
  };
}

function begunOf(steps: readonly StepState[], stepsLeft: number): BegunOp | null {
  const started = steps.flatMap(({ startedAt }) => (startedAt === null ? [] : [Date.parse(startedAt)]));
  if (started.length === 0) return null;
  const ended = steps.flatMap(({ completedAt }) => (completedAt === null ? [] : [Date.parse(completedAt)]));
  const running = steps.flatMap(({ status, startedAt }) =>
    status === 'running' && startedAt !== null ? [Date.parse(startedAt)] : [],
  );
  return {
    isRunning: running.length > 0,
    runningMs: running.length > 0 ? Math.max(...running) : null,
    stepsLeft,
    startedMs: Math.min(...started),
    endedMs: ended.length === steps.length ? Math.max(...ended) : null,
  };
}

/** Steps of pieces by batches that are as equal as can be, each piece's steps together. */
function grouped(steps: readonly PlannedStep[], size: number): PlannedStep[][] {
  const slots = [...new Set(steps.flatMap(({ parts }) => parts.map(({ slot }) => slot)))].sort(
    (p, q) => p - q,
  );
  const count = Math.max(1, Math.ceil(slots.length / size));
  const groupOf = new Map(slots.map((slot, i) => [slot, Math.floor((i * count) / slots.length)]));
  const groups: PlannedStep[][] = Array.from({ length: count }, () => []);
  for (const step of steps) groups[groupOf.get(step.parts[0].slot)!].push(step);
  return groups.filter((group) => group.length > 0);
}

/** Pieces in a batch at most: as long as suits the slowest station, and not so many that one waits too long for the others. */
function batchSize(chain: readonly RunOperation[], pieces: number): number {
  const byPiece = chain.filter(isByPiece);
  const slowestS = Math.max(1, ...byPiece.map(cycleS));
  let size = Math.max(1, Math.round(BATCH_S / slowestS));
  for (const [i, operation] of chain.entries()) {
    const next = chain[i + 1];
    const maxS = operation.waitAfter?.maxS ?? null;
    if (next === undefined || maxS === null || isThrough(operation, next)) continue;
    const paceS = Math.max(...[operation, next].map((own) => (isByPiece(own) ? cycleS(own) : 0)));
    if (paceS > 0) size = Math.min(size, Math.max(1, 1 + Math.floor(maxS / paceS)));
  }
  return Math.min(size, pieces);
}

/** Whether a piece goes on from one operation to the next at once: it may not even wait for a second one of its kind. */
function isThrough(operation: RunOperation, next: RunOperation): boolean {
  const maxS = operation.waitAfter?.maxS ?? null;
  return (
    isByPiece(operation) &&
    isByPiece(next) &&
    maxS !== null &&
    maxS < Math.max(cycleS(operation), cycleS(next)) + 60 && // a minute is what a plan can tell
    [operation, next].filter(takesMachine).length <= 1
  );
}

/** Operations of a lane, those a piece goes through without standing together. */
function streamsOf(chain: readonly RunOperation[]): RunOperation[][] {
  const streams: RunOperation[][] = [];
  for (const [i, operation] of chain.entries()) {
    const stream = streams.at(-1);
    const isSame =
      stream !== undefined &&
      isThrough(chain[i - 1], operation) &&
      [...stream, operation].filter(takesMachine).length <= 1;
    if (isSame) stream.push(operation);
    else streams.push([operation]);
  }
  return streams;
}

function opOf(run: RunToPlan, batch: Batch, orders: ReadonlyMap<string, string>): PlanOp {
  const { id, line, operations, parts } = batch;
  const lines = [...new Set(parts.map((part) => part.line))];
  return {
    id,
    label: run.labelOf(line, operations[0]),
    orders: [...new Set(lines.map((own) => orders.get(own)!))],
    release: 0,
    modes: modesOf(run, batch),
  };
}

/** Whether pieces of a batch may stand through a break, some of them done and some not: no wait before or after it has an end. */
const mayStand = ({ line, operations }: Batch): boolean =>
  [
    ...operations.map(({ waitAfter }) => waitAfter),
    ...needsOf(line.operations, operations[0]).map(({ wait }) => wait),
  ].every((wait) => (wait?.maxS ?? null) === null);

function modesOf(run: RunToPlan, batch: Batch): PlanMode[] {
  const { operations, left } = batch;
  const count = left.length;
  const inOneGo = (phases: PlanMode['phases']): PlanMode['phases'] =>
    (count === 1 && operations.length === 1) || mayStand(batch)
      ? phases
      : phases.map((phase) => ({ ...phase, brk: false }));
  if (count === 0) return [{ machine: null, state: null, phases: [NOTHING], pools: {} }];
  if (operations.length > 1) {
    const [hands, alone] = [handsS, aloneS].map((of) =>
      operations.reduce((sum, own) => sum + of(own, count), 0),
    );
    const restS = operations.slice(0, -1).reduce((sum, own) => sum + count * (own.waitAfter?.minS ?? 0), 0);
    const phases = [streamPhase(hands, hands + alone + restS)];
    const busy = operations.find(takesMachine) ?? operations[0];
    return onMachines(run, busy.modes[0], inOneGo(phases), {});
  }
  const [operation] = operations;
  return operation.modes.flatMap((mode) => {
    const phases = plannedPhases({ ...operation, modes: [mode] }, count);
    if (phases.length === 0) phases.push(NOTHING);
    const restS = mode.pools.length > 0 ? (operation.waitAfter?.minS ?? 0) : 0;
    if (restS > 0) phases.push({ d: Math.ceil(restS / 60), ops: 0, brk: false, wait: 0 });
    return onMachines(
      run,
      mode,
      inOneGo(phases),
      Object.fromEntries(mode.pools.map((pool) => [pool.id ?? pool.name, count])),
    );
  });
}

/** A mode once for each machine it can be done on. */
function onMachines(
  { machinesFor }: RunToPlan,
  mode: Mode,
  phases: PlanMode['phases'],
  pools: Record<string, number>,
): PlanMode[] {
  if (ROOM_KINDS.includes(mode.machineKind)) return [{ machine: null, state: null, phases, pools }];
  return machinesFor(mode).map(({ machine, state }) => ({ machine, state, phases, pools }));
}

/** Waits between batches that have parts in common, by what each part needs. */
function lagsBetween({ plan }: RunToPlan, batches: readonly Batch[]): PlanLag[] {
  const doneIn = whereDone(plan, batches);
  const lags = plan.lines.flatMap((line) => {
    const operations = line.operations.filter((operation) => !isWarmUp(operation));
    return operations.flatMap((operation) =>
      needsOf(operations, operation).flatMap(({ from, by }) => {
        const before = operations.find(({ id }) => id === from)!;
        const slots = Array.from(
          { length: partsIn(line.lanes, operation.lane, line.pieces) },
          (_, i) => i + 1,
        );
        return slots.flatMap((slot) => {
          const first = doneIn.get(`${line.key}/${from}/${slot}`);
          const then = doneIn.get(`${line.key}/${operation.id}/${slot}`);
          const isApart = first !== undefined && then !== undefined && first !== then;
          return isApart ? [lagOf(first, then, before, by !== 'awaited')] : [];
        });
      }),
    );
  });
  return [...new Map(lags.map((lag) => [`${lag.from} ${lag.to}`, lag])).values()];
}

/** The batch in which each line's operation is done to each of its parts: on a shared sheet lines name theirs each. */
function whereDone({ lines }: RunPlan, batches: readonly Batch[]): Map<string, Batch> {
  const byKey = new Map(lines.map((line) => [line.key, line]));
  const found = new Map<string, Batch>();
  for (const batch of batches)
    for (const { operation, line, parts } of batch.steps)
      for (const part of parts) {
        const own =
          part.line === line
            ? operation
            : byKey
                .get(part.line)
                ?.operations.find(({ lane, role }) => lane === part.lane && role === operation.role);
        if (own !== undefined) found.set(`${part.line}/${own.id}/${part.slot}`, batch);
      }
  return found;
}

/** From batch to batch, so that no piece waits too short or too long: they go through both one after the other. */
function lagOf(first: Batch, then: Batch, before: RunOperation, isFollowed: boolean): PlanLag {
  const wait = isFollowed ? before.waitAfter : null;
  const paces = [first, then].map(({ operations }) =>
    isByPiece(operations[0]) ? operations.reduce((sum, own) => sum + cycleS(own), 0) : 0,
  );
  const others = Math.max(0, Math.min(first.parts.length, then.parts.length) - 1);
  // where it rests on a rack the rest is a part of the operation, and the waits go from its end
  const isRacked = before.modes[0].pools.length > 0;
  const restS = isRacked ? 0 : (wait?.minS ?? 0);
  const min = Math.max(0, Math.ceil((restS - others * Math.min(...paces)) / 60));
  if (wait?.maxS == null) return { from: first.id, to: then.id, min, max: null };
  const longestS = wait.maxS - (isRacked ? wait.minS : 0);
  const max = Math.floor((longestS - others * Math.max(...paces)) / 60);
  return { from: first.id, to: then.id, min, max: Math.max(min, max) };
}

/** Batches of one operation that can only be done on one machine go in turn: nothing is gained by another order. */
function inTurn(batches: readonly Batch[], ops: readonly PlanOp[]): PlanLag[] {
  const last = new Map<string, string>();
  return batches.flatMap(({ line, operations, id }, i) => {
    const key = `${line.key}/${operations[0].id}`;
    const before = last.get(key);
    last.set(key, id);
    const machines = new Set(ops[i].modes.map(({ machine }) => machine));
    return before === undefined || machines.size > 1 || !isByPiece(operations[0])
      ? []
      : [{ from: before, to: id, min: 0, max: null }];
  });
}
