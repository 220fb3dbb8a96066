import type {
  Floor,
  FloorKnown,
  FloorRun,
  Run,
  RunEventInput,
  RunNews,
  RunReceipt,
} from '@saltflat/contract';

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

/** What is asked of the server about the floor as a whole. */
export interface FloorSource {
  floor: (known: FloorKnown) => Promise<Floor>;
}

/** So long a run that is finished stays known, that whoever finished it sees what came out. */
const KEPT_MS = 12 * 3_600_000;

/** The floor as it now is, in one question: only what is new of each run that is known, whole runs where none is. */
export async function askFloor(source: FloorSource, known: readonly Run[], nowMs: number): Promise<Run[]> {
  const kept = known.filter(
    ({ finishedAt }) => finishedAt === null || nowMs - Date.parse(finishedAt) < KEPT_MS,
  );
  const told = await source.floor({
    known: kept.map(({ id, events }) => ({ runId: id, events: events.length })),
  });
  const { runs, isWhole } = joined(kept, told.runs);
  if (isWhole) return runs;
  const again = await source.floor({ known: [] }); // something lay between: from the beginning
  return again.runs.flatMap(({ whole }) => whole ?? []);
}

function joined(known: readonly Run[], told: readonly FloorRun[]): { runs: Run[]; isWhole: boolean } {
  const runs = told.map(({ whole, ...news }) => {
    const own = known.find(({ id }) => id === news.runId);
    return whole ?? (own ? withNews(own, news) : null);
  });
  return { runs: runs.filter((run) => run !== null), isWhole: runs.every((run) => run !== null) };
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
