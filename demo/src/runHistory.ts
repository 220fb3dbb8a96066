import type { RunEventInput } from '@saltflat/contract';
import type { Operation, Route } from '@saltflat/core/route';
import { loadsOf, piecesInLoad } from '@saltflat/core/route';
import { countdownS, faultsOf, stepId } from '@saltflat/core/run';
import type { RunEventPayload, Verdict } from '@saltflat/core/run';

/** What makes one made-up run different from another, and the same every time. */
export interface HistoryOptions {
  pieces: number;
  /** How many pieces are taken to their verdict. */
  piecesJudged: number;
  /** When the first step began, ms since 1970. */
  startMs: number;
  seed: number;
  by: string;
}

/** Events of a run as a person at work would have made them: settings kept to within seconds, now and then a fault. */
export function inventRun(
  route: Route,
  { pieces, piecesJudged, startMs, seed, by }: HistoryOptions,
): RunEventInput[] {
  const random = lcg(seed);
  const clientId = uuid(random);
  const events: RunEventInput[] = [];
  let atMs = startMs;
  let reprints = 0;
  const push = (kind: RunEventInput['kind'], step: string | null, payload: RunEventPayload = {}): void => {
    const at = new Date(atMs).toISOString();
    events.push({
      id: uuid(random),
      clientId,
      clientSeq: events.length + 1,
      kind,
      step,
      at,
      deviceAt: at,
      by,
      payload,
    });
  };
  const pass = (seconds: number): void => void (atMs += Math.round(seconds * (900 + 250 * random())));
  const work = (operation: Operation, step: string, piecesIn: number): void => {
    const timerS = countdownS(operation, { pieces: piecesIn });
    push('step-started', step);
    if (operation.weighIn) weigh(operation.weighIn.targetG, step);
    pass(timerS > 0 ? timerS * (1 + 0.04 * random()) : Math.min(operation.handsS, 60));
    if (operation.isInspection) {
      const inspection = judge(route, random);
      if (inspection.verdict === 'reprint') reprints++;
      push('piece-inspected', step, { inspection });
    } else push('step-completed', step);
    pass((operation.waitAfter?.minS ?? 0) + 4);
  };
  const weigh = (targetG: number, step: string): void => {
    const beforeG = round1(172 + 30 * random());
    push('reading-taken', step, { reading: { what: 'before', massG: beforeG } });
    pass(30);
    push('reading-taken', step, {
      reading: { what: 'after', massG: round1(beforeG + targetG * (0.9 + 0.25 * random())) },
    });
  };

  let [first, count] = [1, pieces];
  for (let round = 1; count > 0; round++) {
    for (const operation of route.operations)
      for (let load = 1; operation.per === 'batch' && load <= loadsOf(count, operation.perLoad); load++)
        work(operation, stepId(round, operation.id, 0, load), piecesInLoad(count, operation.perLoad, load));
    const judged = Math.min(count, piecesJudged - first + 1);
    reprints = 0;
    for (let piece = first; piece < first + judged; piece++)
      for (const operation of route.operations)
        if (operation.per === 'piece') work(operation, stepId(round, operation.id, piece), 1);
    first += count;
    count = judged < count ? 0 : reprints; // what is to be made again follows once all of a round are judged
  }
  return events;
}

const SPOILED = 0.045; // share of pieces with a fault that cannot stay; most of them are made again
const MADE_AGAIN = 0.75;

function judge(route: Route, random: () => number): { verdict: Verdict; faults: string[] } {
  if (random() > SPOILED) return { verdict: 'good', faults: [] };
  const likely = faultsOf(route);
  const [fault = 'banding'] = likely[Math.floor(random() * likely.length)] ?? [];
  return { verdict: random() < MADE_AGAIN ? 'reprint' : 'scrap', faults: [fault] };
}

const round1 = (value: number): number => Math.round(value * 10) / 10;

/** Numerical Recipes' linear congruential generator, 0–1. */
function lcg(seed: number): () => number {
  let state = (seed * 2_654_435_761) >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

function uuid(random: () => number): string {
  const hex = Array.from({ length: 32 }, () => Math.floor(random() * 16).toString(16)).join('');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20)}`;
}
