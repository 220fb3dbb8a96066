import { boundGm2, waterStartGm2 } from './dryBalance.ts';
import { DRY_BAND } from './dryProblem.ts';
import type { DryFactors, DryProblem } from './dryProblem.ts';
import { DryRun } from './dryRun.ts';
import type { DryState } from './dryRun.ts';

/** A time, s, and when it would be if the model were as wrong as it may be; `null`: not within what is done. */
export interface DryTime {
  usual: number | null;
  early: number | null;
  late: number | null;
}

export interface DryCourse {
  waterStartGm2: number;
  /** Held by the fibres. */
  boundGm2: number;
  /** What the cloth comes to rest at in the room. */
  roomGm2: number;
  /** At each phase's end. */
  ends: { t: number; waterGm2: number; waterLowGm2: number; waterHighGm2: number; tempC: number }[];
  touchDryS: DryTime;
  readyS: DryTime;
  /** Hot and dry: the finish stiffens, the fluid yellows. */
  hotDryS: number;
  state: DryState;
  stateIfFast: DryState;
  stateIfSlow: DryState;
  /** No hotter than 40 °C on average at the end. */
  isCool: boolean;
}

const COOL_C = 40;

/** How a pretreated garment dries in what is done to it, with the band of what the model may be off. */
export function dryCourse(problem: DryProblem): DryCourse {
  const usual = followed(problem, DRY_BAND.usual);
  const fast = followed(problem, DRY_BAND.fast);
  const slow = followed(problem, DRY_BAND.slow);
  const bound = boundGm2(problem);
  return {
    waterStartGm2: waterStartGm2(problem),
    boundGm2: bound,
    roomGm2: problem.room.rh * bound,
    ends: usual.ends.map(({ t, waterGm2, tempC }, i) => {
      const ifOff = [fast.ends[i].waterGm2, slow.ends[i].waterGm2];
      return { t, waterGm2, tempC, waterLowGm2: ifOff[0], waterHighGm2: ifOff[1] };
    }),
    touchDryS: { usual: usual.touchDryS, early: fast.touchDryS, late: slow.touchDryS },
    readyS: { usual: usual.readyS, early: fast.readyS, late: slow.readyS },
    hotDryS: usual.hotDryS,
    state: usual.state,
    stateIfFast: fast.state,
    stateIfSlow: slow.state,
    isCool: usual.ends.at(-1)!.tempC <= COOL_C,
  };
}

interface Followed {
  ends: { t: number; waterGm2: number; tempC: number }[];
  touchDryS: number | null;
  readyS: number | null;
  hotDryS: number;
  state: DryState;
}

function followed(problem: DryProblem, factors: DryFactors): Followed {
  const run = new DryRun(problem, factors);
  const ends = problem.phases.map((phase) => {
    run.go(phase);
    return { t: run.timeS, waterGm2: run.waterGm2, tempC: run.meanC };
  });
  const { touchDryS, readyS, hotDryS, state } = run;
  return { ends, touchDryS, readyS, hotDryS, state };
}

/** Water left by the scale, g/m²: the honest check. Against the dry garment before spraying, whose own moisture the room gives. */
export function weighedBackGm2(
  problem: DryProblem,
  { beforeG, nowG, areaMm2 }: { beforeG: number; nowG: number; areaMm2: number },
): number {
  const { depositGm2, waterShare, room } = problem;
  return ((nowG - beforeG) * 1e6) / areaMm2 - (1 - waterShare) * depositGm2 + room.rh * boundGm2(problem);
}
