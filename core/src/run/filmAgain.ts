import { linesOf, shapeFor } from './needs.ts';
import { partId, readStepId, stepId } from './runPlan.ts';
import type { RunOperation, RunPlan } from './runPlan.ts';
import type { PartState, RunState } from './runState.ts';
import type { Role } from '../work/index.ts';

/** What is done to film before its transfers go their own ways. */
export const FILM_ROLES: readonly Role[] = ['set-up', 'print', 'powder', 'melt', 'cut'];

/** Transfers of one print of a line that were spoiled and are to be printed again. */
export interface FilmAgain {
  line: string;
  lane: string;
  parts: PartState[];
  /** What was seen of those that were lost, each once. */
  faults: string[];
}

/** Transfers that are made again and not printed yet: what the next film can carry with others. */
export function filmAgain(plan: RunPlan, state: RunState): FilmAgain[] {
  const lines = linesOf(plan);
  const found = new Map<string, FilmAgain>();
  for (const part of Object.values(state.parts)) {
    if (part.attempt === 1 || part.isLost || part.runningIn !== null) continue;
    const chain = shapeFor(part, lines)?.chains.get(part.lane) ?? [];
    const printing = chain.findIndex(({ role }) => role === 'print');
    if (part.piece === 0 || printing < 0 || part.done > printing) continue;
    const key = `${part.line} ${part.lane}`;
    const own = found.get(key) ?? { line: part.line, lane: part.lane, parts: [], faults: [] };
    found.set(key, own);
    own.parts.push(part);
    const causes = state.losses.filter(({ part: id }) => {
      const lost = state.parts[id];
      return lost?.line === part.line && lost.slot === part.slot;
    });
    own.faults = [...new Set([...own.faults, ...causes.flatMap(({ faults }) => faults)])];
  }
  return [...found.values()];
}

/** Something done to film: which sheets are in it, and what it is among what is done to them. */
export interface DoneToSheets {
  /** Of the plan’s shared sheets. */
  sheets: string[];
  role: Role;
  /** Which of its kind it is in the lane, from 0: powder may come twice. */
  nth: number;
}

/** What a step does to shared sheets; `null` for one that has nothing to do with film. */
export function doneToSheets(plan: RunPlan, step: string): DoneToSheets | null {
  const read = readStepId(step);
  const [first] = read?.parts ?? [];
  if (!read || !first) return null;
  const chain = shapeFor(first, linesOf(plan))?.chains.get(first.lane) ?? [];
  const operation = chain.find(({ id }) => id === read.operation);
  if (!operation || !FILM_ROLES.includes(operation.role)) return null;
  const ids = new Set(read.parts.map(partId));
  const sheets = plan.sheets.filter(({ parts }) => parts.some((id) => ids.has(id))).map(({ id }) => id);
  const alike = chain.filter(({ role }) => role === operation.role);
  return sheets.length > 0 ? { sheets, role: operation.role, nth: alike.indexOf(operation) } : null;
}

/**
 * Shared sheets of which nothing is left once parts are lost: what lies on them for others is lost with them.
 *
 * @param parts that are lost, by their names within the run
 * @param isLost whether a part is, these and others
 */
export const sheetsLost = (
  sheets: RunPlan['sheets'],
  parts: readonly string[],
  isLost: (part: string) => boolean,
): string[] =>
  sheets
    .filter((own) => own.parts.some((id) => parts.includes(id)) && own.parts.every(isLost))
    .map(({ id }) => id);

/** Whether a part still hangs together with the film it was printed on. */
export function isOnFilm(plan: RunPlan, part: PartState): boolean {
  const chain = shapeFor(part, linesOf(plan))?.chains.get(part.lane) ?? [];
  return !part.isLost && part.done <= chain.findIndex(({ role }) => role === 'cut');
}

/**
 * The steps of a plan in which the same is done to some of its parts as to the sheet that carried them for another run.
 *
 * @param parts by their names within the run
 * @returns one for each lane they are of
 */
export function stepsAsDone(
  plan: RunPlan,
  { parts: states }: Pick<RunState, 'parts'>,
  parts: readonly string[],
  { role, nth }: Pick<DoneToSheets, 'role' | 'nth'>,
): string[] {
  const lanes = new Map<string, { operation: RunOperation; parts: PartState[] }>();
  for (const id of parts) {
    const part = states[id];
    const chain = (part && shapeFor(part, linesOf(plan))?.chains.get(part.lane)) ?? [];
    const operation = chain.filter((own) => own.role === role)[nth];
    if (!part || !operation || chain.indexOf(operation) < part.done) continue; // it is behind it
    const key = `${part.line} ${part.lane}`;
    const own = lanes.get(key) ?? { operation, parts: [] };
    lanes.set(key, own);
    own.parts.push(part);
  }
  return [...lanes.values()].map(({ operation, parts: own }) => stepId(operation.id, own));
}
