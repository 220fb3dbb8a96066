import { routeInputOf } from '@saltflat/contract';
import { simulate } from '@saltflat/core/conduction';
import type { Layer, Problem, Stepping } from '@saltflat/core/conduction';
import { findBands, heatStory, usualConditions } from '@saltflat/core/heat';
import type { RouteInHeat } from '@saltflat/core/heat';
import { planRoute } from '@saltflat/core/route';
import { demoLine } from '@saltflat/demo';
import { race } from './race.ts';
import type { Case } from './race.ts';

const layer = (id: string, own: [number, number, number, number], initialC = 25): Layer => {
  const [thicknessMm, kWMK, densityKgM3, specificHeatJKgK] = own;
  const thicknessM = thicknessMm / 1000;
  return {
    kind: 'solid',
    id,
    thicknessM,
    kWMK,
    densityKgM3,
    specificHeatJKgK,
    initialC,
    waterKgM2: 0,
    melt: id === 'glue' ? { fromC: 100, toC: 125, latentJKg: 20_000 } : null,
  };
};
const layers = [
  layer('cover', [0.05, 0.12, 900, 1400]),
  layer('film', [0.075, 0.2, 1390, 1300]),
  layer('ink', [0.04, 0.3, 1400, 1400]),
  layer('glue', [0.07, 0.2, 1150, 1900]),
  layer('cloth', [0.45, 0.09, 378, 1340]),
  layer('pad', [9, 0.09, 450, 1250], 40),
  layer('base', [5, 45, 7850, 480], 35),
];
const dose = (name: string, refC: number, activationJMol: number) => ({
  name,
  probe: 'glue',
  refC,
  activationJMol,
  refS: 12,
  gateC: null,
  pressure: null,
});
/** A press of ninety seconds with six doses. */
const press: Problem = {
  layers,
  probes: [{ name: 'glue', layer: 'glue', at: 'bottom' }],
  doses: [1, 2, 3, 4, 5, 6].map((n) => dose(`dose ${n}`, 120 + 10 * n, 90_000)),
  outputS: [1, 5, 15, 45, 90],
  phases: [
    {
      name: 'press',
      durationS: 90,
      pressureKPa: 35,
      boilC: 104,
      setC: {},
      stacks: [
        {
          layers: layers.map(({ id }) => id),
          jointsWM2K: [700, null, null, 600, 350, 300],
          resistanceM2KW: {},
          top: { kind: 'plate', plateC: 160, hWM2K: 750 },
          bottom: {
            kind: 'open',
            roomC: 24,
            emissivity: 0.9,
            lengthM: 0.3,
            facing: 'down',
            leastHWM2K: 2,
            evaporation: null,
          },
        },
      ],
    },
  ],
};

/** The coarsest steps of the plain scheme that come as near to the limit as ours do. */
function plainAsNear(): Partial<Stepping> {
  const course = (how: Partial<Stepping>): number[] =>
    (simulate(press, how).probes.glue ?? []).map((tempC) => tempC ?? 0);
  const limit = course({ firstS: 0.001, growth: 1.02, longestS: 0.02 });
  const errorOf = (how: Partial<Stepping>): number =>
    Math.max(...course(how).map((tempC, i) => Math.abs(tempC - (limit[i] ?? 0))));
  const ours = errorOf({});
  for (let finer = 1; ; finer *= 1.3) {
    const how: Partial<Stepping> = {
      method: 'backward-euler',
      firstS: 0.01 / finer,
      growth: 1.2 ** (1 / finer),
      longestS: 1 / finer,
      lateShare: 1 / 40 / finer,
    };
    if (errorOf(how) <= ours || finer > 100) return how;
  }
}
const plain = plainAsNear();

const input = routeInputOf(demoLine());
const planned = planRoute(input);
if (!planned.ok) throw new Error('the demo’s line is planned');
const route: RouteInHeat = { ...planned.route, pieces: input.pieces };
const conditions = usualConditions(input.garment);
const bond = planned.route.operations.filter(({ role }) => role === 'bond');
const pressed: RouteInHeat = { ...route, operations: bond };

function allBands(): unknown {
  const work = findBands(pressed, conditions, { draws: 500 });
  for (;;) {
    const { done, value } = work.next();
    if (done === true) return value;
  }
}

/** The model is quick enough when a trace can follow a hand. */
const CASES: Case[] = [
  {
    name: 'heat of a press of 90 s, six doses',
    rival: `backward Euler at the same error (steps ${(1 / (plain.longestS ?? 1)).toFixed(1)} times finer)`,
    budget: null,
    budgetMs: 3,
    work: () => simulate(press),
    against: () => simulate(press, plain),
  },
  {
    name: 'heat of a whole route',
    rival: 'planning the same route',
    budget: null,
    budgetMs: 10,
    work: () => heatStory(route, conditions),
    against: () => planRoute(input),
  },
  {
    name: 'band of a press and its cooling by 500 draws',
    rival: 'one draw of it',
    budget: null,
    budgetMs: 1500,
    work: allBands,
    against: () => heatStory(pressed, conditions),
  },
];

race(CASES);
