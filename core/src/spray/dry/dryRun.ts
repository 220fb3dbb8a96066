import { DryBalance, boundGm2, waterStartGm2 } from './dryBalance.ts';
import type { DryFactors, DryPhase, DryProblem } from './dryProblem.ts';

export type DryState = 'wet' | 'touch-dry' | 'ready' | 'over-dried';

/** Of the water that fibres hold, that ink goes on below (trade rule). */
export const READY_SHARE = 2 / 3;
const HOT_DRY = { gm2: 3, tempC: 110, mostS: 15 };

/** What so much water says, whatever heat there was. */
export function stateOfWater(waterGm2: number, boundGm2: number): Exclude<DryState, 'over-dried'> {
  if (waterGm2 <= READY_SHARE * boundGm2) return 'ready';
  return waterGm2 <= boundGm2 ? 'touch-dry' : 'wet';
}

/** A garment on its way through what is done to it, judged as it goes. */
export class DryRun {
  private readonly balance: DryBalance;
  private readonly levels: readonly [touchDry: number, ready: number];
  private readonly crossed: [number | null, number | null];
  private last: number;
  private endS = 0;
  private hotS = 0;

  constructor(problem: Omit<DryProblem, 'phases'>, factors: DryFactors) {
    this.balance = new DryBalance(problem, factors);
    const bound = boundGm2(problem);
    this.levels = [bound, READY_SHARE * bound];
    this.last = waterStartGm2(problem);
    this.crossed = [this.last <= this.levels[0] ? 0 : null, this.last <= this.levels[1] ? 0 : null];
  }

  get timeS(): number {
    return this.endS;
  }

  get waterGm2(): number {
    return 1000 * this.balance.waterKgM2;
  }

  get meanC(): number {
    return this.balance.meanC;
  }

  /** When no free water was left, s; `null` until then. */
  get touchDryS(): number | null {
    return this.crossed[0];
  }

  /** When ink could go on, s; `null` until then. */
  get readyS(): number | null {
    return this.crossed[1];
  }

  /** Seconds dry and hot. */
  get hotDryS(): number {
    return this.hotS;
  }

  get state(): DryState {
    return this.hotS > HOT_DRY.mostS ? 'over-dried' : stateOfWater(this.waterGm2, this.levels[0]);
  }

  go(phase: DryPhase): void {
    this.balance.run(phase, (timeS, stepS, waterKgM2, meanC) => {
      const gm2 = 1000 * waterKgM2;
      for (let i = 0; i < this.levels.length; i++)
        if (this.crossed[i] === null && gm2 <= this.levels[i])
          this.crossed[i] = timeS - stepS * ((this.levels[i] - gm2) / (this.last - gm2 || 1));
      this.last = gm2;
      if (gm2 <= HOT_DRY.gm2 && meanC >= HOT_DRY.tempC) this.hotS += stepS;
    });
    this.endS += phase.s;
  }
}
