import type { Route } from '../route/index.ts';

/** What labour and spoilage cost this shop; assumptions until it says otherwise. */
export interface Rates {
  centsPerHour: number;
  /** Share (0–1) of pieces made again. */
  spoilageShare: number;
}

export const DEFAULT_RATES: Rates = { centsPerHour: 2400, spoilageShare: 0.03 };

/** Cost of one piece, in cents, by where it goes. */
export interface PieceCost {
  blankCents: number;
  materials: { what: string; cents: number; isAssumed: boolean }[];
  labourCents: number;
  spoilageCents: number;
  totalCents: number;
}

/**
 * Cost per piece of a route: blank, what the operations consume, hands-on time spread over the pieces, spoilage.
 *
 * @param blankCents price of the blank, averaged over the sizes ordered
 * @param pieces over which the time is spread, ≥ 1
 */
export function priceRoute(
  route: Route,
  blankCents: number,
  pieces: number,
  rates: Rates = DEFAULT_RATES,
): PieceCost {
  const materials = new Map<string, { what: string; cents: number; isAssumed: boolean }>();
  for (const { what, cents, isAssumed } of route.operations.flatMap((operation) => operation.consumes)) {
    const known = materials.get(what);
    materials.set(what, {
      what,
      cents: (known?.cents ?? 0) + cents,
      isAssumed: isAssumed || (known?.isAssumed ?? false),
    });
  }
  const materialCents = [...materials.values()].reduce((sum, { cents }) => sum + cents, 0);
  const labourCents = (route.totals.handsS / 3600 / pieces) * rates.centsPerHour;
  const spoilageCents = (blankCents + materialCents) * rates.spoilageShare;
  return {
    blankCents,
    materials: [...materials.values()],
    labourCents,
    spoilageCents,
    totalCents: blankCents + materialCents + labourCents + spoilageCents,
  };
}
