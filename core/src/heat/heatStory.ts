import type { Stepping } from '../conduction/index.ts';
import { plannedMode, traceHeat } from '../work/index.ts';
import type { Operation } from '../work/index.ts';
import type { HeatConditions } from './conditions.ts';
import { harmsOf } from './harms.ts';
import type { ProbeName } from './harms.ts';
import { heatOperation } from './heatOperation.ts';
import type { OperationHeat } from './heatOperation.ts';
import { doseName } from './kinetics.ts';
import type { HeatDose } from './kinetics.ts';
import type { Afterwards, OperationInHeat } from './operationCase.ts';
import type { HeatParameters } from './parameters.ts';

/** A print, and the heat it gets when others are put on. */
export interface PrintInHeat {
  id: string;
  heatedAgain: readonly { operation: string; reach: 'under-plate' | 'through' }[];
}

/** What is worked out: a route as its operations tell it, of one piece. */
export interface RouteInHeat {
  operations: readonly Operation[];
  prints: readonly PrintInHeat[];
  /** Pieces worked one through keep warm from station to station; others have cooled by the next. */
  flow: 'through' | 'batch';
  pieces: number;
}

/** One dose of one print, added up over every operation that gives it some. */
export interface DoseLine {
  print: string;
  dose: HeatDose;
  at: ProbeName;
  value: number;
  parts: { operation: string; value: number }[];
  /** Where it passes 1: in which operation, and how long after its first closing, s; `null` where it does not. */
  reached: { operation: string; afterS: number } | null;
}

export interface HeatStory {
  /** Those with heat, in work order. */
  operations: OperationHeat[];
  doses: DoseLine[];
}

/** After so long a rest a piece is as cold as the room, s (assumption: cloth is within 3 K after five minutes). */
const COLD_AFTER_S = 300;
/** How long a piece is watched that nothing hot follows, s. */
const SHOWN_S = 120;
/** A film that comes off so soon after the press opens is peeled where it lies, s. */
const PEELED_ON_PRESS_S = 15;

/** How a story is worked out: with which values, how finely. */
export interface Working {
  parameters?: HeatParameters;
  stepping?: Partial<Stepping>;
}

/** Works out what a route's heat does to one piece, operation by operation, and adds up what each print gets. */
export function heatStory(route: RouteInHeat, conditions: HeatConditions, how: Working = {}): HeatStory {
  const operations: OperationHeat[] = [];
  const warm = new Map<string, Record<string, number>>(); // by lane
  for (const { isFollowed, ...own } of operationsInHeat(route, conditions)) {
    const { lane } = own.operation;
    const found = heatOperation({ ...own, startC: warm.get(lane) ?? {} }, conditions, how);
    if (found === null) continue;
    operations.push(found);
    warm.set(lane, isFollowed && own.after.forS < COLD_AFTER_S ? found.endC : {});
  }
  return { operations, doses: dosesOf(route, operations, conditions) };
}

/** A route's operations with heat, each with the rest after it and whether more heat follows. */
export function operationsInHeat(
  { operations, flow, pieces }: RouteInHeat,
  { table }: Pick<HeatConditions, 'table'>,
): (Omit<OperationInHeat, 'startC'> & { isFollowed: boolean })[] {
  const spans = new Map<string, { fromS: number; workedS: number }>();
  for (const { operation, kind, label, fromS, toS } of traceHeat(operations, pieces)) {
    const span = spans.get(operation) ?? { fromS, workedS: fromS };
    const isRest = kind === 'window' || (kind === 'rest' && label === 'rest');
    spans.set(operation, isRest ? span : { ...span, workedS: toS });
  }
  const hasHeat = (own: Operation): boolean => plannedMode(own).phases.some(({ heat }) => heat !== null);
  return operations.flatMap((operation, i) => {
    if (!hasHeat(operation)) return [];
    const endS = spans.get(operation.id)?.workedS ?? 0;
    const later = operations.slice(i + 1).filter(({ lane }) => lane === operation.lane);
    const next = later.find(hasHeat);
    const peel = later.find(({ role }) => role === 'peel');
    const untilS = (other: Operation | undefined): number | null =>
      other === undefined ? null : Math.max(0, (spans.get(other.id)?.fromS ?? 0) - endS);
    const isFollowed = next !== undefined && operation.unit === 'piece' && flow === 'through';
    const peelAfterS =
      peel !== undefined && (next === undefined || operations.indexOf(peel) < operations.indexOf(next))
        ? untilS(peel)
        : null;
    const after: Afterwards = {
      forS: isFollowed ? Math.min(COLD_AFTER_S, untilS(next) ?? COLD_AFTER_S) : SHOWN_S,
      peelAfterS,
      on: peelAfterS !== null && peelAfterS < PEELED_ON_PRESS_S ? 'press' : table,
    };
    return [{ operation, parts: partsOf(operation, pieces), after, isFollowed }];
  });
}

