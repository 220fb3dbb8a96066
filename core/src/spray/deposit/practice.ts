import type { PathPoint } from '../pattern/handPath.ts';
import { LaidMap } from './deposit.ts';
import type { Deposit } from './deposit.ts';
import { flowEndS, stretchesOf } from './flowing.ts';
import type { Press } from './flowing.ts';
import { sprayGround } from './ground.ts';
import type { DepositProblem, SprayGround } from './ground.ts';

/** A map that grows under a hand: of its way only what is new is laid, each time it is told where it is. */
export class SprayPractice {
  readonly ground: SprayGround;
  private readonly problem: Omit<DepositProblem, 'path'>;
  private readonly laid: LaidMap;
  /** Presses that still flow; the last is held where it ends at no time. */
  private flowing: Press[] = [];
  private last: PathPoint | null = null;
  private heldS = 0;
  private presses = 0;

  constructor(problem: Omit<DepositProblem, 'path'>) {
    this.problem = problem;
    this.ground = sprayGround(problem);
    this.laid = new LaidMap(problem.gun, this.ground);
  }

  /** g/m² at each cell's centre so far. */
  get gm2(): Float64Array {
    return this.laid.gm2;
  }

  /** The hand is at a point; times go on from one to the next. */
  move(point: PathPoint): void {
    const { gun, seed } = this.problem;
    const { last } = this;
    if (last !== null) {
      const span = { sinceS: last.t, untilS: point.t };
      this.laid.mist(stretchesOf([last, point], this.flowing, gun.trigger, span));
      if (last.on) this.heldS += point.t - last.t;
      this.flowing = this.flowing.filter((press) => flowEndS(press, gun.trigger) > point.t);
    }
    const isHeld = this.flowing.at(-1)?.toS === Infinity;
    if (point.on && !isHeld) {
      const press = { fromS: point.t, toS: Infinity };
      this.flowing.push(press);
      // drops leave where the trigger was pulled: where the hand will be a moment later is not known yet
      this.laid.spatter([point], [press], seed + this.presses++);
    } else if (!point.on && isHeld)
      this.flowing = [...this.flowing.slice(0, -1), { ...this.flowing.at(-1)!, toS: point.t }];
    this.last = point;
  }

  /** What came of it so far; what still flows after letting go comes with the next move. */
  judged(): Deposit {
    return { ...this.laid.judged(this.problem), sprayS: this.heldS, totalS: this.last?.t ?? 0 };
  }
}
