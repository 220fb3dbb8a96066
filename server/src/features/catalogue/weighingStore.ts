import { randomUUID } from 'node:crypto';
import type { Weighing } from '@saltflat/core/learn';
import type { Database, Tx } from '../../db/connection.ts';
import type { MaterialWeighing } from './weighedMaterials.ts';

/** Weighings of prints: written once, never changed. */
export class WeighingStore {
  constructor(private readonly db: Database) {}

  /** Every weighing, oldest first. */
  async all(): Promise<MaterialWeighing[]> {
    const rows = await this.db.models.weighings.findAll({ order: [['at', 'asc']], raw: true });
    return rows.map(({ materialId, colourM2, whiteM2, baseM2, grams }) => ({
      materialId,
      colourM2,
      whiteM2,
      baseM2,
      grams,
    }));
  }

  async insert(
    of: { materialId: string; lineId: string },
    weighing: Weighing,
    how: { byName: string; at: Date },
    tx: Tx,
  ): Promise<void> {
    const row = { id: randomUUID(), ...of, ...weighing, ...how };
    await this.db.models.weighings.create(row, { transaction: tx });
  }
}