const partsOf = ({ unit, size }: Operation, pieces: number): number =>
  unit === 'piece' ? 1 : Math.min(size ?? pieces, pieces);

/** Adds up what each print gets. */
function dosesOf(
  { operations: planned, prints }: RouteInHeat,
  heated: readonly OperationHeat[],
  { garment }: HeatConditions,
): DoseLine[] {
  const printOf = new Map(planned.map(({ id, print }) => [id, print]));
  return prints.flatMap((print) => {
    const own = heated.filter(({ operation }) => printOf.get(operation) === print.id);
    const shared = heated.filter(({ operation }) => printOf.get(operation) === null);
    const again = print.heatedAgain.flatMap(({ operation, reach }) => {
      const found = heated.find((other) => other.operation === operation);
      return found ? [{ heat: found, at: reach === 'through' ? ('back' as const) : ('face' as const) }] : [];
    });
    const at = (heats: readonly OperationHeat[], probe: ProbeName) =>
      heats.map((heat) => ({ heat, at: probe }));
    const line = (
      dose: HeatDose,
      place: ProbeName,
      sources: { heat: OperationHeat; at: ProbeName }[],
    ): DoseLine[] => lineOf(print.id, dose, place, inOrder(sources, heated));
    return [
      ...line('melt', 'powder', at(own, 'powder')),
      ...line('bond', 'glue', [...at(own, 'glue'), ...again]),
      ...line('bond', 'patch-glue', at(own, 'patch-glue')),
      ...(own.some(isDirect) ? line('cure', 'ink', [...at(own.filter(isDirect), 'ink'), ...again]) : []),
      ...harmsOf(garment).flatMap((harm) =>
        harm === 'stiffener'
          ? line(harm, 'stiffener', at([...own, ...shared], 'stiffener'))
          : line(harm, 'face', [...at([...own, ...shared], 'face'), ...again]),
      ),
    ];
  });
}

/** Ink lies in the cloth itself: no glue between. */
const isDirect = ({ courses }: OperationHeat): boolean =>
  courses.ink !== undefined && courses.glue === undefined && courses.powder === undefined;

const inOrder = (sources: { heat: OperationHeat; at: ProbeName }[], heated: readonly OperationHeat[]) =>
  [...sources].sort((p, q) => heated.indexOf(p.heat) - heated.indexOf(q.heat));

/** One dose of one print; none where no operation of its own counts it. */
function lineOf(
  print: string,
  dose: HeatDose,
  at: ProbeName,
  sources: readonly { heat: OperationHeat; at: ProbeName }[],
): DoseLine[] {
  const counted = sources.filter(({ heat, at: place }) => doseName(dose, place) in heat.doses);
  if (!counted.some(({ at: place }) => place === at)) return [];
  let value = 0;
  let reached: DoseLine['reached'] = null;
  const parts: DoseLine['parts'] = [];
  for (const { heat, at: place } of counted) {
    const name = doseName(dose, place);
    reached ??= crossing(heat, name, 1 - value);
    const added = heat.doses[name] ?? 0;
    value += added;
    parts.push({ operation: heat.operation, value: added });
  }
  return [{ print, dose, at, value, parts, reached }];
}

/** When a dose passes what is still missing, after the first closing. */
export function crossing(heat: OperationHeat, name: string, missing: number): DoseLine['reached'] {
  const course = heat.doseCourses[name] ?? [];
  const i = course.findIndex((own) => own >= missing);
  if (i < 0) return null;
  const before = i > 0 ? course[i - 1] : 0;
  const share = i > 0 && course[i] > before ? (missing - before) / (course[i] - before) : 1;
  const fromS = i > 0 ? heat.timesS[i - 1] : heat.timesS[i];
  const atS = fromS + share * (heat.timesS[i] - fromS);
  return { operation: heat.operation, afterS: Math.max(0, atS - (heat.heats[0]?.fromS ?? 0)) };
}

/** When a place first passes a temperature, s after the first closing; `null` where it does not. */
export function passesAfterS(heat: OperationHeat, at: ProbeName, tempC: number): number | null {
  const course = heat.courses[at] ?? [];
  const i = course.findIndex((own) => own !== null && own >= tempC);
  if (i < 0) return null;
  const here = course[i] ?? tempC;
  const before = i > 0 ? course[i - 1] : null;
  const fromS = heat.heats[0]?.fromS ?? 0;
  if (i === 0 || before === null || before === undefined || here === before) return heat.timesS[i] - fromS;
  const share = (tempC - before) / (here - before);
  return heat.timesS[i - 1] + share * (heat.timesS[i] - heat.timesS[i - 1]) - fromS;
}

/** The hottest a place gets, °C; `null` where it is never in the stack. */
export function hottestC({ courses }: OperationHeat, at: ProbeName): number | null {
  const all = (courses[at] ?? []).filter((own) => own !== null);
  return all.length > 0 ? all.reduce((most, own) => Math.max(most, own), -Infinity) : null;
}
