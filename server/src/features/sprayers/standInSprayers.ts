import { DomainError } from '@saltflat/contract';
import type { Machine, Run, SprayInput, SprayerDevice, SprayerDrive } from '@saltflat/contract';
import type { StepState } from '@saltflat/core/run';
import { USUAL_GRAMS } from '@saltflat/core/spray';
import { plannedMode } from '@saltflat/core/work';
import { StandIns, operationToDo } from '../../standIns.ts';
import { SimulatedSprayer } from './simulatedSprayer.ts';
import type { SprayWork } from './simulatedSprayer.ts';

interface Needs {
  machines: () => Promise<readonly Machine[]>;
  /** A step of a run as it stands now. */
  stepOf: (runId: string, step: string) => Promise<{ run: Pick<Run, 'lines'>; step: StepState }>;
  /** What lies on the scale gets heavier. */
  putOnScale: (g: number) => void;
  now: () => number;
}

/** A stand-in for each sprayer that is set up. What stands in them is each server’s own. */
export class StandInSprayers {
  private readonly standIns: StandIns<SprayerDevice, SimulatedSprayer>;

  constructor(private readonly needs: Needs) {
    this.standIns = new StandIns({
      ...needs,
      kind: 'sprayer',
      make: ({ id: machineId, name }) => new SimulatedSprayer({ machineId, name }),
      unknown: 'There is no such sprayer in this shop.',
    });
  }

  list(): Promise<SprayerDevice[]> {
    return this.standIns.list();
  }

  /**
   * Sprays a step's garment once: what it gets is on the scale, as if it lay there.
   *
   * @throws DomainError where the step is no spray, is done, or another sprayer's
   */
  async spray(machineId: string, { runId, step: id }: SprayInput): Promise<SprayerDevice> {
    const operation = operationToDo(await this.needs.stepOf(runId, id), 'spray', {
      other: 'Only pretreatment is sprayed here, and this step is none.',
      done: 'This is sprayed already.',
    });
    if (plannedMode(operation).machine?.id !== machineId)
      throw new DomainError('not-now', 'Its route has it sprayed on another sprayer.');
    const sprayedG = operation.consumes.reduce((sum, { amount }) => sum + amount, 0);
    const work: SprayWork = {
      runId,
      step: id,
      onG: operation.weighIn?.targetG ?? 0,
      ml: sprayedG / (1 - USUAL_GRAMS.wasteShare) / USUAL_GRAMS.densityGPerMl,
    };
    return this.standIns.change(machineId, (sprayer, nowMs) =>
      this.needs.putOnScale(sprayer.spray(work, nowMs)),
    );
  }

  refill(machineId: string): Promise<SprayerDevice> {
    return this.standIns.change(machineId, (sprayer) => sprayer.refill());
  }

  drive(machineId: string, knobs: SprayerDrive): Promise<SprayerDevice> {
    return this.standIns.change(machineId, (sprayer) => sprayer.turn(knobs));
  }

  subscribe(listener: (sprayer: SprayerDevice) => void): () => void {
    return this.standIns.subscribe(listener);
  }
}
