import { createHash } from 'node:crypto';
import type { Machine, NozzleFit, SprayWeighing } from '@saltflat/contract';
import type { SprayWeighing as Weighed, SprayerSetting, SprayerTable } from '@saltflat/core/spray';
import { Memory, once } from '../../memory.ts';
import { sprayerSetting } from './sprayerSetting.ts';

interface Needs {
  /** Every weighing that stands, newest first. */
  standing: () => Promise<readonly SprayWeighing[]>;
  /** Takes a tenth of a second: worked out beside the thread that answers. */
  fit: (input: {
    range: SprayerSetting;
    weighings: readonly Weighed[];
    step: number;
  }) => Promise<SprayerTable>;
}

/** A fit goes by the newest of them: what is older was another spring, pump or wear. */
const MOST_WEIGHINGS = 30;

/** What each sprayer gives of each fluid by each nozzle. What follows from the same weighings is worked out once. */
export class NozzleFits {
  private readonly fits = new Memory<Promise<SprayerTable>>(60);

  constructor(private readonly needs: Needs) {}

  /** The machines, sprayers with what was weighed of them. */
  async with(machines: readonly Machine[]): Promise<Machine[]> {
    const standing = await this.needs.standing();
    return Promise.all(
      machines.map(async (machine) => {
        const own = standing.filter(({ machineId }) => machineId === machine.id);
        const fits = own.length === 0 ? [] : await this.of(machine, own);
        return fits.length === 0 ? machine : { ...machine, fits };
      }),
    );
  }

  private async of(machine: Machine, weighings: readonly SprayWeighing[]): Promise<NozzleFit[]> {
    const setting = sprayerSetting(machine);
    if (setting === null) return [];
    const { least, most, sense, step } = setting;
    const groups = new Map<string, SprayWeighing[]>();
    for (const weighing of weighings) {
      const { fluidId, nozzle, setting: set } = weighing.input;
      if (set < least || set > most) continue; // of a dial that was another then
      const key = `${fluidId}/${nozzle}`;
      groups.set(key, [...(groups.get(key) ?? []), weighing]);
    }
    const known = [...groups.values()].filter((group) => group.length >= 2);
    return Promise.all(
      known.map(async (group): Promise<NozzleFit> => {
        const newest = group.slice(0, MOST_WEIGHINGS);
        const asked = {
          range: { least, most, sense },
          step,
          weighings: newest.map(({ input, gm2 }) => ({ setting: input.setting, passes: input.passes, gm2 })),
        };
        const key = createHash('sha256').update(JSON.stringify(asked)).digest('hex');
        const table = await once(this.fits, key, () => this.needs.fit(asked));
        const { fluidId = '', nozzle = '' } = newest[0]?.input ?? {};
        return { fluidId, nozzle, ...(structuredClone(table) as Omit<NozzleFit, 'fluidId' | 'nozzle'>) };
      }),
    );
  }
}
