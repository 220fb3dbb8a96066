import type { ReadyItem } from '../care/index.ts';
import type { Flow } from '../work/index.ts';

/** What the floor may send. Each event happened on a device; the same event sent twice counts once. */
export const RUN_EVENT_KINDS = [
  'step-started',
  'phase-started',
  'step-completed',
  'reading-taken',
  'readied',
  'piece-inspected',
  'part-lost',
  'flow-changed',
  'problem-raised',
  'problem-cleared',
  'undone',
] as const;
export type RunEventKind = (typeof RUN_EVENT_KINDS)[number];

export const VERDICTS = ['good', 'reprint', 'scrap'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** Facts of an event beyond its kind; which are present depends on the kind. */
export interface RunEventPayload {
  /** Of a reading: which weighing, and what the scale said, g. */
  reading?: { what: 'before' | 'after'; massG: number };
  /** Of an inspection. */
  inspection?: { verdict: Verdict; faults: string[]; note?: string; photo?: string };
  /** Which of the timed phases of a step begins, from 1: the first began with the step. */
  phase?: number;
  /** Of a part that was spoiled on the way: what, whether another is made, and what was seen. */
  lost?: { part: string; isReplaced: boolean; faults: string[]; note?: string; photo?: string };
  /** Of what was looked at before the first print: what was left out or not right, and nozzles that were missing, if anybody counted. */
  ready?: { missed: ReadyItem[]; nozzlesMissing: number | null };
  /** How the pieces go on. */
  flow?: Flow;
  /** Of a problem, in the person's words. */
  problem?: string;
  /** Of an undo: the event taken back. */
  eventId?: string;
}

export interface RunEvent {
  /** Made by the client, unique. */
  id: string;
  clientId: string;
  /** Counts a client's events up from 1; gives its own order. */
  clientSeq: number;
  kind: RunEventKind;
  /** The step it is about, from {@link stepId}; `null` for problems, undo, and a part lost between steps. */
  step: string | null;
  /** When it happened, ISO 8601 UTC: the device's clock, corrected to the server's. */
  at: string;
  /** Who did it. */
  by: string;
  payload: RunEventPayload;
}

/**
 * One order for all events whatever their order of arrival: by time, and never against a client's own order.
 * A client whose clock stepped back is taken to have acted when its former event did.
 *
 * @returns a new array without repeated events
 */
export function orderEvents(events: readonly RunEvent[]): RunEvent[] {
  if (isInOrder(events)) return [...events];
  const unique = [...new Map(events.map((event) => [event.id, event])).values()];
  unique.sort(
    (p, q) => compareText(p.clientId, q.clientId) || p.clientSeq - q.clientSeq || compareText(p.id, q.id),
  );
  let client = '';
  let latest = -Infinity;
  const timed = unique.map((event) => {
    if (event.clientId !== client) latest = -Infinity;
    client = event.clientId;
    latest = Math.max(latest, Date.parse(event.at));
    return { event, at: latest };
  });
  // sorting is stable: events of one time stay by client and its own count
  return timed.sort((p, q) => p.at - q.at).map(({ event }) => event);
}

const INSTANT = '2031-03-04T08:00:00.000Z'.length;

/** True for the usual case: each later than the one before, every client counting up; then there is nothing to sort. */
function isInOrder(events: readonly RunEvent[]): boolean {
  const counts = new Map<string, number>();
  let latest = '';
  for (const { clientId, clientSeq, at } of events) {
    // instants as the server writes them stand in the order of their letters
    if (at.length !== INSTANT || !at.endsWith('Z') || at <= latest) return false;
    if (clientSeq <= (counts.get(clientId) ?? -Infinity)) return false;
    latest = at;
    counts.set(clientId, clientSeq);
  }
  return true;
}

const compareText = (p: string, q: string): number => (p < q ? -1 : p > q ? 1 : 0);
