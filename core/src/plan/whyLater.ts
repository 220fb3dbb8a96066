import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import { endOf } from './given.ts';
import type { PlanInstance, PlanMachine, PlannedOp } from './instance.ts';
import { problemOf } from './problem.ts';

/** An operation as it lies in two plans. */
interface Both {
  op: PlanInstance['ops'][number];
  /** `null` where it was in none. */
  before: Lies | null;
  after: Lies | null;
  isFixed: boolean;
}

interface Lies {
  own: PlannedOp;
  from: number;
  to: number;
  machine: string | null;
}

/**
 * Why orders are through later in one plan than in another of the same shop: followed from what ends last back to the
 * first thing that could not be where it was, on its own account or because of something else.
 *
 * @returns a function of an order’s id; `null` where nothing of it is later
 */
export function whyLater(
  instance: PlanInstance,
  before: readonly PlannedOp[],
  after: readonly PlannedOp[],
): (order: string) => Said | null {
  const all = inBoth(instance, before, after);
  const ctx: Context = { instance, all: [...all.values()], byId: all };
  return (order) => {
    const own = ctx.all.filter(({ op }) => op.orders.includes(order));
    const out = own.find((each) => each.after === null);
    if (out) return say('later.no-place', { label: out.op.label });
    const [last] = own.filter(isLater).sort((p, q) => q.after!.to - p.after!.to);
    return last === undefined ? null : causeOf(ctx, last, new Set());
  };
}

interface Context {
  instance: PlanInstance;
  all: readonly Both[];
  byId: ReadonlyMap<string, Both>;
}

const isLater = ({ before, after }: Both): boolean =>
  after !== null && (before === null || after.to > before.to || after.from > before.from);
/** What has begun has the minutes it takes in either plan: where it is in the way, it takes longer than was planned. */
const mayPush = (own: Both): boolean => isLater(own) || own.isFixed;

function inBoth(
  instance: PlanInstance,
  before: readonly PlannedOp[],
  after: readonly PlannedOp[],
): Map<string, Both> {
  const problem = problemOf({ ...instance, fixed: [], locked: [], planned: [] });
  const fixed = new Set(instance.fixed.map(({ id }) => id));
  const lies = (plan: readonly PlannedOp[]): Map<string, Lies> => {
    const known = new Map(plan.map((own) => [own.id, own]));
    return new Map(
      instance.ops.flatMap((op, i): [string, Lies][] => {
        const own = known.get(op.id);
        const mode = own && op.modes[own.mode];
        if (own === undefined || mode?.phases.length !== own.start.length) return [];
        const to = endOf(problem, { ...own, op: i, setup: -1 });
        return [[op.id, { own, from: own.start[0], to, machine: mode.machine }]];
      }),
    );
  };
  const [was, is] = [lies(before), lies(after)];
  return new Map(
    instance.ops.map((op) => [
      op.id,
      { op, before: was.get(op.id) ?? null, after: is.get(op.id) ?? null, isFixed: fixed.has(op.id) },
    ]),
  );
}

/** The first thing on the way back that could not be where it was. */
function causeOf(ctx: Context, own: Both, seen: Set<string>): Said {
  const { op, before, isFixed } = own;
  const { label } = op;
  seen.add(op.id);
  if (isFixed) return say('later.takes-longer', { label });
  if (before === null) return say('later.new', { label });
  const waited = waitedFor(ctx, own);
  if (waited && !seen.has(waited.op.id)) return causeOf(ctx, waited, seen);
  if (before.from < ctx.instance.now) return say('later.not-begun', { label });
  const gone = machineGone(ctx, before);
  if (gone) return say('later.machine', { label, machine: gone.name ?? gone.id });
  const inWay = inTheWay(ctx, own);
  if (inWay && mayPush(inWay) && !seen.has(inWay.op.id)) return causeOf(ctx, inWay, seen);
  if (inWay) return say('later.behind', { label, other: inWay.op.label });
  if (peopleAt(ctx, before.from) === 0) return say('later.nobody', { label });
  return say('later.hands', { label });
}

/** What it waits for that is over later than it was to begin itself; of several the last. */
function waitedFor({ instance, byId }: Context, { op, before }: Both): Both | null {
  const late = instance.lags
    .filter(({ to }) => to === op.id)
    .map(({ from, min }) => ({ own: byId.get(from)!, min }))
    .filter(({ own, min }) => own.after !== null && own.after.to + min > before!.from && mayPush(own))
    .sort((p, q) => q.own.after!.to + q.min - p.own.after!.to - p.min);
  return late[0]?.own ?? null;
}

/** Its machine, where that is not there any more all the while it was planned. */
function machineGone({ instance }: Context, { machine, from, to }: Lies): PlanMachine | null {
  const own = instance.machines.find(({ id }) => id === machine);
  return own === undefined || own.windows.some(([a, b]) => a <= from && to <= b) ? null : own;
}

/** What is on its machine while it was planned to be; where nothing is, whoever takes its hands and has moved. */
function inTheWay({ all }: Context, { op, before }: Both): Both | null {
  const { machine, from, to } = before!;
  const meets = ({ op: other, after }: Both): boolean =>
    other.id !== op.id && after !== null && after.from < to && from < after.to;
  const there = all.filter(meets);
  const onMachine = there.filter(({ after }) => machine !== null && after!.machine === machine);
  const withHands = there.filter(
    (other) => mayPush(other) && other.op.modes[other.after!.own.mode].phases.some(({ ops }) => ops > 0),
  );
  return [...onMachine, ...withHands][0] ?? null;
}

const peopleAt = ({ instance: { people } }: Context, minute: number): number =>
  people.find(([a, b]) => a <= minute && minute < b)?.[2] ?? 0;
