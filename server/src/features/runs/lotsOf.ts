import type { Run } from '@saltflat/contract';
import type { RunState, StepState } from '@saltflat/core/run';

/** A lot, in use from then on. */
export interface OpenedLot {
  materialId: string;
  lot: string;
  openedMs: number;
}

/** A material that went into a piece, and of which lot. */
export interface UsedLot {
  material: string;
  lot: string;
}

/**
 * The lots that were in use when a piece's steps were begun, each once, in the order they were used.
 *
 * @param opened oldest first
 */
export function lotsOf(
  { lines }: { lines: readonly Pick<Run['lines'][number], 'key' | 'route'>[] },
  { steps }: Pick<RunState, 'steps'>,
  opened: readonly OpenedLot[],
): (made: readonly { step: string }[]) => UsedLot[] {
  if (opened.length === 0) return () => [];
  const byId = new Map(steps.map((step) => [step.id, step]));
  const inUse = (material: string, atMs: number): string | undefined =>
    opened.findLast(({ materialId, openedMs }) => materialId === material && openedMs <= atMs)?.lot;
  const usedIn = ({ line, index, startedAt, completedAt }: StepState): UsedLot[] => {
    const atMs = Date.parse(startedAt ?? completedAt ?? '');
    const operation = lines.find(({ key }) => key === line)?.route.operations[index];
    return (operation?.consumes ?? []).flatMap(({ id, what }) => {
      const lot = id === null ? undefined : inUse(id, atMs);
      return lot === undefined ? [] : [{ material: what, lot }];
    });
  };
  return (made) => {
    const used = made.flatMap(({ step }) => {
      const own = byId.get(step);
      return own ? usedIn(own) : [];
    });
    return used.filter(
      ({ material, lot }, i) => used.findIndex((own) => own.material === material && own.lot === lot) === i,
    );
  };
}
