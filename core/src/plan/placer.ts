import type { Problem } from './problem.ts';
import type { Timetable } from './timetable.ts';

/** Room between two operations on a machine, or before the first and after the last of a window. */
interface Gap {
  /** When the machine is free, min, and the state it stands in. */
  ready: number;
  state: number;
  /** −1: nothing comes after. */
  next: number;
  end: number;
}

/** How an operation is to be placed. */
export interface Wish {
  /** Not before, and over by, min. */
  from: number;
  until: number;
  /** −1: any. */
  mode: number;
  /** Whether a change that takes a person comes as soon as it can; otherwise as late as it can. */
  isSetupEarly: boolean;
  /** Starts of its phases where somebody gave them: it fits there, or not at all. */
  pinned?: readonly number[];
  /** None of its phases, nor the change before it, begins before these: it follows a plan, later if need be. */
  following?: Following;
}

/** Times of a plan that is followed. */
export interface Following {
  phases: readonly number[];
  setup: number;
}

/**
 * Finds the earliest end of an operation in a timetable, over its modes, the windows of their machines and the gaps
 * within: phases one after the other, each as early as people are there, the ones before pushed on where a wait would
 * be too long.
 */
export class Placer {
  readonly #problem: Problem;
  readonly #timetable: Timetable;
  readonly #starts: Int32Array;
  readonly #ends: Int32Array;
  readonly #gap: Gap = { ready: 0, state: 0, next: -1, end: 0 };
  #pinned: readonly number[] | null = null;
  #following: Following | undefined;
  #setup = -1;
  #setupMin = 0;
  #setupPeople = 0;

  constructor(problem: Problem, timetable: Timetable) {
    this.#problem = problem;
    this.#timetable = timetable;
    const most = problem.phaseFrom.reduce(
      (max, from, m, all) => Math.max(max, m === 0 ? 0 : from - all[m - 1]),
      1,
    );
    this.#starts = new Int32Array(most);
    this.#ends = new Int32Array(most);
  }

