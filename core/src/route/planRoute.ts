import { handsS, workedS } from '../work/index.ts';
import type { Operation, Setting } from '../work/index.ts';
import type { Conflict, Route, RouteInput } from './documents.ts';
import { fibreWords, isMostlyPolyester, needsWhite } from './fabric.ts';
import { placementOf } from './placing.ts';
import { planOperations } from './practice.ts';
import { PROCESS_NAMES } from './processNames.ts';
import { PROCESS_MODULES } from './processes/index.ts';
import { NotSetUp } from './refusal.ts';
import type { Refusal } from './refusal.ts';
import { findSlips } from './slips.ts';
import { waysOut } from './waysOut.ts';

/** Counted up when the same input gives another route: a stored route says which planner made it. */
export const PLANNER_VERSION = 2;

/** What planning gives: a route, or every reason why there is none. */
export type RoutePlan = { ok: true; route: Route } | { ok: false; refusals: Refusal[] };

/**
 * The whole route of one order line: operations in work order, every setting with its reasons and limits.
 * Pure: the same input gives the same route, byte for byte.
 *
 * @returns refusals where the process cannot make this line, where something it needs is not set up, and for every
 *   override that names no operation or setting of this route or cannot be set
 * @throws RangeError for fewer than one piece
 */
export function planRoute(input: RouteInput): RoutePlan {
  if (!(Number.isInteger(input.pieces) && input.pieces >= 1))
    throw new RangeError(`pieces is ${input.pieces}, expected a whole number from 1`);
  const process = PROCESS_MODULES[input.process];
  const [against] = process.refusals(input);
  if (against !== undefined) {
    const text = `${process.name} cannot be done here: ${against}`;
    return { ok: false, refusals: [{ code: 'not-possible', text, override: null }] };
  }
  try {
    return planned(input);
  } catch (error) {
    if (!(error instanceof NotSetUp)) throw error;
    return { ok: false, refusals: [{ code: 'not-set-up', text: error.message, override: null }] };
  }
}

function planned(input: RouteInput): RoutePlan {
  const process = PROCESS_MODULES[input.process];
  const refusals: Refusal[] = [];
  const { lanes, operations } = planOperations(process.practices, input, refusals);
  refusals.push(...lostOverrides(input, operations));
  if (refusals.length > 0) return { ok: false, refusals };
  const route: Route = {
    process: input.process,
    summary: summarise(input),
    lanes,
    operations,
    flow: input.house.pieceFlow,
    placement: placementOf(input),
    totals: totalTimes(operations, input.pieces),
    restBeforeDispatchS: process.restBeforeDispatchS,
    usesBlanks: lanes.some(({ part }) => part === 'blank'),
    conflicts: operations.flatMap((operation) =>
      operation.settings.flatMap((setting) => conflictsOf(input, operation, setting)),
    ),
    slips: findSlips(input, operations),
  };
  return { ok: true, route };
}

const conflictsOf = (input: RouteInput, operation: Operation, setting: Setting): Conflict[] =>
  setting.conflicts.map((text) => ({
    operation: operation.id,
    setting: setting.key,
    text,
    waysOut: waysOut(input, operation, setting),
  }));

/** Own values that name nothing in this route. */
function lostOverrides({ overrides, process }: RouteInput, operations: readonly Operation[]): Refusal[] {
  return overrides.flatMap(({ operation, setting }): Refusal[] => {
    const found = operations.find(({ id }) => id === operation);
    if (found?.settings.some(({ key }) => key === setting)) return [];
    const text = found
      ? `“${found.title}” has no setting “${setting}”.`
      : `Operation “${operation}” is not part of ${PROCESS_NAMES[process]} here.`;
    return [{ code: 'no-such-setting', text, override: { operation, setting } }];
  });
}

function summarise({ process, garment, pieces, house }: RouteInput): string {
  const ground =
    process !== 'dtg'
      ? house.filmUse === 'stock'
        ? ', for stock'
        : ''
      : isMostlyPolyester(garment)
        ? ', low heat'
        : needsWhite(garment)
          ? ', with white'
          : ', without white';

  return `${PROCESS_NAMES[process]}${ground} on ${garment.colourName.toLowerCase()} ${garment.name}, ${fibreWords(garment)}, ${pieces} ${pieces === 1 ? 'piece' : 'pieces'}`;
}

/**
 * Hands-on and elapsed time for all pieces with one person and one of each machine.
 * Rests between a piece's steps overlap with other pieces' work, so only one of each counts.
 */
function totalTimes(operations: readonly Operation[], pieces: number): Route['totals'] {
  return {
    handsS: operations.reduce((sum, operation) => sum + handsS(operation, pieces), 0),
    elapsedS: operations.reduce(
      (sum, operation) => sum + workedS(operation, pieces) + (operation.waitAfter?.minS ?? 0),
      0,
    ),
  };
}
