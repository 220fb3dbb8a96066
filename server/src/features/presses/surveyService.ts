import { randomUUID } from 'node:crypto';
import { DomainError, pressPlates } from '@saltflat/contract';
import type { Machine, NewestSurveys, PressPlate, Survey, SurveyInput } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';
import type { SurveyRow } from '../../db/models/index.ts';

interface Needs {
  db: Database;
  machines: () => Promise<readonly Machine[]>;
  now: () => number;
}

/** What was read of each press's plate: kept survey by survey, never changed after. */
export class SurveyService {
  constructor(private readonly needs: Needs) {}

  /** Every survey of a press, newest first. */
  async of(machineId: string): Promise<Survey[]> {
    await this.pressNamed(machineId);
    const rows = await this.needs.db.models.surveys.findAll({
      where: { machineId },
      order: [['number', 'desc']], // prettier-ignore
      raw: true,
    });
    return rows.map(toSurvey);
  }

  /** Every press in use, with its newest survey. */
  async newest(): Promise<NewestSurveys> {
    const { db, machines } = this.needs;
    const rows = await db.models.surveys.findAll({ order: [['number', 'asc']], raw: true }); // prettier-ignore
    const byMachine = new Map(rows.map((row) => [row.machineId, row]));
    return pressPlates(await machines()).map(({ id, name }) => {
      const row = byMachine.get(id);
      return { machineId: id, name, newest: row ? toSurvey(row) : null };
    });
  }

  /** @throws DomainError where there is no such press, or where a reading lies off its plate */
  async add(machineId: string, input: SurveyInput): Promise<Survey> {
    const { db, now } = this.needs;
    const { name, plate } = await this.pressNamed(machineId);
    const { widthMm, heightMm } = plate;
    const off = input.readings.findIndex(({ xMm, yMm }) => xMm > widthMm || yMm > heightMm);
    if (off >= 0)
      throw new DomainError(
        'invalid-input',
        `Reading ${off + 1} lies off the plate: ${name} is ${widthMm} by ${heightMm} mm.`,
        { fields: [{ path: `/readings/${off}/xMm`, message: `Reading ${off + 1} lies off the plate.` }] },
      );
    return db.transaction(async (tx) => {
      await db.models.machines.findByPk(machineId, { lock: true, transaction: tx, raw: true }); // numbers are given out one at a time
      const last = await db.models.surveys.max<number | null, SurveyRow>('number', {
        where: { machineId },
        transaction: tx,
      });
      const row = {
        id: randomUUID(),
        machineId,
        number: (last ?? 0) + 1,
        document: input,
        at: new Date(now()),
      };
      await db.models.surveys.create(row, { transaction: tx });
      return toSurvey(row);
    });
  }

  private async pressNamed(machineId: string): Promise<PressPlate> {
    const found = pressPlates(await this.needs.machines()).find(({ id }) => id === machineId);
    if (!found) throw new DomainError('not-found', `There is no press ${machineId.slice(0, 8)}.`);
    return found;
  }
}

const toSurvey = ({
  id,
  machineId,
  number,
  document,
  at,
}: Pick<SurveyRow, 'id' | 'machineId' | 'number' | 'document' | 'at'>): Survey => ({
  id,
  machineId,
  number,
  at: at.toISOString(),
  input: document,
});
