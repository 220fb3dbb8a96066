import { isCap } from '../blank/index.ts';
import type { Garment } from '../blank/index.ts';
import type { Refusal, RoutePlan } from '../route/index.ts';
import { priceRoute } from './priceRoute.ts';
import type { PieceCost } from './priceRoute.ts';
import type { Rates } from './rates.ts';

/** One size of a quote: how many, at what price each, in whole cents. */
export interface QuoteSize {
  size: string;
  quantity: number;
  blankCents: number;
  costCents: number;
  eachCents: number;
  totalCents: number;
}

/** What a line is offered for, with how the price comes about. */
export interface Quote {
  cost: PieceCost;
  sizes: QuoteSize[];
  pieces: number;
  /** The break in force; `null` below the first. */
  offShare: number | null;
  /** Extras per piece, with their reason. */
  upCharges: { what: string; cents: number }[];
  marginShare: number;
  totalCents: number;
  /** Price per piece at other quantities, the blank at its mean price; quantities that cannot be made are left out. */
  ladder: { pieces: number; eachCents: number }[];
  /** What in it rests on an assumption, in words. */
  assumptions: string[];
}

export interface QuoteInput {
  /** Plans the line for another number of pieces: set-up spreads, machines are loaded anew. */
  routeFor: (pieces: number) => RoutePlan;
  garment: Garment;
  sizes: readonly { size: string; quantity: number; blankCents: number }[];
  rates: Rates;
}

const LADDER = [1, 6, 12, 24, 48, 96];

/** A line's price, or why there is none. */
export type QuoteResult = { ok: true; quote: Quote } | { ok: false; refusals: Refusal[] };

/**
 * The price of a line: cost per piece over one minus the margin, extras added, the quantity's break taken off.
 *
 * @returns the refusals of the route where the line cannot be made
 * @throws RangeError for a margin of 1 or more, which has no price, or for no pieces
 */
export function quoteLine({ routeFor, garment, sizes, rates }: QuoteInput): QuoteResult {
  if (!(rates.marginShare >= 0 && rates.marginShare < 1))
    throw new RangeError(`the margin is ${rates.marginShare}, expected from 0 up to but not 1 of the price`);
  const pieces = sizes.reduce((sum, { quantity }) => sum + quantity, 0);
  if (pieces < 1) throw new RangeError('a quote needs at least one piece');
  const meanBlank = sizes.reduce((sum, { quantity, blankCents }) => sum + quantity * blankCents, 0) / pieces;
  const plan = routeFor(pieces);
  if (!plan.ok) return plan;
  const { route } = plan;
  const cost = priceRoute(route, meanBlank, pieces, rates);
  const upCharges = upChargesFor(garment, rates);
  const priceOf = (costCents: number, count: number): number =>
    Math.round(
      (costCents / (1 - rates.marginShare) + upCharges.reduce((sum, { cents }) => sum + cents, 0)) *
        (1 - (breakFor(rates, count) ?? 0)),
    );
  const rows = sizes.map(({ size, quantity, blankCents }) => {
    const extra = (route.usesBlanks ? blankCents - meanBlank : 0) * (1 + rates.spoilageShare);
    const costCents = cost.totalCents + extra;
    const eachCents = priceOf(costCents, pieces);
    return { size, quantity, blankCents, costCents, eachCents, totalCents: quantity * eachCents };
  });
  const ladder = LADDER.flatMap((count) => {
    const other = routeFor(count);
    if (!other.ok) return [];
    return [
      {
        pieces: count,
        eachCents: priceOf(priceRoute(other.route, meanBlank, count, rates).totalCents, count),
      },
    ];
  });
  const quote: Quote = {
    cost,
    sizes: rows,
    pieces,
    offShare: breakFor(rates, pieces),
    upCharges,
    marginShare: rates.marginShare,
    totalCents: rows.reduce((sum, { totalCents }) => sum + totalCents, 0),
    ladder,
    assumptions: assumptionsIn(cost, rates),
  };
  return { ok: true, quote };
}

/** The largest break reached. */
function breakFor({ priceBreaks }: Rates, pieces: number): number | null {
  const reached = priceBreaks.filter(({ from }) => pieces >= from).map(({ offShare }) => offShare);
  return reached.length === 0 ? null : Math.max(...reached);
}

function upChargesFor(garment: Garment, rates: Rates): Quote['upCharges'] {
  const isPerformance =
    garment.kind === 'performance-shirt' || garment.fibres.elastane > 0.1 || garment.fibres.nylon > 0;
  return [
    ...(isPerformance && rates.performanceCents > 0
      ? [{ what: 'performance fabric', cents: rates.performanceCents }]
      : []),
    ...(isCap(garment) && rates.capCents > 0 ? [{ what: 'caps', cents: rates.capCents }] : []),
  ];
}

function assumptionsIn(
  { materials, spoilageFrom, spoilageShare, warmUpCents }: PieceCost,
  { linesPerWarmUp }: Rates,
): string[] {
  const assumed = materials.filter(({ isAssumed }) => isAssumed).map(({ what }) => what);
  return [
    ...(assumed.length > 0 ? [`use assumed, not weighed: ${assumed.join(', ')}`] : []),
    ...(spoilageFrom === 'assumed'
      ? [`spoilage of ${Math.round(1000 * spoilageShare) / 10} % is an assumption`]
      : []),
    ...(warmUpCents > 0 ? [`a warm-up is taken to serve ${linesPerWarmUp} lines`] : []),
    'times are planned, not measured',
  ];
}
