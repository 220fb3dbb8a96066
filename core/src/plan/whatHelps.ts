import { improving } from '../task/index.ts';
import { comparePlans, peopleAway } from './changes.ts';
import type { PlanInstance, PlanMachine, PlannedOp } from './instance.ts';
import { Planning } from './planDay.ts';
import { repairPlan } from './repairPlan.ts';

/** Something a shop can do about an order that is late. */
export type Help =
  /** Nothing but another plan. */
  | { kind: 'plan' }
  /** A machine that stands still is used. */
  | { kind: 'machine'; machine: string }
  /** Another pair of hands for an hour from a minute on. */
  | { kind: 'hands'; from: number }
  /** Everybody who is there stays an hour longer after a minute. */
  | { kind: 'overtime'; from: number }
  /** Transfers that lie on the shelf are pressed in place of printing its own. */
  | { kind: 'shelf'; transfers: string }
  /** Its film is laid out together with that of other lines, by their codes. */
  | { kind: 'film'; others: readonly string[] }
  /** Half of its pieces another day. */
  | { kind: 'half' };

export interface HelpInput {
  instance: PlanInstance;
  /** The plan that is followed. */
  plan: readonly PlannedOp[];
  /** The order that is late. */
  order: string;
  /** The shop with what else could be done, which only whoever knows the shop can say. */
  others: readonly { help: Help; instance: PlanInstance }[];
}

/** What was tried, and what it does for the order. */
export interface Tried {
  help: Help;
  /** When the order is through with it, its rest counted, min. */
  through: number;
  /** Minutes of lateness that it spares all orders together, by their weight. */
  spared: number;
}

export interface HelpAnswer {
  /** What helps the order most; `null` where nothing that was tried makes a difference. */
  best: Tried | null;
  /** All that were tried so far, those that help most first. */
  tried: readonly Tried[];
}

const HOUR = 60;
const PERSON = 100;
/** Another pair of hands is tried at so many hours, spread until the order is through. */
const MOST_HOURS = 5;
const MOST_EVENINGS = 2;
/** Somebody who comes back later than this went home, min. */
const NIGHT_MIN = 180;
/** Plans tried with each. */
const TRIES = 70;
const SEED = 1;
/** Less of a difference nobody notices, min; and what is less of how late an order is, is no help. */
const NOTICED_MIN = 5;
const LEAST_SHARE = 0.05;

/**
 * What would help an order that is late most, by trying: each thing that can be done is planned with as many tries, and so
 * is the shop as it is. A model of what a plan can gain; whether the hands are to be had only the shop knows.
 */
export const whatHelps = improving(attempts);

function* attempts({ instance, plan, order, others }: HelpInput): Generator<HelpAnswer, void> {
  const now = attempt(instance, plan, order);
  const standing = throughIn(instance, plan, order);
  if (standing === null || now === null) {
    yield { best: null, tried: [] };
    return;
  }
  const { due = standing } = instance.orders.find(({ id }) => id === order) ?? {};
  const least = Math.max(NOTICED_MIN, LEAST_SHARE * (standing - due));
  const tried: Tried[] = [];
  const note = (help: Help, own: Attempt | null): HelpAnswer => {
    if (own !== null) tried.push({ help, through: own.through, spared: now.lateness - own.lateness });
    const sorted = [...tried].sort((p, q) => p.through - q.through || q.spared - p.spared);
    const [first] = sorted;
    // what a better plan does by itself needs nobody else
    const alone = sorted.find(({ help: { kind } }) => kind === 'plan') ?? first;
    const best = alone.through - first.through < NOTICED_MIN ? alone : first;
    return { best: standing - best.through < least ? null : best, tried: sorted };
  };
  yield note({ kind: 'plan' }, now);
  for (const { help, instance: own } of others) yield note(help, attempt(own, plan, order));
  for (const from of evenings(instance, standing))
    yield note({ kind: 'overtime', from }, attempt(longerDay(instance, from), plan, order));
  for (const from of hoursBefore(instance, standing))
    yield note(
      { kind: 'hands', from },
      attempt(peopleAway(instance, -PERSON, [from, from + HOUR]), plan, order),
    );
}

interface Attempt {
  through: number;
  lateness: number;
}

/** The best plan found for a shop from the one that stands; `null` where the order is not through in it. */
function attempt(instance: PlanInstance, plan: readonly PlannedOp[], order: string): Attempt | null {
  const { ops } = repairPlan(instance, plan, { keepsLocks: true });
  const best = new Planning({ instance, seed: SEED, from: ops }).within(TRIES);
  const through = throughIn(instance, best.ops, order);
  return through === null ? null : { through, lateness: best.score.lateness };
}

const throughIn = (instance: PlanInstance, plan: readonly PlannedOp[], order: string): number | null =>
  comparePlans(instance, [], plan).find(({ id }) => id === order)?.after ?? null;

/** Hours at which somebody is there, until a minute: the first, the last, and some in between. */
function hoursBefore({ people, now }: PlanInstance, until: number): number[] {
  const hours: number[] = [];
  for (const [a, b] of people)
    for (let from = Math.max(a, now); from < Math.min(b, until); from += HOUR) hours.push(from);
  if (hours.length <= MOST_HOURS) return hours;
  return Array.from(
    { length: MOST_HOURS },
    (_, i) => hours[Math.round((i * (hours.length - 1)) / (MOST_HOURS - 1))],
  );
}

/** When people go home before a minute. */
function evenings({ people, now, horizon }: PlanInstance, until: number): number[] {
  const ends = people.flatMap(([, b], i) => {
    const next = people[i + 1]?.[0] ?? horizon;
    return b > now && next - b >= NIGHT_MIN ? [b] : [];
  });
  return ends.filter((end) => end < until).slice(0, MOST_EVENINGS);
}

/** Who is there last stays an hour longer, and so do the machines that would be switched off then. */
function longerDay(instance: PlanInstance, from: number): PlanInstance {
  const to = Math.min(instance.horizon, from + HOUR);
  const longer = ({ windows }: PlanMachine): PlanMachine['windows'] =>
    windows.map(([a, b, state], i) => {
      const next = windows[i + 1]?.[0] ?? instance.horizon;
      return b === from ? [a, Math.min(to, next), state] : [a, b, state];
    });
  return {
    ...instance,
    people: instance.people.flatMap((own) =>
      own[1] === from ? [own, [from, to, own[2]] as [number, number, number]] : [own],
    ),
    machines: instance.machines.map((machine) => ({ ...machine, windows: longer(machine) })),
  };
}
