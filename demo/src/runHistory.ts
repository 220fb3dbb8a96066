import { runPlanOf } from '@saltflat/contract';
import type { Run, RunEventInput } from '@saltflat/contract';
import type { Route } from '@saltflat/core/route';
import { FollowedRun, faultsOf, nextActions, readStepId } from '@saltflat/core/run';
import type { RunEventPayload, RunOperation, Verdict } from '@saltflat/core/run';
import { phaseS, plannedMode, seededRandom } from '@saltflat/core/work';
import type { Phase } from '@saltflat/core/work';

/** What makes one made-up run different from another, and the same every time. */
export interface HistoryOptions {
  /** How many pieces are taken to their verdict. */
  piecesJudged: number;
  /** When the first step began, ms since 1970. */
  startMs: number;
  seed: number;
  by: string;
}

/** Events of a run as a person at work would have made them: settings kept to within seconds, now and then a fault. */
export function inventRun(
  run: Pick<Run, 'lines' | 'sheets'>,
  { piecesJudged, startMs, seed, by }: HistoryOptions,
): RunEventInput[] {
  const random = seededRandom(seed * 2_654_435_761); // neighbouring seeds begin far apart
  const clientId = uuid(random);
  const events: RunEventInput[] = [];
  let atMs = startMs;
  const push = (kind: RunEventInput['kind'], step: string | null, payload: RunEventPayload = {}): void => {
    const at = new Date(atMs).toISOString();
    const own = { id: uuid(random), clientId, clientSeq: events.length + 1 };
    events.push({ ...own, kind, step, at, deviceAt: at, by, payload });
  };
  const pass = (seconds: number): void => void (atMs += Math.round(seconds * (900 + 250 * random())));
  const weigh = (targetG: number, step: string): void => {
    const beforeG = round1(172 + 30 * random());
    push('reading-taken', step, { reading: { what: 'before', massG: beforeG } });
    pass(30);
    push('reading-taken', step, {
      reading: { what: 'after', massG: round1(beforeG + targetG * (0.9 + 0.25 * random())) },
    });
  };
  /** Hands before it begins and after it ended; each phase that is counted down kept to within seconds. */
  const work = (operation: RunOperation, step: string, parts: number): void => {
    const phases = plannedMode(operation).phases;
    const first = phases.findIndex(({ isTimed }) => isTimed);
    const last = phases.map(({ isTimed }) => isTimed).lastIndexOf(true);
    const spend = (own: Phase): void => {
      const seconds = phaseS(own, parts);
      pass(own.people > 0 ? seconds : seconds * (1 + 0.04 * random()));
    };
    phases.slice(0, Math.max(0, first)).forEach(spend);
    push('step-started', step);
    if (operation.weighIn) weigh(operation.weighIn.targetG, step);
    let phase = 0;
    for (const own of first < 0 ? phases : phases.slice(first, last + 1)) {
      if (own.isTimed && phase > 0) push('phase-started', step, { phase });
      if (own.isTimed) phase++;
      spend(own);
    }
    if (operation.role === 'inspect')
      push('piece-inspected', step, { inspection: judge(routeOf(run, step), random) });
    else push('step-completed', step);
    if (first >= 0) phases.slice(last + 1).forEach(spend);
    pass(4);
  };

  const plan = runPlanOf(run);
  const followed = new FollowedRun(plan, []);
  for (;;) {
    const actions = nextActions(plan, followed.state, atMs);
    // nobody leaves wet ink or loose powder lying
    const isEnough = followed.state.outcomes.length >= piecesJudged;
    const next = isEnough ? actions.find(({ latestAt }) => latestAt !== null) : actions[0];
    if (!next) break;
    atMs = Math.max(atMs, next.dueAt);
    const known = events.length;
    work(next.operation, next.step.id, next.step.parts.length);
    followed.add(events.slice(known));
  }
  return events;
}

/** The route of the line whose piece is looked at. */
function routeOf({ lines }: Pick<Run, 'lines'>, step: string): Route {
  const key = readStepId(step)?.parts[0]?.line;
  const line = lines.find((own) => own.key === key) ?? lines[0];
  if (!line) throw new RangeError('a run without lines');
  return line.route;
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

function uuid(random: () => number): string {
  const hex = Array.from({ length: 32 }, () => Math.floor(random() * 16).toString(16)).join('');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20)}`;
}
