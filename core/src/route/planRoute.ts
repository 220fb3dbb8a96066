import { PLACEMENTS, overlaps, placedTwice } from '../placement/index.ts';
import type { PlacementPlan } from '../placement/index.ts';
import type { Garment } from '../blank/index.ts';
import { handsS, partsIn, workedS } from '../work/index.ts';
import type { Laned, Operation, Reason, Setting } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import { planWork, viewOf } from './blankOrder.ts';
import type { LineWork } from './blankOrder.ts';
import type {
  Conflict,
  HeatedAgain,
  LinePrint,
  PrintInput,
  Route,
  RouteInput,
  RoutePrint,
} from './documents.ts';
import { fibreWords, isMostlyPolyester, needsWhite } from './fabric.ts';
import { heatsAfter } from './heatedAgain.ts';
import { loadingCard } from './loadingCard.ts';
import { placementOf } from './placing.ts';
import { PROCESS_NAMES } from './processNames.ts';
import { PROCESS_MODULES } from './processes/index.ts';
import { ranked } from './resolveSetting.ts';
import { NoneFits, NotSetUp } from './refusal.ts';
import { refusedSources, sourcesOf } from './routeSources.ts';
import type { Refusal } from './refusal.ts';
import { findLineSlips, findSlips } from './slips.ts';
import { warmUpsOf } from './warmUps.ts';
import { waysOut } from './waysOut.ts';

/** Counted up when the same input gives another route: a stored route says which planner made it. */
export const PLANNER_VERSION = 6;

/** Prints a line may have: every order of them is tried. */
export const MOST_PRINTS = 6;

/** Whoever knows more of an operation than practice does, as a model of the press: a route is planned without as well. */
export interface RouteAdvice {
  /** What it would take for the operation's dwell; `null` where it has nothing to say. */
  dwellReason: (operation: Operation, garment: Garment) => Reason | null;
}

/** What planning gives: a route, or every reason why there is none. */
export type RoutePlan = { ok: true; route: Route } | { ok: false; refusals: Refusal[] };

/**
 * The whole route of one order line: operations in work order, every setting with its reasons and limits.
 * Pure: the same input gives the same route, byte for byte.
 *
 * @param advice speaks in the reasons of what is planned, and changes nothing
 * @returns refusals where a process cannot make its print, where prints cannot be on one garment, where something that is
 *   needed is not set up, and for every override that names no operation or setting of this route or cannot be set
 * @throws RangeError for fewer than one piece, or for no print, too many, or two of one name
 */
export function planRoute(input: RouteInput, advice: RouteAdvice | null = null): RoutePlan {
  if (!(Number.isInteger(input.pieces) && input.pieces >= 1))
    throw new RangeError(`pieces is ${input.pieces}, expected a whole number from 1`);
  const names = new Set(input.prints.map(({ id }) => id));
  if (names.size !== input.prints.length || names.size < 1 || names.size > MOST_PRINTS)
    throw new RangeError(
      `prints are ${input.prints.map(({ id }) => `“${id}”`).join(', ') || 'none'}, expected 1 to ${MOST_PRINTS} of different names`,
    );
  const against = refusalsOf(input);
  if (against.length > 0) return { ok: false, refusals: against.map(notPossible) };
  try {
    return planned(input, advice);
  } catch (error) {
    if (!(error instanceof NotSetUp || error instanceof NoneFits)) throw error;
    return { ok: false, refusals: [{ kind: 'not-set-up', said: error.said, override: null }] };
  }
}

const notPossible = (said: Said): Refusal => ({ kind: 'not-possible', said, override: null });

const placeOf = ({ placement }: LinePrint): string => PLACEMENTS[placement.key].label;

/** The first reason at each print, and what speaks against having them on one garment. */
function refusalsOf(input: RouteInput): Said[] {
  const { prints } = input;
  const isOne = prints.length === 1;
  return [
    ...prints.flatMap((print) => {
      const { process, placement } = print;
      const [why] = PROCESS_MODULES[process].refusals(viewOf(input, print));
      if (why === undefined) return [];
      return [say('refusal.process', { place: isOne ? null : placement.key, process, why })];
    }),
    ...placedTwice(prints.map(({ placement }) => placement.key)).map(({ why }) => why),
    ...(!isOne && input.house.filmUse === 'stock' && prints.some(({ process }) => process !== 'dtg')
      ? [say('refusal.shelf-alone')]
      : []),
  ];
}

function planned(input: RouteInput, advice: RouteAdvice | null): RoutePlan {
  const work = planWork(input);
  if (work.harm === Infinity) return { ok: false, refusals: mustNotBeHeated(input, work).map(notPossible) };
  const operations = work.operations.map(({ operation }) => operation);
  const refusals = [...work.refusals, ...lostOverrides(input, operations), ...refusedSources(input)];
  if (refusals.length > 0) return { ok: false, refusals };
  const prints = routePrints(input, work);
  const said = work.operations.map((own) => ({ ...own, operation: withHeatedAgain(own.operation, prints) }));
  const route: Route = {
    summary: summarise(input, work),
    prints,
    lanes: work.lanes,
    operations: said.map(({ operation }) => withAdvice(operation, input.garment, advice)),
    flow: input.house.pieceFlow,
    warmUps: warmUpsOf(operations, input.equipment),
    totals: totalTimes({ lanes: work.lanes, operations }, input.pieces),
    restBeforeDispatchS: Math.max(
      ...input.prints.map(({ process }) => PROCESS_MODULES[process].restBeforeDispatchS),
    ),
    usesBlanks: work.lanes.some(({ part }) => part === 'blank'),
    conflicts: said.flatMap(({ operation, input: view }) =>
      operation.settings.flatMap((setting) => conflictsOf(view, operation, setting)),
    ),
    slips: [
      ...work.applied.flatMap(({ print }) =>
        findSlips(
          viewOf(input, print),
          said.filter((own) => own.input.id === print.id).map(({ operation }) => operation),
        ),
      ),
      ...findLineSlips(input, operations),
    ],
  };
  return { ok: true, route };
}

