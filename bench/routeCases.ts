import { routeInputOf } from '@saltflat/contract';
import { compareProcesses } from '@saltflat/core/compare';
import { DEFAULT_RATES } from '@saltflat/core/cost';
import { PROCESSES, planRoute } from '@saltflat/core/route';
import { demoLine } from '@saltflat/demo';

const input = routeInputOf(demoLine());
const { overrides: _overrides, prints, ...whole } = input;
const [own] = prints;
if (!own) throw new Error('the demo’s line has a print');
const { id, artwork, print, placement } = own;
const line = { ...whole, artwork, placement };
const direct = { ...print, whiteMl: 2.2 };
const rivalText = JSON.stringify(planRoute(input));

/** Planning is quick enough when a page can do it at every key. */
export const ROUTE_CASES = [
  {
    name: 'plan one route',
    rival: 'reading the same route from its JSON',
    budget: null,
    budgetMs: 20,
    work: () => planRoute(input),
    against: () => JSON.parse(rivalText) as unknown,
  },
  {
    name: `compare all ${PROCESSES.length} processes for a line, with what would change it`,
    rival: 'reading one route from its JSON',
    budget: null,
    budgetMs: 100,
    work: () =>
      compareProcesses({
        line,
        id,
        others: [],
        prints: { dtf: print, sub: print, 'dtg-dark': direct, 'dtg-light': { ...print, whiteMl: 0 } },
        blankCents: 343,
        rates: DEFAULT_RATES,
      }),
    against: () => JSON.parse(rivalText) as unknown,
  },
];
