import type { Rates } from '@saltflat/core/cost';
import type { HouseMethods } from '@saltflat/core/route';
import { UniqueConstraintError, literal } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { SettingKey } from '../../db/models/index.ts';

/** Writes the shop's documents that there is one of. */
export class SettingStore {
  constructor(private readonly db: Database) {}

  /** Writes the house methods or the rates, made from the version seen; the first writer makes the row. @returns false where somebody was quicker */
  async write(key: SettingKey, version: number, document: HouseMethods | Rates, tx: Tx): Promise<boolean> {
    const { settings } = this.db.models;
    const [changed] = await settings.update(
      { document, version: literal('version + 1') },
      { where: { key, version }, transaction: tx },
    );
    if (changed === 1) return true;
    if (version !== 1 || (await settings.findByPk(key, { transaction: tx })) !== null) return false;
    try {
      await settings.create({ key, document, version: 2 }, { transaction: tx });
      return true;
    } catch (error) {
      if (error instanceof UniqueConstraintError) return false;
      throw error;
    }
  }
}