/** Prints as they are put on, with where they sit and what heat they get later. */
function routePrints(input: RouteInput, { applied }: LineWork): RoutePrint[] {
  const plans = new Map(input.prints.map((print) => [print.id, placementOf(viewOf(input, print))]));
  const meeting = overlaps(input.garment.kind, [...plans.values()]);
  return applied.map(({ print }, i) => {
    const placement = plans.get(print.id) as PlacementPlan;
    return {
      id: print.id,
      process: print.process,
      placement: i === 0 ? { ...placement, problems: [...placement.problems, ...meeting] } : placement,
      sources: sourcesOf(viewOf(input, print)),
      heatedAgain: heatsAfter(input.garment, print, applied.slice(i + 1)),
      loading: loadingCard(viewOf(input, print), placement),
    };
  });
}

/** An adviser's word stands among the reasons of a dwell where its rank puts it. */
function withAdvice(operation: Operation, garment: Garment, advice: RouteAdvice | null): Operation {
  const reason = advice?.dwellReason(operation, garment) ?? null;
  if (reason === null) return operation;
  return {
    ...operation,
    settings: operation.settings.map((setting) =>
      setting.sets === 'dwell' ? { ...setting, reasons: ranked([...setting.reasons, reason]) } : setting,
    ),
  };
}

/** At the plate it is said what else lies under it. */
function withHeatedAgain(operation: Operation, prints: readonly RoutePrint[]): Operation {
  const checks = prints.flatMap(({ heatedAgain, placement }) =>
    heatedAgain
      .filter((own) => own.operation === operation.id)
      .map(({ reach }: HeatedAgain) =>
        say(reach === 'through' ? 'check.face-down' : 'check.under-plate-too', { place: placement.key }),
      ),
  );
  return checks.length === 0 ? operation : { ...operation, checks: [...operation.checks, ...checks] };
}

/** Whichever is put on first, a print would be heated that must not be: every one of those that stand against another. */
function mustNotBeHeated(input: RouteInput, { applied }: LineWork): Said[] {
  return applied.flatMap(({ print }, i) => {
    const { process, placement } = print;
    const { heatedAgain } = PROCESS_MODULES[process];
    const later = applied.slice(i + 1).find((own) => heatsAfter(input.garment, print, [own]).length > 0);
    if (heatedAgain.harm !== null || later === undefined) return [];
    return [
      say('refusal.heated-again', {
        place: placement.key,
        process,
        other: later.print.placement.key,
        why: heatedAgain.said,
      }),
    ];
  });
}

const conflictsOf = (input: PrintInput, operation: Operation, setting: Setting): Conflict[] =>
  setting.conflicts.map((said) => ({
    operation: operation.id,
    setting: setting.key,
    said,
    waysOut: waysOut(input, operation, setting),
  }));

/** Own values that name nothing in this route. */
function lostOverrides({ overrides, prints }: RouteInput, operations: readonly Operation[]): Refusal[] {
  return overrides.flatMap(({ operation, setting }): Refusal[] => {
    const found = operations.find(({ id }) => id === operation);
    if (found?.settings.some(({ key }) => key === setting)) return [];
    const processes = prints.map(({ process }) => process);
    const said = found
      ? say('refusal.no-setting', { operation: found.title, setting })
      : say('refusal.no-operation', { operation, processes: [...new Set(processes)] });
    return [{ kind: 'no-such-setting', said, override: { operation, setting } }];
  });
}

function summarise(input: RouteInput, { applied }: LineWork): string {
  const { garment, pieces, prints } = input;
  const [only] = prints;
  const how =
    prints.length === 1 && only
      ? groundWords(input, only)
      : applied
          .map(({ print }) => `${placeOf(print).toLowerCase()} ${lowerFirst(groundWords(input, print))}`)
          .join(', then ');
  return `${how.charAt(0).toUpperCase()}${how.slice(1)} on ${garment.colourName.toLowerCase()} ${garment.name}, ${fibreWords(garment)}, ${pieces} ${pieces === 1 ? 'piece' : 'pieces'}`;
}

const lowerFirst = (text: string): string => `${text.charAt(0).toLowerCase()}${text.slice(1)}`;

function groundWords({ garment, house }: RouteInput, { process }: LinePrint): string {
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
  return `${PROCESS_NAMES[process]}${ground}`;
}

/**
 * Hands-on and elapsed time for all pieces with one person and one of each machine.
 * Rests between a piece's steps overlap with other pieces' work, so only one of each counts.
 */
function totalTimes({ lanes, operations }: Laned, pieces: number): Route['totals'] {
  const sum = (timeOf: (operation: Operation, parts: number) => number): number =>
    operations.reduce((all, own) => all + timeOf(own, partsIn(lanes, own.lane, pieces)), 0);
  return {
    handsS: sum(handsS),
    elapsedS: sum((operation, parts) => workedS(operation, parts) + (operation.waitAfter?.minS ?? 0)),
  };
}
