import type { Lane, Operation, Wait } from './operation.ts';

/** The operations of a route and the lanes they are stations of. */
export interface Laned<O = Operation> {
  lanes: readonly Lane[];
  /** In work order. */
  operations: readonly O[];
}

/** Parts that go a lane: one for each piece, and its spares. */
export const partsIn = (lanes: readonly Lane[], lane: string, pieces: number): number =>
  pieces + (lanes.find(({ id }) => id === lane)?.spares ?? 0);

type Placed = Pick<Operation, 'id' | 'lane' | 'takes' | 'awaits' | 'waitAfter'>;

/** What must be done before an operation, and how long to wait after it. */
export interface Need {
  /** The operation that comes before. */
  from: string;
  wait: Wait | null;
  /** `lane`: the part itself comes from it; `taken`: a part that is joined here; `awaited`: one that is joined later. */
  by: 'lane' | 'taken' | 'awaited';
}

/** The operations of one lane, in order. */
export const operationsIn = <O extends Placed>(operations: readonly O[], lane: string): O[] =>
  operations.filter((own) => own.lane === lane);

/**
 * What an operation needs: its lane's operation before it, and the last of every lane whose part it takes in or awaits.
 * Empty for the first of a lane that awaits nothing.
 */
export function needsOf(operations: readonly Placed[], operation: Placed): Need[] {
  const own = operationsIn(operations, operation.lane);
  const before = own[own.findIndex(({ id }) => id === operation.id) - 1];
  const lastOf = (lane: string): Placed | undefined => operationsIn(operations, lane).at(-1);
  const need = (from: Placed | undefined, by: Need['by'], wait = from?.waitAfter ?? null): Need[] =>
    from === undefined ? [] : [{ from: from.id, by, wait }];
  return [
    ...need(before, 'lane'),
    ...operation.takes.flatMap((lane) => need(lastOf(lane), 'taken')),
    // whatever is only awaited may rest on: its own wait is kept where it is joined
    ...operation.awaits.flatMap((lane) => need(lastOf(lane), 'awaited', null)),
  ];
}
