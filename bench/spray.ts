import {
  SprayPractice,
  USUAL_CHART,
  USUAL_GUN,
  USUAL_PATTERN,
  dryCourse,
  fitSprayer,
  handPath,
  planPattern,
  simulateDeposit,
  weighChart,
} from '@saltflat/core/spray';
import type { DepositProblem, DryPhase, DryProblem, HandPattern, PathPoint } from '@saltflat/core/spray';
import { race } from './race.ts';
import type { Case } from './race.ts';

const gun = { ...USUAL_GUN, flowGPerS: 4 };
const box = { x0: 40, y0: 50, x1: 360, y1: 450 };
const bands: HandPattern = {
  ...USUAL_PATTERN,
  kind: 'bands',
  horizontal: 3,
  vertical: 2,
  spacingHMm: 130,
  spacingVMm: 150,
  speedMmPerS: 320,
  distanceMm: 230,
  leadMm: 110,
};
const wobble = { speed: 0.1, lateralMm: 8, heightMm: 10 };
const problem = (stepMm: number, isWobbling = false): DepositProblem => ({
  gun,
  garment: { rect: [0, 0, 400, 500] },
  target: { rect: [40, 50, 320, 400] },
  mask: null,
  lowGm2: 104,
  highGm2: 162,
  edgeMm: 30,
  stepMm,
  seed: 1,
  path: handPath(bands, box, { wobble: isWobbling ? wobble : null, seed: 1 }),
});
const millimetres = problem(1);
const wobbling = problem(1, true);

/** The plain sum: the same cone at each of many moments, some 4 mm apart, cell by cell, as a gun needs it that tilts. */
const byMoments = (own: DepositProblem): unknown =>
  simulateDeposit({ ...own, path: own.path.map((point) => ({ ...point, tiltXDeg: 1e-9 })) }).gm2;

const weighings = Array.from({ length: 20 }, (_, i) => ({
  setting: 1 + (i * 9) / 19,
  passes: i % 4 === 3 ? 2 : 1,
  gm2: (i % 4 === 3 ? 2 : 1) * 34 * (1 + (i * 9) / 19) ** 0.9 * (1 + 0.03 * Math.sin(7 * i)),
}));
function fitted(n: number): unknown {
  const fit = fitSprayer({ least: 1, most: 10, sense: 'up' }, weighings.slice(0, n));
  return [fit.settingFor(150, 1), fit.settingFor(150, 2), fit.gm2At(4, 1), fit.next(1, null)];
}

const tee = (phases: readonly DryPhase[]): DryProblem => ({
  depositGm2: 150,
  waterShare: 0.88,
  cloth: 'cotton-knit',
  clothGm2: 170,
  room: { tempC: 23, rh: 0.5 },
  startC: 23,
  padC: 40,
  phases,
});
const bursts = tee(
  [1, 2, 3, 4].flatMap((): DryPhase[] => [
    { kind: 'press', plateC: 165, s: 10, kPa: 35, cover: 'parchment' },
    { kind: 'open', s: 3, airMPerS: 0 },
  ]),
);
const fortyMinutes = tee([{ kind: 'air', s: 2400, airMPerS: 0, sides: 1, bench: false }]);
const amounts = Array.from({ length: 500 }, (_, i) => 100 + 5 * Math.sin(1.7 * i) + (i > 300 ? -6 : 0));

const practice = new SprayPractice(problem(4));
const hand = (t: number): PathPoint => ({
  t,
  x: 200 + 180 * Math.sin(1.5 * t),
  y: 50 + ((20 * t) % 400),
  z: 230,
  on: true,
  rotDeg: 0,
  tiltXDeg: 0,
  tiltYDeg: 0,
});
let frame = 0;
/** A thirtieth of a second of practising: two moves of the hand and the figures. */
function practised(): unknown {
  for (let i = 0; i < 2; i++) practice.move(hand(++frame / 60));
  return practice.judged();
}

const map = (): unknown => simulateDeposit(millimetres).gm2;
const CASES: Case[] = [
  {
    name: 'deposit of five bands at 1 mm, 400 × 500 mm',
    rival: 'plain sum over moments 4 mm apart',
    budget: 0.25,
    budgetMs: 60,
    work: map,
    against: () => byMoments(millimetres),
  },
  {
    name: 'the same by a hand that wobbles',
    rival: 'plain sum over moments 4 mm apart',
    budget: null,
    budgetMs: 250,
    work: () => simulateDeposit(wobbling),
    against: () => byMoments(wobbling),
  },
  {
    name: 'a frame of practising at 4 mm',
    rival: 'the whole map anew',
    budget: null,
    budgetMs: 33,
    work: practised,
    against: () => simulateDeposit(problem(4)),
  },
  {
    name: 'plan of up to six bands',
    rival: 'one map of it at 1 mm',
    budget: null,
    budgetMs: 30,
    work: () =>
      planPattern({
        gun,
        widthMm: 220,
        heightMm: 260,
        targetGm2: 130,
        distanceMm: 230,
        slowestMmPerS: 150,
        fastestMmPerS: 500,
        hand: wobble,
        maxBands: 6,
        maxWasteShare: 0.65,
      }),
    against: map,
  },
  {
    name: 'fit of 6 weighings, both ways and the next',
    rival: 'a fit of 20',
    budget: null,
    budgetMs: 60,
    work: () => fitted(6),
    against: () => fitted(20),
  },
  {
    name: 'fit of 20 weighings, both ways and the next',
    rival: 'a fit of 6',
    budget: null,
    budgetMs: 250,
    work: () => fitted(20),
    against: () => fitted(6),
  },
  {
    name: 'drying in four bursts, with its band',
    rival: 'one map at 1 mm',
    budget: null,
    budgetMs: 10,
    work: () => dryCourse(bursts),
    against: map,
  },
  {
    name: 'drying in 40 minutes of air, with its band',
    rival: 'one map at 1 mm',
    budget: null,
    budgetMs: 100,
    work: () => dryCourse(fortyMinutes),
    against: map,
  },
  {
    name: 'chart of 500 garments',
    rival: 'one map at 1 mm',
    budget: null,
    budgetMs: 5,
    work: () => weighChart(amounts, USUAL_CHART),
    against: map,
  },
];

race(CASES);
