import { randomUUID } from 'node:crypto';
import type { CareInputs, CareKind } from '@saltflat/contract';
import type { InferAttributes } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { CareRow } from '../../db/models/care.ts';

/** A record of care as it is kept. */
export interface KeptCare<K extends CareKind> {
  id: string;
  machineId: string;
  at: string;
  input: CareInputs[K];
  isWithdrawn: boolean;
}

/** So many of a kind and machine are read at once: years of a daily task. */
const MOST = 2000;

/** What people looked at and did on machines. */
export class CareStore {
  constructor(private readonly db: Database) {}

  /** Of one machine, newest first, without what was taken back. */
  async of<K extends CareKind>(machineId: string, kind: K, most: number): Promise<KeptCare<K>[]> {
    return this.find({ machineId, kind, isWithdrawn: false }, most);
  }

  /** Of every machine, newest first, without what was taken back. */
  async standing<K extends CareKind>(kind: K): Promise<KeptCare<K>[]> {
    return this.find({ kind, isWithdrawn: false }, MOST);
  }

  async insert<K extends CareKind>(
    own: { machineId: string; kind: K; input: CareInputs[K]; at: Date },
    tx: Tx,
  ): Promise<KeptCare<K>> {
    const { machineId, kind, input, at } = own;
    const row = { id: randomUUID(), machineId, kind, document: input, at, isWithdrawn: false };
    await this.db.models.care.create(row, { transaction: tx });
    return keptOf<K>(row);
  }

  /** @returns `null` where there is no such record */
  async withdraw(id: string, isWithdrawn: boolean, tx: Tx): Promise<KeptCare<'upkeep'> | null> {
    const { care } = this.db.models;
    await care.update({ isWithdrawn }, { where: { id, kind: 'upkeep' }, transaction: tx });
    const row = await care.findOne({ where: { id, kind: 'upkeep' }, transaction: tx, raw: true });
    return row && keptOf<'upkeep'>(row);
  }

  private async find<K extends CareKind>(
    where: { kind: K; machineId?: string; isWithdrawn: boolean },
    limit: number,
  ): Promise<KeptCare<K>[]> {
    const rows = await this.db.models.care.findAll({
      where,
      limit,
      order: [['at', 'desc'], ['id', 'asc']], // prettier-ignore
      raw: true,
    });
    return rows.map((row) => keptOf<K>(row));
  }
}

/** What stands in a row is what its kind was checked as when it was kept. */
const keptOf = <K extends CareKind>({
  id,
  machineId,
  at,
  document,
  isWithdrawn,
}: Omit<InferAttributes<CareRow>, 'kind'>): KeptCare<K> => ({
  id,
  machineId,
  at: at.toISOString(),
  input: document as CareInputs[K],
  isWithdrawn,
});
