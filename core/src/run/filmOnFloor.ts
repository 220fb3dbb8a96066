import { linesOf, openingOf, shapeFor } from './needs.ts';
import type { RunOperation, RunPlan } from './runPlan.ts';
import type { PartState, RunState, StepState } from './runState.ts';

/** A sheet of film between the printer and the knife. */
export interface FilmOnFloor {
  /** The step it was, is or will be printed in. */
  printed: StepState;
  /** What is on it and has not been lost since. */
  parts: string[];
  /** What was done to it so far. */
  done: RunOperation[];
  /** What is being done, or comes next; `null` once it is cut apart. */
  next: { operation: RunOperation; isRunning: boolean; latestAt: number | null } | null;
}

/**
 * The film of a run, sheet by sheet in the order it is printed: what has begun and is not yet cut apart, and the sheet
 * that comes next. A sheet that was melted with others is still a sheet.
 */
export function filmOnFloor(plan: RunPlan, state: RunState): FilmOnFloor[] {
  const lines = linesOf(plan);
  const sheets = state.steps.flatMap((printed): FilmOnFloor[] => {
    const parts = printed.parts.flatMap((id): PartState[] => {
      const part = state.parts[id];
      return part && !part.isLost ? [part] : [];
    });
    const [first] = parts;
    const shape = first && shapeFor(first, lines);
    const lane =
      first && plan.lines.find(({ key }) => key === first.line)?.lanes.find(({ id }) => id === first.lane);
    const operation = shape?.byId.get(printed.operation);
    if (!first || !shape || lane?.part !== 'transfer' || operation?.role !== 'print') return [];
    const chain = shape.chains.get(first.lane) ?? [];
    const cut = chain.findIndex(({ role }) => role === 'cut');
    const film = cut < 0 ? chain : chain.slice(0, cut + 1);
    const done = film.slice(0, Math.min(...parts.map((part) => part.done)));
    const coming = film[done.length];
    const ids = parts.map(({ id }) => id);
    const step =
      coming && state.steps.find((own) => own.operation === coming.id && own.parts.includes(first.id));
    const opening = step && step.status === 'idle' ? openingOf(lines, state, { ...step, parts: ids }) : null;
    const next = coming && {
      operation: coming,
      isRunning: step?.status === 'running',
      latestAt: opening !== null && typeof opening === 'object' ? opening.latestAt : null,
    };
    return [{ printed, parts: ids, done, next: next ?? null }];
  });
  const open = sheets.filter(({ next }) => next !== null);
  const begun = open.filter(({ printed }) => printed.status !== 'idle');
  return [...begun, ...open.filter(({ printed }) => printed.status === 'idle').slice(0, 1)];
}
