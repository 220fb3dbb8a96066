import { DomainError, refused } from '@saltflat/contract';
import type {
  Catalogue,
  FloorWeighing,
  FloorWeighingInput,
  SprayWeighing,
  SprayWeighingInput,
} from '@saltflat/contract';
import { waitedForScaleS } from '@saltflat/core/run';
import { settingFor } from '@saltflat/core/work';
import type { Operation } from '@saltflat/core/work';
import type { Database, Tx } from '../../db/connection.ts';
import { readFloorWeighings } from './floorWeighingReads.ts';
import type { FloorReading } from './floorWeighingReads.ts';
import type { SprayWeighingStore } from './sprayWeighingStore.ts';
import { sprayerSetting } from './sprayerSetting.ts';

interface Needs {
  db: Database;
  store: SprayWeighingStore;
  readCatalogue: () => Promise<Pick<Catalogue, 'machines' | 'materials'>>;
  /** Writes, and has the routes nobody has begun follow: their dial goes by what was weighed. */
  follow: <T>(write: (tx: Tx) => Promise<T>) => Promise<T>;
  now: () => number;
}

/** What garments weighed more after the sprayer, by what was set on it. */
export class SprayerService {
  constructor(private readonly needs: Needs) {}

  /** Of one sprayer, newest first, those taken back too. */
  async weighings(machineId: string): Promise<SprayWeighing[]> {
    await this.sprayer(machineId);
    return this.needs.store.of(machineId);
  }

  /** @throws DomainError where the setting is not one of the sprayer's, the fluid none, or nothing was put on */
  async weigh(machineId: string, input: SprayWeighingInput): Promise<SprayWeighing> {
    const { store, follow, now } = this.needs;
    const { machine, materials } = await this.sprayer(machineId);
    const dial = sprayerSetting(machine);
    if (dial === null)
      throw new DomainError(
        'not-now',
        `Nothing says what is set on ${machine.name}: write its setting down in the shop first, from its least to its most.`,
      );
    if (input.setting < dial.least || input.setting > dial.most)
      throw refused(
        '/setting',
        `“${dial.name}” of ${machine.name} goes from ${dial.least} to ${dial.most}, but ${input.setting} was given.`,
      );
    if (!materials.some(({ id, kind }) => id === input.fluidId && kind === 'pretreatment'))
      throw refused('/fluidId', 'There is no such pretreatment in the shop.');
    if (input.afterG <= input.beforeG)
      throw refused(
        '/afterG',
        `After must weigh more than before, ${input.beforeG} g, but ${input.afterG} g was given: were the two exchanged?`,
      );
    const twin = (await store.nozzles(machineId)).find(
      (known) => known !== input.nozzle && folded(known) === folded(input.nozzle),
    );
    if (twin !== undefined)
      throw refused(
        '/nozzle',
        `${machine.name} has weighings of a nozzle “${twin}”: write it the same, or this would be a second fit of one nozzle.`,
      );
    return follow((tx) => store.insert(machineId, input, { at: new Date(now()) }, tx));
  }

  /** Garments weighed in on the floor after a sprayer, newest first. */
  async onFloor(machineId: string): Promise<FloorWeighing[]> {
    await this.sprayer(machineId);
    const { db, store } = this.needs;
    const [readings, taken] = await Promise.all([
      readFloorWeighings(db, machineId),
      store.floorSteps(machineId),
    ]);
    return readings.flatMap((reading) => floorWeighing(reading, taken) ?? []);
  }

  /**
   * Takes a garment of the floor among a sprayer's weighings: what its route wanted set was set, says who presses.
   *
   * @throws DomainError where there is none, it says too little, or it is among them already
   */
  async takeFromFloor(machineId: string, { runId, step, by }: FloorWeighingInput): Promise<SprayWeighing> {
    const { store, follow } = this.needs;
    const { machine } = await this.sprayer(machineId);
    const own = (await this.onFloor(machineId)).find((known) => known.runId === runId && known.step === step);
    if (!own) throw new DomainError('not-found', 'No garment was weighed in before and after in that step.');
    if (own.isTaken) throw new DomainError('not-now', 'It is among the weighings already.');
    const { setting, passes, fluidId, beforeG, afterG, areaMm2, waitedS } = own;
    if (setting === null || fluidId === null)
      throw new DomainError(
        'not-now',
        'Its route did not say what was to be set: weigh one in the place itself.',
      );
    if (afterG <= beforeG)
      throw new DomainError(
        'not-now',
        'It weighed no more after than before: that says nothing of the sprayer.',
      );
    const sideMm = Math.sqrt(areaMm2);
    const input: SprayWeighingInput = {
      fluidId,
      nozzle: typeof machine.properties.nozzle === 'string' ? machine.properties.nozzle : '',
      setting,
      passes: passes === 2 ? 2 : 1,
      widthMm: sideMm,
      heightMm: sideMm,
      beforeG,
      afterG,
      elapsedS: Math.min(3600, waitedS),
      roomC: null,
      humidity: null,
      by,
    };
    return follow((tx) =>
      store.insert(machineId, input, { at: new Date(own.at), runStep: `${runId} ${step}` }, tx),
    );
  }

  /** Takes a weighing back, or gives it again. */
  async withdraw(id: string, isWithdrawn: boolean): Promise<SprayWeighing> {
    const found = await this.needs.follow((tx) => this.needs.store.withdraw(id, isWithdrawn, tx));
    if (!found) throw new DomainError('not-found', 'There is no such weighing.');
    return found;
  }

  private async sprayer(machineId: string) {
    const { machines, materials } = await this.needs.readCatalogue();
    const machine = machines.find(({ id, kind }) => id === machineId && kind === 'sprayer');
    if (!machine) throw new DomainError('not-found', `There is no sprayer ${machineId.slice(0, 8)}.`);
    return { machine, materials };
  }
}

/** Written otherwise and yet the same: capitals and blanks make no other nozzle. */
const folded = (name: string): string => name.toLowerCase().replaceAll(/\s+/g, '');

/** @returns `null` where the route is from before amounts were weighed in */
function floorWeighing(reading: FloorReading, taken: ReadonlySet<string>): FloorWeighing | null {
  const { runId, step, code, by, beforeG, afterG, beforeAt, afterAt } = reading;
  const operation = reading.operation as Operation; // as it was checked when its route was kept
  const gM2 = settingFor(operation, 'fluid')?.value ?? 0;
  const { weighIn } = operation;
  if (weighIn === null || gM2 <= 0) return null;
  return {
    ...{ runId, step, code, by, beforeG, afterG },
    at: new Date(afterAt).toISOString(),
    targetG: weighIn.targetG,
    toleranceG: weighIn.toleranceG,
    areaMm2: (1e6 * weighIn.targetG) / gM2,
    setting: settingFor(operation, 'dial')?.value ?? null,
    passes: settingFor(operation, 'spray-passes')?.value ?? null,
    fluidId: operation.consumes[0]?.id ?? null,
    waitedS: waitedForScaleS(operation, beforeAt, Date.parse(afterAt)),
    isTaken: taken.has(`${runId} ${step}`),
  };
}
