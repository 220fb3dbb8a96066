import type { Run, RunEventInput, RunNews, RunReceipt } from '@saltflat/contract';

/** What is asked of the server about a run. */
export interface RunSource {
  whole: (id: string) => Promise<Run>;
  news: (id: string, after: number) => Promise<RunNews>;
}

/**
 * A run with what is new of it. Events are never taken out and stand in the order they arrived, so that whoever knows so
 * many asks for the rest alone.
 */
export function withNews(known: Run, { eventCount, events, finishedAt }: RunNews): Run | null {
  const ids = new Set(known.events.map(({ id }) => id));
  const all = [...known.events, ...events.filter(({ id }) => !ids.has(id))];
  if (all.length < eventCount) return null; // something lies between
  // an answer that was asked for earlier and comes later knows less: it takes nothing back
  return all.length > eventCount ? { ...known, events: all } : { ...known, events: all, finishedAt };
}

/** A run as it now is, for as little as can be asked. */
export async function bringUpToDate(source: RunSource, id: string, known: Run | undefined): Promise<Run> {
  if (known === undefined) return source.whole(id);
  return withNews(known, await source.news(id, known.events.length)) ?? source.whole(id);
}

/** Of two answers about a run the one that knows more. */
export const newerRun = <R extends Pick<Run, 'events'>>(known: R | undefined, answer: R): R =>
  known !== undefined && known.events.length > answer.events.length ? known : answer;

/** Writes on a run what was sent, once the server has it. @param run a draft that may be written to */
export function addSent(
  run: Run,
  sent: readonly RunEventInput[],
  { eventCount, finishedAt }: RunReceipt,
): void {
  const ids = new Set(run.events.map(({ id }) => id));
  const added = sent.filter(({ id }) => !ids.has(id));
  run.events.push(...added.map(({ deviceAt: _device, ...event }) => event));
  if (run.events.length === eventCount) run.finishedAt = finishedAt;
}
