import type { SprayerDevice, SprayerDrive } from '@saltflat/contract';
import { seededRandom } from '@saltflat/core/work';

/** One spray as its route reckons with it. */
export interface SprayWork {
  runId: string;
  step: string;
  /** What the garment is to get, g. */
  onG: number;
  /** What leaves the bottle for that, ml: with what goes beside the garment. */
  ml: number;
}

/** Usual bottle of a sprayer, ml (trade range 500–1000). */
const BOTTLE_ML = 1000;
/** One spray differs by so much from the next, share (assumption). */
const SCATTER = 0.03;

/** A stand-in for a sprayer: its bottle falls by what it sprays; a nozzle that is half closed gives less, and does not say so. */
export class SimulatedSprayer {
  private bottleMl = BOTTLE_ML;
  private openShare = 1;
  private last: SprayerDevice['last'] = null;
  private readonly random: () => number;

  constructor(private readonly machine: Pick<SprayerDevice, 'machineId' | 'name'>) {
    this.random = seededRandom(parseInt(machine.machineId.slice(0, 8), 16) || 1);
  }

  read(): SprayerDevice {
    const { bottleMl, last, openShare } = this;
    return {
      ...this.machine,
      isSimulated: true,
      bottleMl,
      bottleSizeMl: BOTTLE_ML,
      last: last && { ...last },
      drive: { openShare },
    };
  }

  /** @returns what the garment got, g: for as long as the bottle lasted */
  spray({ runId, step, onG, ml }: SprayWork, nowMs: number): number {
    const wantedMl = ml * this.openShare * (1 + SCATTER * (2 * this.random() - 1));
    const sprayedMl = Math.min(this.bottleMl, wantedMl);
    this.bottleMl -= sprayedMl;
    const ranDry = sprayedMl < wantedMl;
    this.last = { at: new Date(nowMs).toISOString(), runId, step, ml: sprayedMl, ranDry };
    return ml > 0 ? (onG * sprayedMl) / ml : 0;
  }

  refill(): void {
    this.bottleMl = BOTTLE_ML;
  }

  turn({ openShare, bottleMl }: SprayerDrive): void {
    this.openShare = openShare ?? this.openShare;
    this.bottleMl = bottleMl ?? this.bottleMl;
  }
}
