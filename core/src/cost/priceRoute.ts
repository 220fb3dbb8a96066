import type { Route } from '../route/index.ts';
import { aloneS, partsIn, plannedMode } from '../work/index.ts';
import type { MachineKind } from '../work/index.ts';
import { DEFAULT_RATES } from './rates.ts';
import type { Rates } from './rates.ts';

/** Cost of one piece, in cents, by where it goes. */
export interface PieceCost {
  blankCents: number;
  materials: { what: string; cents: number; isAssumed: boolean }[];
  /** Attended time of making. */
  labourCents: number;
  /** Set-up of the line, spread over its pieces. */
  setUpCents: number;
  machineCents: number;
  /** This line's share of heating its machines up, spread over its pieces. */
  warmUpCents: number;
  spoilageCents: number;
  spoilageShare: number;
  spoilageFrom: Rates['spoilageFrom'];
  totalCents: number;
}

/**
 * Cost per piece of a route: blank, what the operations consume, hands-on and machine time, set-up and the line's share of
 * warm-ups spread over the pieces. What is made again costs all of it but set-up and warm-up, which are done once.
 *
 * @param blankCents price of the blank, averaged over the sizes ordered; not counted where the route touches no blank
 * @param pieces over which the time is spread, ≥ 1
 */
export function priceRoute(
  route: Route,
  blankCents: number,
  pieces: number,
  rates: Rates = DEFAULT_RATES,
): PieceCost {
  const materials = gatherMaterials(route, pieces);
  const blank = route.usesBlanks ? blankCents : 0;
  const materialCents = materials.reduce((sum, { cents }) => sum + cents, 0);
  const labourCents = (route.totals.handsS / 3600 / pieces) * rates.centsPerHour;
  const setUpCents = ((rates.setUpMinutes / 60) * rates.centsPerHour) / pieces;
  const machineCents = (machineSeconds(route, pieces) / 3600 / pieces) * rates.machineCentsPerHour;
  const warmUpCents =
    (warmUpSeconds(route) / 3600 / pieces / rates.linesPerWarmUp) * rates.machineCentsPerHour;
  const making = blank + materialCents + labourCents + machineCents;
  const spoilageCents = making * rates.spoilageShare;
  return {
    blankCents: blank,
    materials,
    labourCents,
    setUpCents,
    machineCents,
    warmUpCents,
    spoilageCents,
    spoilageShare: rates.spoilageShare,
    spoilageFrom: rates.spoilageFrom,
    totalCents: making + setUpCents + warmUpCents + spoilageCents,
  };
}

/** A cost with other materials used, and all else as it was reckoned. @param route that uses them */
export function withMaterialsOf(cost: PieceCost, route: Route, pieces: number): PieceCost {
  const materials = gatherMaterials(route, pieces);
  const sum = (own: PieceCost['materials']): number => own.reduce((all, { cents }) => all + cents, 0);
  const more = sum(materials) - sum(cost.materials);
  return {
    ...cost,
    materials,
    spoilageCents: cost.spoilageCents + more * cost.spoilageShare,
    totalCents: cost.totalCents + more * (1 + cost.spoilageShare),
  };
}

const warmUpSeconds = ({ warmUps }: Route): number =>
  warmUps.reduce((sum, { heatS, settleS }) => sum + heatS + settleS, 0);

/** What the operations use, one row a material. */
function gatherMaterials({ lanes, operations }: Route, pieces: number): PieceCost['materials'] {
  const materials = new Map<string, PieceCost['materials'][number]>();
  const used = operations.flatMap(({ lane, consumes }) => {
    const made = partsIn(lanes, lane, pieces) / pieces; // spares are paid for too
    return consumes.map((own) => ({ ...own, cents: own.cents * made }));
  });
  for (const { what, cents, isAssumed } of used) {
    const known = materials.get(what);
    materials.set(what, {
      what,
      cents: (known?.cents ?? 0) + cents,
      isAssumed: isAssumed || (known?.isAssumed ?? false),
    });
  }
  return [...materials.values()];
}

const FREE: readonly (MachineKind | null)[] = [null, 'rack'];

/** Time on machines that cost something to run; a rack costs nothing. */
const machineSeconds = ({ lanes, operations }: Route, pieces: number): number =>
  operations
    .filter((operation) => !FREE.includes(plannedMode(operation).machineKind))
    .reduce((sum, operation) => sum + aloneS(operation, partsIn(lanes, operation.lane, pieces)), 0);
