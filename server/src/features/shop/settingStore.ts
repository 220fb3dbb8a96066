import { UniqueConstraintError, literal } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { SettingKey, SettingRow } from '../../db/models/index.ts';

/** Writes the shop's documents that there is one of. */
export class SettingStore {
  constructor(private readonly db: Database) {}

  /** One of them as it stands; `null` where nobody has changed it yet. */
  async read(key: SettingKey): Promise<{ document: SettingRow['document']; version: number } | null> {
    const row = await this.db.models.settings.findByPk(key, { raw: true });
    return row && { document: row.document, version: row.version };
  }

  /** Writes one of them, made from the version seen; the first writer makes the row. @returns false where somebody was quicker */
  async write(key: SettingKey, version: number, document: SettingRow['document'], tx: Tx): Promise<boolean> {
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
