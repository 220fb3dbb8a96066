import { plannedMode } from '../work/index.ts';
import { pressOf } from './conditions.ts';
import type { HeatConditions } from './conditions.ts';
import type { ProbeName } from './harms.ts';
import { QUICK_STEPS, courseAt } from './heatOperation.ts';
import type { OperationHeat } from './heatOperation.ts';
import { heatStory } from './heatStory.ts';
import type { RouteInHeat } from './heatStory.ts';
import { drawParameters } from './parameters.ts';

/** Between these lie four of five draws. */
export interface Band {
  low: number;
  high: number;
}

/** A course's band at some moments of an operation. */
export interface CourseBand {
  operation: string;
  at: ProbeName;
  timesS: number[];
  lowC: number[];
  highC: number[];
}

export interface HeatBands {
  /** In the order of a story's doses. */
  doses: Band[];
  courses: CourseBand[];
  draws: number;
}

const POINTS = 24;
/** Places whose temperature a trace shows. */
const SHOWN: readonly ProbeName[] = ['glue', 'powder', 'ink', 'face'];

/**
 * Works a route out many times, each with other values of what the model assumes, and tells where the results lie. A shop's own
 * measurements narrow it: what is known of a press takes the place of the table's ranges.
 *
 * @param draws how many times
 * @returns yields the share done
 */
export function* findBands(
  route: RouteInHeat,
  conditions: HeatConditions,
  { draws = 500, seed = 1 }: { draws?: number; seed?: number } = {},
): Generator<number, HeatBands> {
  const sets = drawParameters(seed, knownOn(route, conditions));
  const doses: number[][] = [];
  const courses = new Map<string, { operation: string; at: ProbeName; timesS: number[]; rows: number[][] }>();
  for (let i = 0; i < draws; i++) {
    const story = heatStory(route, conditions, { parameters: sets.next().value, stepping: QUICK_STEPS });
    story.doses.forEach(({ value }, k) => (doses[k] ??= []).push(value));
    for (const heat of story.operations)
      for (const at of SHOWN) {
        if (heat.courses[at] === undefined) continue;
        const key = `${heat.operation}/${at}`;
        const own = courses.get(key) ?? { operation: heat.operation, at, timesS: momentsOf(heat), rows: [] };
        courses.set(key, own);
        own.rows.push(own.timesS.map((t) => courseAt(heat, at, t)));
      }
    if (i % 5 === 4) yield (i + 1) / draws;
  }
  return {
    doses: doses.map((values) => ({ low: quantile(values, 0.1), high: quantile(values, 0.9) })),
    courses: [...courses.values()].map(({ operation, at, timesS, rows }) => ({
      operation,
      at,
      timesS,
      lowC: timesS.map((_, k) =>
        quantile(
          rows.map((row) => row[k]),
          0.1,
        ),
      ),
      highC: timesS.map((_, k) =>
        quantile(
          rows.map((row) => row[k]),
          0.9,
        ),
      ),
    })),
    draws,
  };
}

/** What is known of the press that bonds or cures: a route has one press for both, or the parameters are not the press's. */
function knownOn({ operations }: RouteInHeat, conditions: HeatConditions) {
  const pressed = operations.filter(({ role }) => role === 'bond' || role === 'cure');
  return pressOf(conditions, plannedMode(pressed.at(-1) ?? operations[0]).machine?.id).known;
}

function momentsOf({ heats }: OperationHeat): number[] {
  const fromS = heats[0]?.fromS ?? 0;
  const toS = (heats.at(-1)?.toS ?? 0) + 15;
  return Array.from({ length: POINTS }, (_, k) => fromS + ((toS - fromS) * k) / (POINTS - 1));
}

/** Of some values, straight between ranks. */
function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((p, q) => p - q);
  const rank = share * (sorted.length - 1);
  const low = Math.floor(rank);
  const high = Math.min(sorted.length - 1, low + 1);
  return sorted[low] + (sorted[high] - sorted[low]) * (rank - low);
}
