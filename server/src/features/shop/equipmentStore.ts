import { randomUUID } from 'node:crypto';
import type { MachineInput, MaterialInput } from '@saltflat/contract';
import { literal } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { MachineRow, MaterialRow } from '../../db/models/index.ts';
import { named } from './namedRecord.ts';

interface Seen {
  id: string;
  version: number;
}
const NEXT_VERSION = literal('version + 1') as unknown as number; // Sequelize takes it for a number's column, its types do not

/** Writes materials and machines, which are kept alike. Every change names the version it was made from; one that is no longer current changes nothing. */
export class EquipmentStore {
  constructor(private readonly db: Database) {}

  async insertMaterial(record: MaterialInput, tx: Tx): Promise<string> {
    const { materials } = this.db.models;
    const position =
      ((await materials.max<number | null, MaterialRow>('position', {
        where: { kind: record.kind },
        transaction: tx,
      })) ?? -1) + 1;
    const row = { id: randomUUID(), ...record, position, retiredAt: null };
    await named(record.name, () => materials.create(row, { transaction: tx }));
    return row.id;
  }

  /** Every kind of transfer on the shelf, out of use too; nobody else adds one until the transaction ends. */
  async shelfKinds(
    tx: Tx,
  ): Promise<(Pick<MaterialRow, 'id' | 'name' | 'properties'> & { isRetired: boolean })[]> {
    const { materials, revisions } = this.db.models;
    await revisions.findOne({ lock: tx.LOCK.UPDATE, transaction: tx }); // every change of the set-up counts it up
    const rows = await materials.findAll({
      where: { kind: 'shelf-transfer' },
      raw: true,
      transaction: tx,
    });
    return rows.map(({ id, name, properties, retiredAt }) => ({
      id,
      name,
      properties,
      isRetired: retiredAt !== null,
    }));
  }

  async insertMachine(record: MachineInput, tx: Tx): Promise<string> {
    const { machines } = this.db.models;
    const position =
      ((await machines.max<number | null, MachineRow>('position', {
        where: { kind: record.kind },
        transaction: tx,
      })) ?? -1) + 1;
    const row = { id: randomUUID(), ...record, position, retiredAt: null };
    await named(record.name, () => machines.create(row, { transaction: tx }));
    return row.id;
  }

  /** @returns false where the version is no longer the one seen */
  async updateMaterial(where: Seen, record: MaterialInput, tx: Tx): Promise<boolean> {
    const written = { ...record, version: NEXT_VERSION };
    const [changed] = await named(record.name, () =>
      this.db.models.materials.update(written, { where: { ...where }, transaction: tx }),
    );
    return changed === 1;
  }

  async updateMachine(where: Seen, record: MachineInput, tx: Tx): Promise<boolean> {
    const written = { ...record, version: NEXT_VERSION };
    const [changed] = await named(record.name, () =>
      this.db.models.machines.update(written, { where: { ...where }, transaction: tx }),
    );
    return changed === 1;
  }

  /** Puts a record out of use, or back into it; what was made with it keeps it. */
  async setRetired(
    list: 'materials' | 'machines',
    where: Seen,
    retiredAt: Date | null,
    tx: Tx,
  ): Promise<boolean> {
    const written = { retiredAt, version: NEXT_VERSION };
    const how = { where: { ...where }, transaction: tx };
    const [changed] =
      list === 'materials'
        ? await this.db.models.materials.update(written, how)
        : await this.db.models.machines.update(written, how);
    return changed === 1;
  }

  /** Makes a record the first of its kind: the one routes take. */
  async putFirst(list: 'materials' | 'machines', id: string, tx: Tx): Promise<boolean> {
    const { materials, machines } = this.db.models;
    if (list === 'materials') {
      const row = await materials.findByPk(id, { transaction: tx });
      if (!row) return false;
      const first =
        (await materials.min<number | null, MaterialRow>('position', {
          where: { kind: row.kind },
          transaction: tx,
        })) ?? 0;
      await row.update({ position: first - 1, version: row.version + 1 }, { transaction: tx });
      return true;
    }
    const row = await machines.findByPk(id, { transaction: tx });
    if (!row) return false;
    const first =
      (await machines.min<number | null, MachineRow>('position', {
        where: { kind: row.kind },
        transaction: tx,
      })) ?? 0;
    await row.update({ position: first - 1, version: row.version + 1 }, { transaction: tx });
    return true;
  }
}
