import { isThinWicking } from '../blank/index.ts';
import type { Garment } from '../blank/index.ts';
import { reachOf } from '../placement/index.ts';
import type { Reach } from '../placement/index.ts';
import { plannedMode } from '../work/index.ts';
import type { Operation, Role } from '../work/index.ts';
import type { HeatedAgain, LinePrint } from './documents.ts';
import { PROCESS_MODULES } from './processes/index.ts';

/** A print and what is done to the blank for it alone. */
export interface Applied {
  print: LinePrint;
  onBlank: readonly Operation[];
}

const SOFTENS_C = 100; // below it neither glue nor cured ink gives way (assumption)
const THROUGH = 0.5; // of a plate's harm gets through to the other side of a garment (assumption)

/** What the plates of one operation give to what lies there: the hottest, and all closings together. */
function heatOf(operation: Operation): { tempC: number; durationS: number } | null {
  const heats = plannedMode(operation).phases.filter(
    ({ heat }) => heat !== null && (heat.press.over === 'platen' || heat.press.over === 'hover'),
  );
  if (heats.length === 0) return null;
  return {
    tempC: Math.max(...heats.map(({ heat }) => heat?.tempC ?? 0)),
    durationS: heats.reduce((sum, { onceS }) => sum + onceS, 0),
  };
}

/** How one print's plates reach another; a garment that is laid single has its other side elsewhere. */
function reach(garment: Garment, heated: LinePrint, other: LinePrint): Reach | null {
  const found = reachOf(heated.placement.key, other.placement.key);
  return found === 'through' && heated.process === 'dtg' && isThinWicking(garment) ? null : found;
}

/** Done to a bare blank before the first of its prints, so that no fluid and no drying meets what is on already. */
const BEFORE_PRINTS: readonly Role[] = ['spray', 'dry', 'flatten'];

export const isBeforePrints = ({ role }: Pick<Operation, 'role'>): boolean => BEFORE_PRINTS.includes(role);

/** Laid up for one side only: what is sprayed there is printed before the garment is laid anew. */
export const isLaidSingle = ({ onBlank }: Pick<Applied, 'onBlank'>): boolean =>
  onBlank.some(({ role }) => role === 'load');

/** What is done for a print when the others may be on. */
const besideOthers = (own: Applied): readonly Operation[] =>
  isLaidSingle(own) ? own.onBlank : own.onBlank.filter((operation) => !isBeforePrints(operation));

/** The heat a print gets from those that are put on after it. */
export const heatsAfter = (garment: Garment, print: LinePrint, later: readonly Applied[]): HeatedAgain[] =>
  later.flatMap((other) => {
    const found = reach(garment, other.print, print);
    if (found === null) return [];
    return besideOthers(other).flatMap((operation): HeatedAgain[] => {
      const heat = heatOf(operation);
      return heat ? [{ operation: operation.id, reach: found, ...heat }] : [];
    });
  });

/** Harm that later heat does to a print, degree-seconds of a film transfer; infinite where it must not get any. */
function harmTo({ process }: LinePrint, heats: readonly HeatedAgain[]): number {
  if (heats.length === 0) return 0;
  const { harm } = PROCESS_MODULES[process].heatedAgain;
  if (harm === null) return Infinity;
  return heats.reduce(
    (sum, { reach: found, tempC, durationS }) =>
      sum + harm * durationS * Math.max(0, tempC - SOFTENS_C) * (found === 'through' ? THROUGH : 1),
    0,
  );
}

/** An order in which prints are put on, and what it does to them. */
export interface PrintOrder {
  applied: Applied[];
  /** Infinite where a print would be heated again that must not be. */
  harm: number;
}

/**
 * The order that harms the prints least: each print's heat reaches those that are on already. Of orders that do the same
 * harm, the one that stays nearest to how the prints are written.
 *
 * @param applied at most six: every order is tried
 */
export function leastHarm(garment: Garment, applied: readonly Applied[]): PrintOrder {
  let best: PrintOrder | null = null;
  for (const order of ordersOf(applied)) {
    const harm = order.reduce(
      (sum, { print }, i) => sum + harmTo(print, heatsAfter(garment, print, order.slice(i + 1))),
      0,
    );
    if (best === null || harm < best.harm) best = { applied: order, harm };
  }
  return best ?? { applied: [], harm: 0 };
}

/** All orders of a few things, the given one first. */
function ordersOf<T>(things: readonly T[]): T[][] {
  if (things.length <= 1) return [[...things]];
  return things.flatMap((thing, i) =>
    ordersOf([...things.slice(0, i), ...things.slice(i + 1)]).map((rest) => [thing, ...rest]),
  );
}