  /** Writes the best place among the timetable's, without putting it there. @returns whether there is one */
  seek(op: number, wish: Wish): boolean {
    const { modeFrom } = this.#problem;
    const { places } = this.#timetable;
    const [first, last] = wish.mode < 0 ? [0, modeFrom[op + 1] - modeFrom[op] - 1] : [wish.mode, wish.mode];
    this.#pinned = wish.pinned ?? null;
    this.#following = wish.following;
    let isFound = false;
    let until = wish.until;
    for (let choice = first; choice <= last; choice++) {
      const mode = modeFrom[op] + choice;
      const window = this.#seekMode(op, mode, until, wish);
      if (window === NOWHERE) continue;
      const phases = this.#problem.phaseFrom[mode + 1] - this.#problem.phaseFrom[mode];
      const end = this.#ends[phases - 1];
      if (isFound && end === places.end[op] && this.#starts[0] <= places.start[op]) continue;
      isFound = true;
      until = end;
      this.#write(op, mode, window, phases);
    }
    return isFound;
  }

  #write(op: number, mode: number, window: number, phases: number): void {
    const { places } = this.#timetable;
    places.mode[op] = mode;
    places.window[op] = window;
    places.start[op] = this.#starts[0];
    places.end[op] = this.#ends[phases - 1];
    for (let p = 0, slot = this.#problem.slotFrom[op]; p < phases; p++, slot++)
      places.phaseStart[slot] = this.#starts[p];
    places.setup[op] = this.#setup;
    places.setupMin[op] = this.#setupMin;
    places.setupPeople[op] = this.#setupPeople;
  }

  /** @returns the window it fits into first, −1 where it needs no machine, `NOWHERE` */
  #seekMode(op: number, mode: number, until: number, wish: Wish): number {
    const { machineOf, machines, windowStart, windowEnd, windowState, lengthOf, stateOf, instance } =
      this.#problem;
    this.#setup = -1;
    const machine = machineOf[mode];
    if (machine < 0) return this.#fit(mode, wish.from, until) ? -1 : NOWHERE;
    const { windowFrom, windowTo } = machines[machine];
    const { places, lists } = this.#timetable;
    const length = lengthOf[mode];
    const gap = this.#gap;
    for (let window = windowFrom; window < windowTo; window++) {
      if (windowEnd[window] - length < wish.from) continue;
      const opens = Math.max(windowStart[window], instance.now);
      if (opens + length > until) return NOWHERE;
      const list = lists[window];
      gap.ready = opens;
      gap.state = windowState[window];
      for (let at = 0; at <= list.length; at++) {
        gap.next = at < list.length ? list[at] : -1;
        gap.end = gap.next < 0 ? windowEnd[window] : places.start[gap.next];
        const from = Math.max(gap.ready, wish.from);
        if (from + length > until) return NOWHERE;
        if (from + length <= gap.end && this.#fitGap(mode, machine, until, wish)) return window;
        if (gap.next < 0) break;
        gap.ready = Math.max(opens, places.end[gap.next]);
        gap.state = stateOf[places.mode[gap.next]];
      }
    }
    return NOWHERE;
  }

  #fitGap(mode: number, machine: number, until: number, wish: Wish): boolean {
    const { machines, stateOf, lengthOf } = this.#problem;
    const { states, setupMin, setupPeople } = machines[machine];
    const gap = this.#gap;
    const change = gap.state * states + stateOf[mode];
    const minutes = setupMin[change];
    if (minutes < 0) return false;
    const end = Math.min(until, gap.next < 0 ? gap.end : this.#endBefore(mode, machine));
    this.#setup = -1;
    if (gap.ready + minutes + lengthOf[mode] > end) return false;
    if (setupPeople[change] === 0) return this.#fit(mode, Math.max(wish.from, gap.ready + minutes), end);
    const begin = Math.max(gap.ready, this.#following?.setup ?? 0);
    const setup = this.#earliest(begin, minutes, setupPeople[change], end - lengthOf[mode]);
    if (setup < 0 || !this.#fit(mode, Math.max(wish.from, setup + minutes), end)) return false;
    this.#setupMin = minutes;
    this.#setupPeople = setupPeople[change];
    this.#setup = wish.isSetupEarly ? setup : this.#latest(setup, this.#starts[0] - minutes);
    return true;
  }

  /** When it must have ended so that what comes next can stay; before everything where that cannot be. */
  #endBefore(mode: number, machine: number): number {
    const { machines, stateOf, isFixed } = this.#problem;
    const { places, setupNow } = this.#timetable;
    const { states, setupMin, setupPeople } = machines[machine];
    const { next } = this.#gap;
    const change = stateOf[mode] * states + stateOf[places.mode[next]];
    const minutes = setupMin[change];
    if (minutes < 0) return NEVER;
    const had = setupNow[next];
    if (setupPeople[change] > 0) {
      const isSame =
        had >= 0 && places.setupMin[next] === minutes && places.setupPeople[next] === setupPeople[change];
      return isSame ? had : NEVER;
    }
    if (had < 0) return places.start[next] - minutes;
    return minutes === 0 && !isFixed[next] ? places.start[next] : NEVER;
  }

  /** Finds starts and ends of all phases of a mode, the first not before `from`, the last over by `until`. */
  #fit(mode: number, from: number, until: number): boolean {
    const { phaseFrom, minutes, wait, lengthOf } = this.#problem;
    if (this.#pinned !== null) return this.#fitPinned(mode, this.#pinned, from, until);
    const [first, last] = [phaseFrom[mode], phaseFrom[mode + 1] - 1];
    let low = from;
    let left = lengthOf[mode];
    for (let p = first; ;) {
      if (this.#following !== undefined) low = Math.max(low, this.#following.phases[p - first]);
      if (low + left > until || !this.#fitPhase(p, p - first, low, until)) return false;
      const before = p - first - 1;
      if (before >= 0 && this.#starts[before + 1] - this.#ends[before] > wait[p - 1]) {
        p--;
        left += minutes[p];
        low = this.#startToEndAt(p, this.#starts[before + 1] - wait[p]);
        continue;
      }
      left -= minutes[p];
      if (p < last) {
        low = this.#ends[p - first];
        p++;
        continue;
      }
      if (this.#ends[p - first] > until) return false;
      const blocked = this.#blockedPool(mode, this.#starts[0], this.#ends[p - first]);
      if (blocked < 0) return true;
      p = first;
      left = lengthOf[mode];
      low = blocked + 1;
    }
  }

  #fitPinned(mode: number, starts: readonly number[], from: number, until: number): boolean {
    const first = this.#problem.phaseFrom[mode];
    for (const [k, start] of starts.entries()) {
      if (start < (k === 0 ? from : this.#ends[k - 1]) || !this.#fitPhase(first + k, k, start, until))
        return false;
      if (this.#starts[k] !== start) return false;
    }
    const end = this.#ends[starts.length - 1];
    return end <= until && this.#blockedPool(mode, this.#starts[0], end) < 0;
  }

  /** The last minute in which a pool has no room; −1: none. */
  #blockedPool(mode: number, start: number, end: number): number {
    let blocked = -1;
    for (const { pool, amount } of this.#problem.poolsOf[mode]) {
      const free = this.#timetable.poolFree[pool];
      for (let t = end - 1; t > blocked && t >= start; t--)
        if (free[t] < amount) {
          blocked = t;
          break;
        }
    }
    return blocked;
  }

  /** The earliest start of a phase with which it ends at a minute or after. */
  #startToEndAt(p: number, end: number): number {
    const { minutes, canPause, calendar } = this.#problem;
    if (!canPause[p] || minutes[p] === 0) return end - minutes[p];
    const last = calendar.openBefore[end - 1];
    return last < calendar.openMinutes ? calendar.openAt[last - minutes[p] + 1] : calendar.horizon;
  }

  #fitPhase(p: number, slot: number, low: number, until: number): boolean {
    const { minutes, people, canPause, calendar } = this.#problem;
    const length = minutes[p];
    if (length === 0 || (people[p] === 0 && !canPause[p])) {
      this.#starts[slot] = low;
      this.#ends[slot] = low + length;
      return true;
    }
    if (!canPause[p]) {
      const start = this.#earliest(low, length, people[p], until - length);
      this.#starts[slot] = start;
      this.#ends[slot] = start + length;
      return start >= 0;
    }
    const { openBefore, openAt, openMinutes } = calendar;
    const { free } = this.#timetable;
    let k = openBefore[low];
    for (;;) {
      if (k + length > openMinutes || openAt[k] + length > until) return false;
      let x = k + length - 1;
      while (x >= k && free[x] >= people[p]) x--;
      if (x < k) break;
      k = x + 1;
    }
    this.#starts[slot] = openAt[k];
    this.#ends[slot] = openAt[k + length - 1] + 1;
    return true;
  }

  /** The earliest start from `low` up to `high` of so many minutes in a row in which so many people are free; −1: none. */
  #earliest(low: number, length: number, people: number, high: number): number {
    const { openBefore, openAt, openMinutes, stretchEnd } = this.#problem.calendar;
    const { free } = this.#timetable;
    let k = openBefore[low];
    for (;;) {
      if (k + length > openMinutes || openAt[k] > high) return -1;
      if (k + length > stretchEnd[k]) {
        k = stretchEnd[k];
        continue;
      }
      let x = k + length - 1;
      while (x >= k && free[x] >= people) x--;
      if (x < k) return openAt[k];
      k = x + 1;
    }
  }

  /** The latest start up to `high` of the change that can begin at `low`. */
  #latest(low: number, high: number): number {
    const { openBefore, openAt, stretchEnd } = this.#problem.calendar;
    const { free } = this.#timetable;
    const [length, people] = [this.#setupMin, this.#setupPeople];
    for (let end = openBefore[high + length]; ;) {
      const k = end - length; // its last minute is the open one before `end`
      if (openAt[k] <= low) return low;
      let x = end - 1;
      while (x >= k && free[x] >= people && stretchEnd[x] === stretchEnd[end - 1]) x--;
      if (x < k) return openAt[k];
      end = free[x] >= people ? x + 1 : x;
    }
  }
}

const NOWHERE = -2;
/** Before everything. */
const NEVER = -1;
