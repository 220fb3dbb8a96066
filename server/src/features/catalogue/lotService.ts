import { randomUUID } from 'node:crypto';
import { DomainError } from '@saltflat/contract';
import type { Lot, LotInput, Material } from '@saltflat/contract';
import type { Database, Tx } from '../../db/connection.ts';

interface Needs {
  db: Database;
  findMaterial: (id: string) => Promise<Pick<Material, 'name'> | undefined>;
  now: () => number;
}

/** A lot as what is made asks for it. */
export interface OpenedLot {
  materialId: string;
  lot: string;
  openedMs: number;
}

/** Which lot of each material is in use: written down when one is opened, never changed after. */
export class LotService {
  constructor(private readonly needs: Needs) {}

  /** Every lot that was opened, the newest of each material first. */
  async all(): Promise<Lot[]> {
    const rows = await this.needs.db.models.lots.findAll({ order: [['openedAt', 'desc'], ['id', 'asc']], raw: true }); // prettier-ignore
    return rows.map(({ materialId, lot, byName, openedAt }) => ({
      materialId,
      lot,
      by: byName,
      openedAt: openedAt.toISOString(),
    }));
  }

  /** @throws DomainError where there is no such material, or where that lot is in use already */
  async open(materialId: string, { lot, by }: LotInput): Promise<Lot[]> {
    const { db, findMaterial, now } = this.needs;
    const material = await findMaterial(materialId);
    if (!material) throw new DomainError('not-found', `There is no material ${materialId.slice(0, 8)}.`);
    const name = lot.trim();
    const before = (await this.all()).find((own) => own.materialId === materialId);
    if (before?.lot === name)
      throw new DomainError('not-now', `Lot ${name} of “${material.name}” is in use already.`);
    await db.models.lots.create({
      id: randomUUID(),
      materialId,
      lot: name,
      byName: by,
      openedAt: new Date(now()),
    });
    return this.all();
  }

  /** What was in use when, oldest first. */
  async opened(tx?: Tx): Promise<OpenedLot[]> {
    const rows = await this.needs.db.models.lots.findAll({
      attributes: ['materialId', 'lot', 'openedAt'],
      order: [['openedAt', 'asc']], // prettier-ignore
      raw: true,
      transaction: tx ?? null,
    });
    return rows.map(({ materialId, lot, openedAt }) => ({ materialId, lot, openedMs: openedAt.getTime() }));
  }
}
