import { routeInputOf } from '@saltflat/contract';
import { planRoute } from '@saltflat/core/route';
import type { Route } from '@saltflat/core/route';
import { FollowedRun, deriveRun, machineHeat, nextOverRuns, planOfLine } from '@saltflat/core/run';
import type { RunEvent, RunPlan, RunState } from '@saltflat/core/run';
import { seededRandom } from '@saltflat/core/work';
import { demoLine } from '@saltflat/demo';

const START = Date.parse('2031-03-04T08:00:00Z');

function routeOf(pieces: number): Route {
  const plan = planRoute({ ...routeInputOf(demoLine()), pieces });
  if (!plan.ok) throw new Error('the demo line cannot be planned');
  return plan.route;
}

/** Every step begun, weighed twice and done, piece by piece from three devices; one piece in twenty made again. */
function inventEvents(plan: RunPlan, count: number): RunEvent[] {
  const random = seededRandom(9);
  const followed = new FollowedRun(plan, []);
  const events: RunEvent[] = [];
  const add = (kind: RunEvent['kind'], step: string, payload: RunEvent['payload'] = {}): void => {
    const i = events.length;
    const at = new Date(START + 1500 * i).toISOString();
    const event = {
      id: `e${i}`,
      clientId: `c${i % 3}`,
      clientSeq: i + 1,
      kind,
      step,
      at,
      by: 'Ines',
      payload,
    };
    events.push(event);
    followed.add([event]);
  };
  for (let pass = 0; pass < 40 && events.length < count; pass++)
    for (const { id, status, line, index } of [...followed.state.steps]) {
      if (status !== 'idle' || events.length >= count) continue;
      const operation = plan.lines.find(({ key }) => key === line)?.operations[index];
      add('step-started', id);
      for (const what of ['before', 'after'] as const)
        add('reading-taken', id, { reading: { what, massG: 180 } });
      const verdict = random() < 0.05 ? 'reprint' : 'good';
      if (operation?.role === 'inspect') add('piece-inspected', id, { inspection: { verdict, faults: [] } });
      else add('step-completed', id);
    }
  return events;
}

const EVENTS = 20_000;
const large = planOfLine(routeOf(700), 700);
const events = inventEvents(large, EVENTS);
if (events.length < EVENTS) throw new Error(`only ${events.length} events`);
const text = JSON.stringify(events);

const LINES = 20;
const small = routeOf(25);
const smallPlan = planOfLine(small, 25);
const halfway = inventEvents(smallPlan, 400);
const floor = Array.from({ length: LINES }, (_, i) => ({
  plan: smallPlan,
  state: deriveRun(smallPlan, halfway.slice(0, 20 * i)),
  dueMs: { 1: START + i },
}));
const steps = (state: RunState) => ({ operations: small.operations, steps: state.steps });
const smallText = JSON.stringify(halfway);

/** What the floor works out at a tap, and the server when it remembers nothing. */
export const RUN_CASES = [
  {
    name: `replay ${EVENTS} events of a run of 700 pieces`,
    rival: 'reading the same events from their JSON',
    budget: null,
    budgetMs: 100,
    work: () => deriveRun(large, events),
    against: () => JSON.parse(text) as unknown,
  },
  {
    name: `after a tap on one of ${LINES} lines with 500 pieces: its state again, and what comes next over all`,
    rival: 'reading one line’s events from their JSON',
    budget: null,
    budgetMs: 25,
    work: () => {
      deriveRun(smallPlan, halfway);
      const now = START + 3_600_000;
      return nextOverRuns(
        floor,
        now,
        machineHeat(
          floor.map(({ state }) => steps(state)),
          now,
        ),
      );
    },
    against: () => JSON.parse(smallText) as unknown,
  },
];
