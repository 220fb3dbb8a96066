import { simulate } from '../conduction/index.ts';
import type { Stepping } from '../conduction/index.ts';
import { plannedMode } from '../work/index.ts';
import { pressOf } from './conditions.ts';
import type { HeatConditions } from './conditions.ts';
import type { ProbeName } from './harms.ts';
import { operationCase } from './operationCase.ts';
import type { OperationInHeat } from './operationCase.ts';
import { knownParameters } from './parameters.ts';
import type { HeatParameters } from './parameters.ts';

/** What one operation's heat does to one piece. Times run from the operation's beginning, s. */
export interface OperationHeat {
  operation: string;
  timesS: number[];
  /** °C along `timesS`; `null` while the place is not in the stack. */
  courses: Partial<Record<ProbeName, (number | null)[]>>;
  /** Each dose this operation adds, by dose and place: "bond@glue". */
  doses: Record<string, number>;
  /** The same along `timesS`. */
  doseCourses: Record<string, number[]>;
  /** Closings and other heats. */
  heats: { fromS: number; toS: number; tempC: number; kPa: number }[];
  /** Of every layer that brought some, g/m²; `null` where none did. */
  water: { beforeGM2: number; afterGM2: number } | null;
  /** What layers go on with to the next operation, °C by their id. */
  endC: Record<string, number>;
}

/** Steps for many runs of one case: within 1 K and 2 % of the finer ones, in half the time. */
export const QUICK_STEPS: Partial<Stepping> = {
  firstS: 0.02,
  growth: 1.3,
  longestS: 2,
  longestWetS: 0.5,
  lateShare: 1 / 12,
  mesh: 0.75,
};

/**
 * Works out an operation's heat by the model.
 *
 * @param parameters the values it runs with; what is known of the press otherwise
 * @returns `null` for an operation without heat
 */
export function heatOperation(
  own: OperationInHeat,
  conditions: HeatConditions,
  { parameters, stepping = {} }: { parameters?: HeatParameters; stepping?: Partial<Stepping> } = {},
): OperationHeat | null {
  const press = pressOf(conditions, plannedMode(own.operation).machine?.id);
  const made = operationCase(own, conditions, press, parameters ?? knownParameters(press.known));
  if (made === null) return null;
  const { problem, startS, heats, carried } = made;
  // the last temperature of what goes on is asked for as well
  const ends = carried.map((id) => ({ name: `end of ${id}`, layer: id, at: 'mean' as const }));
  const solved = simulate({ ...problem, probes: [...problem.probes, ...ends] }, stepping);
  const wet = Object.values(solved.water);
  const brought = problem.layers.reduce(
    (sum, layer) => sum + (layer.kind === 'solid' ? layer.waterKgM2 : 0),
    0,
  );
  return {
    operation: own.operation.id,
    timesS: solved.timesS.map((t) => t + startS),
    courses: Object.fromEntries(problem.probes.map(({ name }) => [name, solved.probes[name]])),
    doses: solved.doses,
    doseCourses: solved.doseCourse,
    heats: heats.map((heat) => ({ ...heat, fromS: heat.fromS + startS, toS: heat.toS + startS })),
    water:
      wet.length > 0
        ? { beforeGM2: 1000 * brought, afterGM2: 1000 * wet.reduce((sum, w) => sum + w, 0) }
        : null,
    endC: Object.fromEntries(
      carried.flatMap((id) => {
        const last =
          [...solved.probes[`end of ${id}`]].reverse().find((tempC) => tempC !== null) ?? undefined;
        return last === undefined ? [] : [[id, last]];
      }),
    ),
  };
}

/** A place's temperature at a moment of an operation, straight between steps; at its end beyond. NaN while it is not there. */
export function courseAt({ timesS, courses }: OperationHeat, at: ProbeName, atS: number): number {
  const course = courses[at] ?? [];
  const found = timesS.findIndex((own) => own >= atS);
  const i = Math.max(1, found < 0 ? timesS.length - 1 : found);
  const [p, q] = [course[i - 1] ?? NaN, course[i] ?? course[i - 1] ?? NaN];
  const span = timesS[i] - timesS[i - 1];
  const share = span > 0 ? Math.min(1, Math.max(0, (atS - timesS[i - 1]) / span)) : 0;
  return p + (q - p) * share;
}
