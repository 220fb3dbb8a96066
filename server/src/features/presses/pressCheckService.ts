import { DomainError, pressPlates, refused } from '@saltflat/contract';
import type {
  CalibrationInput,
  Machine,
  PressCheckInputs,
  PressCheckKind,
  PressChecks,
  PressPlate,
  PressureTestInput,
  SurveyInput,
} from '@saltflat/contract';
import { calibrationSaid, pressureRefused, pressureTable } from '@saltflat/core/press';
import type { Calibrated } from '@saltflat/core/heat';
import { inWords } from '@saltflat/core/words';
import type { Database, Tx } from '../../db/connection.ts';
import type { KeptCheck, PressCheckStore } from './pressCheckStore.ts';

interface Needs {
  db: Database;
  store: PressCheckStore;
  machines: () => Promise<readonly Machine[]>;
  /** Takes a fifth of a second: worked out beside the thread that answers. */
  calibrate: (input: CalibrationInput) => Promise<Calibrated>;
  /** Writes, and has the routes of lines nobody has begun follow. */
  follow: <T>(write: (tx: Tx) => Promise<T>) => Promise<T>;
  now: () => number;
}

/** What was measured of each press, as people put it down. */
export class PressCheckService {
  constructor(private readonly needs: Needs) {}

  /** Every check of a kind, newest first. */
  async of<K extends PressCheckKind>(machineId: string, kind: K): Promise<KeptCheck<K>[]> {
    await this.pressNamed(machineId);
    return this.needs.store.of(machineId, kind);
  }

  /** Every press in use, with its newest check of each kind. */
  async newest(): Promise<PressChecks> {
    const newest = await this.needs.store.newest();
    return pressPlates(await this.needs.machines()).map(({ id, name }) => ({
      machineId: id,
      name,
      survey: newest(id, 'survey'),
      pressure: newest(id, 'pressure'),
      calibration: newest(id, 'calibration'),
    }));
  }

  /** @throws DomainError where there is no such press, or where a reading lies off its plate */
  async addSurvey(machineId: string, input: SurveyInput): Promise<KeptCheck<'survey'>> {
    const { name, plate } = await this.pressNamed(machineId);
    const { widthMm, heightMm } = plate;
    const off = input.readings.findIndex(({ xMm, yMm }) => xMm > widthMm || yMm > heightMm);
    if (off >= 0)
      throw refused(
        `/readings/${off}/xMm`,
        `Reading ${off + 1} lies off the plate: ${name} is ${widthMm} by ${heightMm} mm.`,
      );
    return this.keep(machineId, 'survey', input);
  }

  /** @throws DomainError where the marks give no table */
  async addPressure(machineId: string, input: PressureTestInput): Promise<KeptCheck<'pressure'>> {
    const { plate } = await this.pressNamed(machineId);
    const found = pressureTable(input, plate);
    if (!found.ok) {
      const at = input.marks.findIndex(({ mark }) => mark === found.mark);
      throw refused(`/marks/${at}/value`, inWords(pressureRefused(found)));
    }
    const { store, follow, now } = this.needs;
    // marks of gauges stand in routes
    return follow((tx) => store.add({ machineId, kind: 'pressure', input, at: new Date(now()) }, tx));
  }

  /** @throws DomainError where it tells nothing that can be used, or a sensor lies where nothing is */
  async addCalibration(machineId: string, input: CalibrationInput): Promise<KeptCheck<'calibration'>> {
    await this.pressNamed(machineId);
    const found = await this.needs.calibrate(input).catch((error: unknown) => {
      throw refused('/channels', `That stack has no such place: ${(error as Error).message}.`);
    });
    const said = calibrationSaid(found);
    if (said.found.length === 0)
      throw refused('/channels', said.refused.map((own) => inWords(own)).join(' '));
    return this.keep(machineId, 'calibration', input);
  }

  /** What the model says goes by it when somebody looks; routes themselves stay as they are until they are planned anew. */
  private keep<K extends PressCheckKind>(
    machineId: string,
    kind: K,
    input: PressCheckInputs[K],
  ): Promise<KeptCheck<K>> {
    const { db, store, now } = this.needs;
    return db.transaction((tx) => store.add({ machineId, kind, input, at: new Date(now()) }, tx));
  }

  private async pressNamed(machineId: string): Promise<PressPlate> {
    const found = pressPlates(await this.needs.machines()).find(({ id }) => id === machineId);
    if (!found) throw new DomainError('not-found', `There is no press ${machineId.slice(0, 8)}.`);
    return found;
  }
}
