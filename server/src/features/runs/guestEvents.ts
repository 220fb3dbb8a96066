import { createHash } from 'node:crypto';
import { runPlanOf } from '@saltflat/contract';
import type { Guest, Run, RunEventInput, StoredEvent } from '@saltflat/contract';
import { doneToSheets, isOnFilm, sheetsLost, stepsAsDone } from '@saltflat/core/run';
import type { RunState } from '@saltflat/core/run';

/** A run that had some of its transfers carried by another’s film. */
interface Carried {
  run: Run;
  state: RunState;
}

const TOLD: readonly StoredEvent['kind'][] = ['step-started', 'phase-started', 'step-completed'];
/** So many events at most come of one: each guest of a sheet that is lost. */
const MOST_TOLD = 1000;

/** A run whose film carries transfers for others, with what has happened to it. */
export interface Host {
  run: Run;
  state: Pick<RunState, 'parts'>;
}

/**
 * What has happened to the film of a run, as events of a run whose transfers it carries: one tap is for all that is on a
 * sheet, and where all that is on it was lost, so are they. Told by names that follow from the event’s own, so that it
 * counts once, and an undo takes back what was told.
 *
 * @param added events that are new, with their places in their run
 */
export function guestEvents(
  { run: host, state: hostState }: Host,
  added: readonly (StoredEvent & { place: number; deviceAt: string })[],
  { run, state }: Carried,
): RunEventInput[] {
  const plan = runPlanOf(host);
  const guests = host.guests.filter(({ runId }) => runId === run.id);
  const ownPlan = runPlanOf(run);
  const known = new Set(run.events.map(({ id }) => id));
  const isLost = (part: string): boolean => hostState.parts[part]?.isLost === true;
  const lastLost = new Map(
    added.flatMap(({ id, payload: { lost } }) =>
      lost ? sheetsLost(host.sheets, [lost.part], isLost).map((sheet) => [sheet, id] as const) : [],
    ),
  );
  return added.flatMap(({ id, kind, step, at, deviceAt, by, payload, place }): RunEventInput[] => {
    const told = (n: number, own: Pick<RunEventInput, 'kind' | 'step' | 'payload'>): RunEventInput => ({
      ...own,
      id: nameOf(id, run.id, n),
      clientId: host.id,
      clientSeq: place * MOST_TOLD + n,
      at,
      deviceAt,
      by,
    });
    if (kind === 'undone')
      return toldOf(payload.eventId ?? '', run.id, known).map((eventId, n) =>
        told(n, { kind, step: null, payload: { eventId } }),
      );
    if (kind === 'part-lost' && payload.lost) {
      const seen = payload.lost;
      const sheets = [...lastLost].flatMap(([sheet, last]) => (last === id ? [sheet] : []));
      return guests
        .filter(({ sheet, part }) => {
          const own = state.parts[part];
          return sheet !== null && sheets.includes(sheet) && own !== undefined && isOnFilm(ownPlan, own);
        })
        .map(({ part }, n) =>
          told(n, { kind, step: null, payload: { lost: { ...seen, part, isReplaced: true } } }),
        );
    }
    const done = step !== null && TOLD.includes(kind) ? doneToSheets(plan, step) : null;
    if (!done) return [];
    const parts = guests.flatMap(({ sheet, part }) =>
      sheet !== null && done.sheets.includes(sheet) ? [part] : [],
    );
    return stepsAsDone(ownPlan, state, parts, done).map((own, n) => told(n, { kind, step: own, payload }));
  });
}

/** What was told of an event: named by numbers in a row, from 0. */
function toldOf(eventId: string, runId: string, known: ReadonlySet<string>): string[] {
  const names: string[] = [];
  for (let name = nameOf(eventId, runId, 0); known.has(name); name = nameOf(eventId, runId, names.length))
    names.push(name);
  return names;
}

/** The runs whose transfers a run’s film carries. */
export const hostedRuns = (guests: readonly Guest[]): string[] =>
  [...new Set(guests.filter(({ sheet }) => sheet !== null).map(({ runId }) => runId))].sort();

/** A name for what is told of an event to another run: always the same. */
function nameOf(eventId: string, runId: string, n: number): string {
  const hex = createHash('sha256').update(`${eventId} ${runId} ${n}`).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-5${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}
