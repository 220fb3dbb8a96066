import { DomainError, refused } from '@saltflat/contract';
import type { Catalogue, SprayWeighing, SprayWeighingInput } from '@saltflat/contract';
import type { Tx } from '../../db/connection.ts';
import type { SprayWeighingStore } from './sprayWeighingStore.ts';
import { sprayerSetting } from './sprayerSetting.ts';

interface Needs {
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
    return follow((tx) => store.insert(machineId, input, new Date(now()), tx));
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
