import type { Figures } from './speech.ts';
import { listed } from './speech.ts';

/** What is in the way of a plan, and what a bound on it means. Days are counted from the first, which is day 1. */
export const PLANNING = {
  'plan.due-past': ({ order }: { order: string }) =>
    `“${order}” was due before now: it is planned, and late whatever is done.`,
  'plan.shift-backwards': ({ day, from, to }: { day: number; from: string; to: string }) =>
    `The shift on day ${day} ends at ${to}, before it begins at ${from}: it is left out. A shift ends after it begins.`,
  'plan.shifts-overlap': ({ day }: { day: number }) =>
    `Two shifts overlap on day ${day}: where they do, the later one counts alone. Give each minute one number of people.`,
  'plan.nobody': ({ machine, day }: { machine: string; day: number }) =>
    `${machine} can be used on day ${day}, but nobody is there all the while: it does nothing that needs a hand.`,
  'plan.no-window': ({ machine, count }: { machine: string; count: number }) =>
    `${machine} has no time in which it can be used: ${count === 1 ? 'one operation has' : `${count} operations have`} no other way and cannot be planned.`,
  'plan.circle': ({ labels }: { labels: string[] }) =>
    `${listed(labels)} wait for one another in a circle: none of them can come first. They are left out, with what waits for them.`,
  'plan.too-long': (p: { label: string; minutes: number; longest: number; machine: string }, f: Figures) =>
    `“${p.label}” takes ${f.s(60 * p.minutes)}, and ${p.machine} can never be used longer than ${f.s(60 * p.longest)} at once: make its batch smaller.`,
  'plan.no-time': ({ label }: { label: string }) =>
    `“${label}” fits nowhere, even with the shop to itself: too few people at once, or too little time before the end.`,
  'plan.order-too-large': ({ order, count }: { order: string; count: number }) =>
    `“${order}” is more than fits: ${count === 1 ? 'one of its operations has' : `${count} of its operations have`} no place before the end. Give it more days or more hands, or a part of it.`,
  'plan.not-here': ({ order }: { order: string }) =>
    `“${order}” cannot begin before the end of the plan: what it needs is not here by then.`,
  'plan.spoilt': ({ label, from }: { label: string; from: string }) =>
    `“${label}” cannot follow “${from}” in time: what was made then is spoiled and has to be made again.`,
  'plan.locked-badly': ({ label }: { label: string }) =>
    `“${label}” cannot stand where it is locked: people, its machine or a pool are not free then.`,
  'plan.lag-backwards': ({ from, to, min, max }: { from: string; to: string; min: number; max: number }) =>
    `“${to}” is to wait at least ${min} min and at most ${max} min after “${from}”: the longest wait must not be shorter than the shortest.`,
  // why something is through later than it was planned
  'later.no-place': ({ label }: { label: string }) => `“${label}” has no place any more.`,
  'later.takes-longer': ({ label }: { label: string }) =>
    `“${label}” is at work, and not over when it was planned to be.`,
  'later.new': ({ label }: { label: string }) => `“${label}” is new: it was in no plan.`,
  'later.not-begun': ({ label }: { label: string }) => `“${label}” should have begun by now.`,
  'later.machine': ({ label, machine }: { label: string; machine: string }) =>
    `${machine} is not there when “${label}” was planned.`,
  'later.behind': ({ label, other }: { label: string; other: string }) =>
    `“${label}” comes after “${other}”.`,
  'later.nobody': ({ label }: { label: string }) => `Nobody is there when “${label}” was planned.`,
  'later.hands': ({ label }: { label: string }) => `Too few hands are there when “${label}” was planned.`,
  // what somebody's own plan breaks
  'breach.missing': ({ label }: { label: string }) => `“${label}” has no place in the plan.`,
  'breach.given': ({ label }: { label: string }) =>
    `“${label}” has begun, or is locked: it stays where it is.`,
  'breach.release': ({ label, minutes }: { label: string; minutes: number }, f: Figures) =>
    `“${label}” would begin ${f.s(60 * minutes)} before it can.`,
  'breach.end': ({ label }: { label: string }) => `“${label}” would not be over by the end of the plan.`,
  'breach.closed': ({ label }: { label: string }) => `“${label}” would begin while nobody is there.`,
  'breach.phases': (
    { label, waited, longest }: { label: string; waited: number; longest: number },
    f: Figures,
  ) =>
    waited < 0
      ? `The parts of “${label}” would overlap.`
      : `“${label}” would stand ${f.s(60 * waited)} in the middle, and may stand ${f.s(60 * longest)} at most.`,
  'breach.too-soon': (p: { label: string; from: string; waited: number; least: number }, f: Figures) =>
    p.waited < 0
      ? `“${p.label}” comes after “${p.from}”, which would not be over.`
      : `“${p.label}” would begin ${f.s(60 * p.waited)} after “${p.from}”: it has to wait ${f.s(60 * p.least)} at least.`,
  'breach.too-late': (p: { label: string; from: string; waited: number; longest: number }, f: Figures) =>
    `“${p.label}” would come ${f.s(60 * p.waited)} after “${p.from}”: it may stand ${f.s(60 * p.longest)} at most.`,
  'breach.window': ({ label, machine }: { label: string; machine: string }) =>
    `${machine} is not there for all of “${label}”.`,
  'breach.machine': ({ label, machine, other }: { label: string; machine: string; other: string }) =>
    `${machine} would still be at “${other}” when “${label}” begins.`,
  'breach.change': (
    { label, machine, minutes, had }: { label: string; machine: string; minutes: number; had: number },
    f: Figures,
  ) =>
    minutes < 0
      ? `${machine} cannot be changed over to “${label}” from what comes before.`
      : `${machine} takes ${f.s(60 * minutes)} to be ready for “${label}”, and has ${f.s(60 * had)}.`,
  'breach.people': ({ label, wanted, there }: { label: string; wanted: number; there: number }) =>
    `With “${label}” there would be work for ${wanted} people, and ${there === 0 ? 'nobody' : there} is there.`,
  'breach.pool': ({
    label,
    pool,
    wanted,
    cap,
  }: {
    label: string;
    pool: string;
    wanted: number;
    cap: number;
  }) => `With “${label}” there would be ${wanted} in “${pool}”, which holds ${cap}.`,
  'bound.late': ({ minutes }: { minutes: number }, f: Figures) =>
    `No plan can be less late than ${f.s(60 * minutes)} in all, each minute counted by its order’s weight.`,
  'bound.in-time': () => 'A plan without delay is not ruled out.',
  'bound.met': () => 'No plan can be less late: this is proven.',
};
