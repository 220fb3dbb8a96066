import type { PieceCost } from '@saltflat/core/cost';
import type { Operation, Route } from '@saltflat/core/route';

/** Versions are never rewritten: what older ones do not say is filled in as nothing when they are read. */
export function readRoute(stored: Route): Route {
  const older = stored as Partial<Route> & Pick<Route, 'operations'>;
  if (older.placement !== undefined) return stored;
  return {
    ...stored,
    operations: older.operations.map((operation) => ({ ...NO_NEWS, ...operation })),
    placement: { key: 'full-front', label: '', rule: '', sizes: [], platen: null, problems: [], needs: [] },
    restBeforeDispatchS: 0,
    usesBlanks: true,
    conflicts: stored.conflicts.map((conflict) => ({ ...conflict, waysOut: [] })),
    slips: [],
  };
}

const NO_NEWS: Pick<Operation, 'machine' | 'machineKind' | 'work' | 'stack' | 'perLoad' | 'timerPieceS'> = {
  machine: null,
  machineKind: null,
  perLoad: null,
  timerPieceS: 0,
  work: [],
  stack: [],
};

/** The same for a stored cost. */
export const readCost = (stored: PieceCost): PieceCost => ({ ...NO_COST, ...stored });

const NO_COST: Pick<PieceCost, 'setUpCents' | 'machineCents' | 'spoilageShare' | 'spoilageFrom'> = {
  setUpCents: 0,
  machineCents: 0,
  spoilageShare: 0.03,
  spoilageFrom: 'assumed',
};
