import { USUAL_GUN, USUAL_HAND } from '@saltflat/core/spray';
import type { DepositProblem, Gun, PatternProblem, Wobble } from '@saltflat/core/spray';
import { t } from '../../../words/index.ts';
import type { HandGun } from '../sprayers.ts';

/** What is to be covered, and how somebody sprays. */
export interface HandJob {
  gm2: number;
  widthMm: number;
  heightMm: number;
  distanceMm: number;
  hand: HandName;
  maxBands: number;
}

/** How unsteady a hand is (trade figures about the usual one). */
export const HANDS = {
  steady: { name: t('A steady hand'), wobble: { speed: 0.05, lateralMm: 4, heightMm: 5 } },
  usual: { name: t('A usual one'), wobble: { ...USUAL_HAND, heightMm: 10 } },
  learning: { name: t('Still learning'), wobble: { speed: 0.18, lateralMm: 15, heightMm: 20 } },
} as const satisfies Record<string, { name: string; wobble: Wobble }>;
export type HandName = keyof typeof HANDS;

export const USUAL_JOB: HandJob = {
  gm2: 130,
  widthMm: 310,
  heightMm: 360,
  distanceMm: 230,
  hand: 'usual',
  maxBands: 6,
};

/** A hand moves between these (trade figures). */
export const SPEEDS = { slowest: 150, fastest: 500 };
const MOST_WASTE = 0.75; // bands begin and end beside the garment: a gun wastes half and more
const EDGE_MM = 30;
const BELOW = 0.8;
const ABOVE = 1.25;
/** Garment that lies about what is covered, mm. */
const AROUND = { side: 90, end: 110 };

export const gunOf = ({ flowGPerMin, coneWide, coneNarrow, landsShare }: HandGun): Gun => ({
  ...USUAL_GUN,
  flowGPerS: flowGPerMin / 60,
  fan: { major: coneWide, minor: coneNarrow },
  efficiency: landsShare,
});

export const patternProblem = (gun: Gun, job: HandJob): PatternProblem => ({
  gun,
  widthMm: job.widthMm,
  heightMm: job.heightMm,
  targetGm2: job.gm2,
  distanceMm: job.distanceMm,
  slowestMmPerS: SPEEDS.slowest,
  fastestMmPerS: SPEEDS.fastest,
  hand: HANDS[job.hand].wobble,
  maxBands: job.maxBands,
  maxWasteShare: MOST_WASTE,
});

/** The garment about the area, whose own corner is at 0, 0. */
export const garmentOf = ({ widthMm, heightMm }: Pick<HandJob, 'widthMm' | 'heightMm'>) => ({
  x: -AROUND.side,
  y: -AROUND.end,
  widthMm: widthMm + 2 * AROUND.side,
  heightMm: heightMm + 2 * AROUND.end,
});

/** What is sprayed and judged, but for the way. */
export function ground(gun: Gun, job: HandJob, stepMm: number): Omit<DepositProblem, 'path'> {
  const { x, y, widthMm, heightMm } = garmentOf(job);
  return {
    gun,
    garment: { rect: [x, y, widthMm, heightMm] },
    target: { rect: [0, 0, job.widthMm, job.heightMm] },
    mask: null,
    lowGm2: BELOW * job.gm2,
    highGm2: ABOVE * job.gm2,
    edgeMm: EDGE_MM,
    stepMm,
    seed: 1,
  };
}
