import { circlesOf } from './circles.ts';
import type { Problem } from './problem.ts';

/** Operations that hang together by longest waits (film, powder, oven) and are placed as one. */
export interface Blocks {
  /** Operations of each block, each after those it waits for; given ones are in none. */
  ops: readonly (readonly number[])[];
  blockOf: Int32Array;
  /** Blocks that wait for each, and how many each waits for. */
  next: readonly (readonly number[])[];
  waitsFor: Int32Array;
  /** Where each operation stands in its block. */
  at: Int32Array;
  /** Blocks that have operations of each order. */
  ofOrder: readonly (readonly number[])[];
}

/**
 * Groups operations that are not given by their longest waits. Where two groups wait for one another in a circle (by
 * way of an operation that may stand as long as it likes), they are one.
 */
export function blocksOf(problem: Problem): Blocks {
  const { n, lagsIn, isGiven } = problem;
  const group = Int32Array.from({ length: n }, (_, i) => i);
  const root = (i: number): number => {
    while (group[i] !== i) i = group[i] = group[group[i]];
    return i;
  };
  const links = lagsIn.flat().filter(({ from, to }) => !isGiven[from] && !isGiven[to]);
  for (const { from, to, max } of links) if (max >= 0) group[root(from)] = root(to);
  for (const circle of circlesOf(
    n,
    links.map(({ from, to }) => [root(from), root(to)]),
  ))
    for (const one of circle) group[root(one)] = root(circle[0]);

  const rank = ranksOf(problem);
  const blockOf = new Int32Array(n).fill(-1);
  const ops: number[][] = [];
  const known = new Map<number, number>();
  for (let i = 0; i < n; i++) {
    if (isGiven[i]) continue;
    const own = root(i);
    if (!known.has(own)) known.set(own, ops.push([]) - 1);
    blockOf[i] = known.get(own)!;
    ops[blockOf[i]].push(i);
  }
  const at = new Int32Array(n);
  for (const members of ops) {
    members.sort((p, q) => rank[p] - rank[q] || p - q);
    for (const [place, op] of members.entries()) at[op] = place;
  }
  const next = ops.map(() => new Set<number>());
  for (const { from, to } of links) if (blockOf[from] !== blockOf[to]) next[blockOf[from]].add(blockOf[to]);
  const waitsFor = new Int32Array(ops.length);
  for (const others of next) for (const other of others) waitsFor[other]++;
  const ofOrder = problem.opsOf.map((members) => [
    ...new Set(members.map((op) => blockOf[op]).filter((block) => block >= 0)),
  ]);
  return { ops, blockOf, next: next.map((others) => [...others]), waitsFor, at, ofOrder };
}

/** Operations, each after those it waits for. */
export function inWaitOrder(problem: Problem, rank = ranksOf(problem)): number[] {
  return [...rank.keys()].sort((p, q) => rank[p] - rank[q]);
}

/** Steps that must be done before each operation at most: a rank that rises along every wait. */
export function ranksOf({ n, lagsIn, lagsOut }: Problem): Int32Array {
  const rank = new Int32Array(n);
  const left = Int32Array.from(lagsIn, (lags) => lags.length);
  const ready = [...left.keys()].filter((i) => left[i] === 0);
  for (const i of ready)
    for (const { to } of lagsOut[i]) {
      rank[to] = Math.max(rank[to], rank[i] + 1);
      if (--left[to] === 0) ready.push(to);
    }
  return rank;
}
