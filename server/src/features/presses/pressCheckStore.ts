import { randomUUID } from 'node:crypto';
import type { PressCheckInputs, PressCheckKind } from '@saltflat/contract';
import { Op, col, fn } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { CheckRow } from '../../db/models/index.ts';

/** A check as it is kept. */
export interface KeptCheck<K extends PressCheckKind> {
  id: string;
  machineId: string;
  number: number;
  at: string;
  input: PressCheckInputs[K];
}

/** Reads and writes what was measured of presses: check by check, never changed after. */
export class PressCheckStore {
  constructor(private readonly db: Database) {}

  /** Every check of a kind, newest first. */
  async of<K extends PressCheckKind>(machineId: string, kind: K): Promise<KeptCheck<K>[]> {
    const rows = await this.db.models.pressChecks.findAll({
      where: { machineId, kind },
      order: [['number', 'desc']], // prettier-ignore
      raw: true,
    });
    return rows.map((row) => keptOf<K>(row));
  }

  /** Tells the newest check of a kind by machine. */
  async newest(): Promise<<K extends PressCheckKind>(machineId: string, kind: K) => KeptCheck<K> | null> {
    const { pressChecks } = this.db.models;
    const heads = await pressChecks.findAll({
      attributes: ['machineId', 'kind', [fn('max', col('number')), 'number']],
      group: ['machineId', 'kind'],
      raw: true,
    });
    const named = heads.map(({ machineId, kind, number }) => ({ machineId, kind, number }));
    const rows = named.length > 0 ? await pressChecks.findAll({ where: { [Op.or]: named }, raw: true }) : [];
    const last = new Map(rows.map((row) => [`${row.machineId}/${row.kind}`, row]));
    return (machineId, kind) => {
      const row = last.get(`${machineId}/${kind}`);
      return row ? keptOf(row) : null;
    };
  }

  /** Keeps one more of its kind and machine, under the next number. */
  async add<K extends PressCheckKind>(
    own: { machineId: string; kind: K; input: PressCheckInputs[K]; at: Date },
    tx: Tx,
  ): Promise<KeptCheck<K>> {
    const { machineId, kind, input, at } = own;
    const { machines, pressChecks } = this.db.models;
    await machines.findByPk(machineId, { lock: true, transaction: tx, raw: true }); // numbers are given out one at a time
    const last = await pressChecks.max<number | null, CheckRow>('number', {
      where: { machineId, kind },
      transaction: tx,
    });
    const row = { id: randomUUID(), machineId, kind, number: (last ?? 0) + 1, document: input, at };
    await pressChecks.create(row, { transaction: tx });
    return keptOf<K>(row);
  }
}

/** What stands in a row is what its kind was checked as when it was kept. */
const keptOf = <K extends PressCheckKind>({
  id,
  machineId,
  number,
  document,
  at,
}: Pick<CheckRow, 'id' | 'machineId' | 'number' | 'document' | 'at'>): KeptCheck<K> => ({
  id,
  machineId,
  number,
  at: at.toISOString(),
  input: document as PressCheckInputs[K],
});
