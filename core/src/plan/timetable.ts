import { pausedEnd } from './calendar.ts';
import type { Problem } from './problem.ts';

/** Where operations lie, by operation: what a timetable was told, so that it can be told it again. */
export interface Places {
  mode: Int32Array;
  /** Window of its machine among all windows; −1 where it needs none. */
  window: Int32Array;
  start: Int32Array;
  end: Int32Array;
  /** Starts of its phases, see `slotFrom` of the problem. */
  phaseStart: Int32Array;
  /** Start of the change before it that takes a person, as it was put; −1: none. */
  setup: Int32Array;
  setupMin: Int32Array;
  setupPeople: Int32Array;
}

/** Places of nothing yet. */
export const noPlaces = ({ n, slotFrom }: Problem): Places => ({
  mode: new Int32Array(n),
  window: new Int32Array(n).fill(-1),
  start: new Int32Array(n),
  end: new Int32Array(n),
  phaseStart: new Int32Array(slotFrom[n]),
  setup: new Int32Array(n).fill(-1),
  setupMin: new Int32Array(n),
  setupPeople: new Int32Array(n),
});

/** Puts the place of one operation where others have it. */
export function copyPlace(from: Places, to: Places, op: number, { slotFrom }: Problem): void {
  to.mode[op] = from.mode[op];
  to.window[op] = from.window[op];
  to.start[op] = from.start[op];
  to.end[op] = from.end[op];
  for (let s = slotFrom[op]; s < slotFrom[op + 1]; s++) to.phaseStart[s] = from.phaseStart[s];
  to.setup[op] = from.setup[op];
  to.setupMin[op] = from.setupMin[op];
  to.setupPeople[op] = from.setupPeople[op];
}

/** Puts all places where others are. */
export function copyPlaces(from: Places, to: Places): void {
  to.mode.set(from.mode);
  to.window.set(from.window);
  to.start.set(from.start);
  to.end.set(from.end);
  to.phaseStart.set(from.phaseStart);
  to.setup.set(from.setup);
  to.setupMin.set(from.setupMin);
  to.setupPeople.set(from.setupPeople);
}

/**
 * What is taken of people, machines and pools. Operations are put one after the other and taken out again the other way
 * round. One that is put before another of the same state spares that one's change of the machine.
 */
export class Timetable {
  readonly places: Places;
  /** People left in each open minute, hundredths. */
  readonly free: Int32Array;
  /** Places left in each pool by the minute. */
  readonly poolFree: readonly Int32Array[];
  /** Operations in each window, in order of time. */
  readonly lists: readonly number[][];
  /** Change before each operation as it stands now; −1: none. */
  readonly setupNow: Int32Array;
  readonly #problem: Problem;
  /** Operation whose change was spared by each, and when that change was to begin. */
  readonly #spared: Int32Array;
  readonly #sparedAt: Int32Array;

  constructor(problem: Problem) {
    const { calendar, poolCap, windowStart, n } = problem;
    this.#problem = problem;
    this.places = noPlaces(problem);
    this.free = calendar.people.slice();
    this.poolFree = Array.from(poolCap, (cap) => new Int32Array(calendar.horizon + 1).fill(cap));
    this.lists = Array.from(windowStart, () => []);
    this.setupNow = new Int32Array(n).fill(-1);
    this.#spared = new Int32Array(n).fill(-1);
    this.#sparedAt = new Int32Array(n);
  }

  /** Puts an operation where `places` have it. */
  put(op: number): void {
    const { places, setupNow } = this;
    this.#take(op, 1);
    setupNow[op] = places.setup[op];
    this.#spared[op] = -1;
    if (places.window[op] < 0) return;
    const list = this.lists[places.window[op]];
    let at = list.length;
    while (at > 0 && places.start[list[at - 1]] >= places.start[op]) at--;
    list.splice(at, 0, op);
    if (at + 1 < list.length) this.#spareNext(op, list[at + 1]);
  }

  /** Takes out the operation that was put last. */
  takeOut(op: number): void {
    const { places, setupNow } = this;
    if (places.window[op] >= 0) {
      const list = this.lists[places.window[op]];
      list.splice(list.indexOf(op), 1);
    }
    const next = this.#spared[op];
    if (next >= 0) {
      setupNow[next] = this.#sparedAt[op];
      this.#use(setupNow[next], setupNow[next] + places.setupMin[next], places.setupPeople[next]);
    }
    this.#take(op, -1);
  }

  #spareNext(op: number, next: number): void {
    const { places, setupNow } = this;
    const { stateOf } = this.#problem;
    if (setupNow[next] < 0 || stateOf[places.mode[op]] !== stateOf[places.mode[next]]) return;
    this.#spared[op] = next;
    this.#sparedAt[op] = setupNow[next];
    this.#use(setupNow[next], setupNow[next] + places.setupMin[next], -places.setupPeople[next]);
    setupNow[next] = -1;
  }

  #take(op: number, sign: 1 | -1): void {
    const { places } = this;
    const { phaseFrom, slotFrom, minutes, people, canPause, poolsOf, calendar } = this.#problem;
    const mode = places.mode[op];
    for (let p = phaseFrom[mode], slot = slotFrom[op]; p < phaseFrom[mode + 1]; p++, slot++) {
      if (people[p] === 0) continue;
      const start = places.phaseStart[slot];
      this.#use(
        start,
        canPause[p] ? pausedEnd(calendar, start, minutes[p]) : start + minutes[p],
        sign * people[p],
      );
    }
    if (places.setup[op] >= 0)
      this.#use(places.setup[op], places.setup[op] + places.setupMin[op], sign * places.setupPeople[op]);
    for (const { pool, amount } of poolsOf[mode]) {
      const free = this.poolFree[pool];
      for (let t = places.start[op]; t < places.end[op]; t++) free[t] -= sign * amount;
    }
  }

  #use(from: number, to: number, people: number): void {
    const { openBefore } = this.#problem.calendar;
    const { free } = this;
    for (let k = openBefore[from], end = openBefore[to]; k < end; k++) free[k] -= people;
  }
}
