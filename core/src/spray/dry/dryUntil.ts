import { DRY_BAND } from './dryProblem.ts';
import type { DryFactors, DryPhase, DryProblem } from './dryProblem.ts';
import { DryRun } from './dryRun.ts';
import type { DryTime } from './dryCourse.ts';

/** Wet cloth before anything is done to it. */
export type WetCloth = Omit<DryProblem, 'phases'>;

/** How often the plate closes: for cloth that is ready for ink, and where more of it is too much. */
export interface BurstCount {
  /** Until it is ready to print. */
  ready: DryTime;
  /** Fewest after which it may be dry to the touch at all, where heat passes as well as it may. */
  least: number | null;
  /** Most before it is baked stiff; `null`: not within {@link MOST_BURSTS}. */
  most: number | null;
}

export const MOST_BURSTS = 12;
const MOST_HOVER_S = 600;
const MOST_AIR_S = 4 * 3600;
const HOVER_STEP_S = 5;
const AIR_STEP_S = 60;

/**
 * Bursts of a closed press with the plate opened between them, until pretreatment is ready for ink.
 *
 * @param openS between two closings, s
 */
export function burstsUntilReady(
  cloth: WetCloth,
  press: Omit<Extract<DryPhase, { kind: 'press' }>, 'kind'>,
  openS: number,
): BurstCount {
  const count = (
    factors: DryFactors,
  ): { touch: number | null; ready: number | null; most: number | null } => {
    const run = new DryRun(cloth, factors);
    const found = { touch: null as number | null, ready: null as number | null, most: null as number | null };
    for (let n = 1; n <= MOST_BURSTS && found.most === null; n++) {
      run.go({ kind: 'press', ...press });
      const { state } = run;
      if (state === 'over-dried') found.most = n - 1;
      if (state !== 'wet') found.touch ??= n;
      if (state !== 'wet' && state !== 'touch-dry') found.ready ??= n;
      run.go({ kind: 'open', s: openS, airMPerS: 0 });
    }
    return found;
  };
  const usual = count(DRY_BAND.usual);
  const fast = count(DRY_BAND.fast);
  const slow = count(DRY_BAND.slow);
  return {
    ready: { usual: usual.ready, early: fast.ready, late: slow.ready },
    least: fast.touch,
    most: usual.most,
  };
}

/** Under a plate that does not touch, until no free water is left, s. `null` where ten minutes do not do it. */
export const hoverUntilTouchDry = (
  cloth: WetCloth,
  hover: Omit<Extract<DryPhase, { kind: 'hover' }>, 'kind' | 's'>,
): DryTime => untilTouchDry(cloth, { kind: 'hover', ...hover, s: HOVER_STEP_S }, MOST_HOVER_S);

/** Hung or laid in the room, until no free water is left, s. `null` where four hours do not do it. */
export const airUntilTouchDry = (
  cloth: WetCloth,
  air: Omit<Extract<DryPhase, { kind: 'air' }>, 'kind' | 's'>,
): DryTime => untilTouchDry(cloth, { kind: 'air', ...air, s: AIR_STEP_S }, MOST_AIR_S);

function untilTouchDry(cloth: WetCloth, slice: DryPhase, mostS: number): DryTime {
  const time = (factors: DryFactors): number | null => {
    const run = new DryRun(cloth, factors);
    while (run.touchDryS === null && run.timeS < mostS) run.go(slice);
    return run.touchDryS;
  };
  return { usual: time(DRY_BAND.usual), early: time(DRY_BAND.fast), late: time(DRY_BAND.slow) };
}
