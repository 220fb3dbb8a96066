import { DomainError } from '@saltflat/contract';
import type { RunEventInput, StoredEvent } from '@saltflat/contract';

/** Clocks of devices are set by the server's; a little is left for the way. */
const AHEAD_MS = 2 * 60_000;
const BEFORE_MS = 24 * 3_600_000;

/**
 * Refuses an event that would say nothing, or that is dated when it cannot have happened: dated ahead it would stand
 * before every step to come.
 *
 * @param startedMs when its run was put on the floor
 */
export function checkEvent(event: RunEventInput, nowMs: number, startedMs: number): void {
  refuseHollow(event);
  const atMs = Date.parse(event.at);
  if (atMs > nowMs + AHEAD_MS)
    throw badTime(
      `This step is dated ${event.at}, ahead of the server’s clock at ${new Date(nowMs).toISOString()}. Set this device’s clock right, reload the page and do the step again.`,
    );
  if (atMs < startedMs - BEFORE_MS)
    throw badTime(
      `This step is dated ${event.at}, more than a day before its line was put on the floor. Set this device’s clock right, reload the page and do the step again.`,
    );
}

const badTime = (message: string): DomainError =>
  new DomainError('invalid-input', message, { fields: [{ path: '/at', message }] });

/** What each kind needs to say anything. */
const NEEDED: Partial<Record<RunEventInput['kind'], keyof RunEventInput['payload']>> = {
  'reading-taken': 'reading',
  'phase-started': 'phase',
  readied: 'ready',
  'piece-inspected': 'inspection',
  'part-lost': 'lost',
  'flow-changed': 'flow',
  'problem-raised': 'problem',
  undone: 'eventId',
};
const ABOUT_THE_RUN: readonly RunEventInput['kind'][] = [
  'part-lost', 'flow-changed', 'problem-raised', 'problem-cleared', 'undone',
]; // prettier-ignore

function refuseHollow({ kind, step, payload }: RunEventInput): void {
  const needed = NEEDED[kind];
  if (needed !== undefined && (payload[needed] === undefined || payload[needed] === ''))
    throw hollow(`/payload/${needed}`, `An event “${kind}” needs its ${needed}.`);
  if (step === null && !ABOUT_THE_RUN.includes(kind))
    throw hollow('/step', `An event “${kind}” needs a step.`);
}

const hollow = (path: string, message: string): DomainError =>
  new DomainError('invalid-input', message, { fields: [{ path, message }] });

/**
 * The events that are not known yet, each once.
 *
 * @throws DomainError where a device has used a number of its count before, or an event is known and says something else
 */
export function newEvents(known: readonly StoredEvent[], sent: readonly RunEventInput[]): RunEventInput[] {
  const counted = knownOf(known, sent);
  const ids = new Set(sent.map(({ id }) => id));
  const said = new Map(known.filter(({ id }) => ids.has(id)).map((event) => [event.id, contentOf(event)]));
  return sent.filter((event) => {
    const content = contentOf(event);
    const before = said.get(event.id);
    if (before !== undefined && before !== content) throw reused(event);
    said.set(event.id, content);
    const id = counted.get(countOf(event));
    if (id === event.id) return false;
    if (id !== undefined)
      throw new DomainError(
        'invalid-input',
        `This device has already sent another event as its number ${event.clientSeq}. Reload the page to go on.`,
      );
    counted.set(countOf(event), event.id);
    return true;
  });
}

const reused = ({ id, kind, step }: RunEventInput): DomainError =>
  new DomainError(
    'invalid-input',
    `Event ${id.slice(0, 8)} (“${kind}”${step === null ? '' : ` of ${step}`}) was sent before and said something else. What was kept first stays; reload the page to go on.`,
  );

/** What an event says, whoever wrote its fields in which order. */
const contentOf = ({ clientId, clientSeq, kind, step, at, by, payload }: Omit<StoredEvent, 'id'>): string =>
  JSON.stringify([clientId, clientSeq, kind, step, Date.parse(at), by, sorted(payload)]);

const sorted = (value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? Object.entries(value)
        .sort(([p], [q]) => (p < q ? -1 : 1))
        .map(([key, own]) => [key, sorted(own)])
    : value;

/** Ids of the known events that have one of the sent ones' place in a device's count: few of a long run, whose events are many. */
function knownOf(known: readonly StoredEvent[], sent: readonly RunEventInput[]): Map<string, string> {
  const places = new Map<string, Set<number>>();
  for (const { clientId, clientSeq } of sent)
    places.set(clientId, (places.get(clientId) ?? new Set()).add(clientSeq));
  return new Map(
    known
      .filter(({ clientId, clientSeq }) => places.get(clientId)?.has(clientSeq))
      .map((event) => [countOf(event), event.id]),
  );
}

const countOf = ({ clientId, clientSeq }: { clientId: string; clientSeq: number }): string =>
  `${clientId}/${clientSeq}`;
