import { operationsIn } from '../work/index.ts';
import type { RunLine, RunOperation } from './runPlan.ts';

/** A line's operations as its parts meet them. */
export interface LineShape {
  /** Operations of each lane, in order. */
  chains: ReadonlyMap<string, readonly RunOperation[]>;
  /** Place of each operation in its lane, from 0. */
  place: ReadonlyMap<string, number>;
  /** Place of each operation in the route, from 0. */
  index: ReadonlyMap<string, number>;
  byId: ReadonlyMap<string, RunOperation>;
  /** The lane whose part is the piece itself: no other takes it in. */
  root: string;
}

const shapes = new WeakMap<RunLine, LineShape>();

/** Worked out once for each line of a plan. */
export function shapeOf(line: RunLine): LineShape {
  const known = shapes.get(line);
  if (known) return known;
  const { lanes, operations } = line;
  const taken = new Set(operations.flatMap(({ takes }) => takes));
  const chains = new Map(lanes.map(({ id }) => [id, operationsIn(operations, id)]));
  const shape: LineShape = {
    chains,
    place: new Map([...chains.values()].flatMap((chain) => chain.map(({ id }, i) => [id, i] as const))),
    index: new Map(operations.map(({ id }, i) => [id, i])),
    byId: new Map(operations.map((operation) => [operation.id, operation])),
    root: lanes.find(({ id }) => !taken.has(id))?.id ?? '',
  };
  shapes.set(line, shape);
  return shape;
}
