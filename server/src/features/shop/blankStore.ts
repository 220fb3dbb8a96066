import { randomUUID } from 'node:crypto';
import { DomainError } from '@saltflat/contract';
import type { BlankInput } from '@saltflat/contract';
import { ForeignKeyConstraintError, Op, literal } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import { named } from './namedRecord.ts';

/** Writes blanks with their colours and sizes. Every change names the version it was made from; one that is no longer current changes nothing. */
export class BlankStore {
  constructor(private readonly db: Database) {}

  async insert(blank: BlankInput, tx: Tx): Promise<string> {
    const id = randomUUID();
    await named(blank.name, () =>
      this.db.models.styles.create({ id, ...headOf(blank), retiredAt: null }, { transaction: tx }),
    );
    await this.writeColours(id, blank, tx);
    await this.writeSizes(id, blank, tx);
    return id;
  }

  /** @returns false where the version is no longer the one seen */
  async update(own: { id: string; version: number }, blank: BlankInput, tx: Tx): Promise<boolean> {
    const [changed] = await named(blank.name, () =>
      this.db.models.styles.update(
        { ...headOf(blank), version: literal('version + 1') },
        { where: { id: own.id, version: own.version }, transaction: tx },
      ),
    );
    if (changed === 0) return false;
    await this.writeColours(own.id, blank, tx);
    await this.writeSizes(own.id, blank, tx);
    return true;
  }

  /** Puts a blank out of use, or back into it; what was made on it keeps it. */
  async setRetired(own: { id: string; version: number }, retiredAt: Date | null, tx: Tx): Promise<boolean> {
    const [changed] = await this.db.models.styles.update(
      { retiredAt, version: literal('version + 1') },
      { where: { id: own.id, version: own.version }, transaction: tx },
    );
    return changed === 1;
  }

  /** Colours keep their identity, since order lines point at them; one that is left out goes, unless a line has it. */
  private async writeColours(styleId: string, { colours, name }: BlankInput, tx: Tx): Promise<void> {
    const { models } = this.db;
    const kept = colours.flatMap(({ id }) => (id === undefined ? [] : [id]));
    try {
      await models.colours.destroy({ where: { styleId, id: { [Op.notIn]: kept } }, transaction: tx });
    } catch (error) {
      if (!(error instanceof ForeignKeyConstraintError)) throw error;
      throw new DomainError(
        'not-now',
        `A colour of “${name}” that was taken out is on order lines: keep it, or change those lines first.`,
        { fields: [{ path: '/record/colours', message: 'A colour that was taken out is on order lines.' }] },
        { cause: error },
      );
    }
    for (const [position, { id, ...colour }] of colours.entries()) {
      const written = { ...colour, position };
      const [changed] =
        id === undefined
          ? [0]
          : await models.colours.update(written, { where: { id, styleId }, transaction: tx });
      if (changed === 0)
        await models.colours.create({ id: randomUUID(), styleId, ...written }, { transaction: tx });
    }
  }

  private async writeSizes(styleId: string, { sizes }: BlankInput, tx: Tx): Promise<void> {
    const { models } = this.db;
    await models.sizes.destroy({ where: { styleId }, transaction: tx });
    await models.sizes.bulkCreate(
      sizes.map((size, position) => ({ styleId, position, ...size })),
      { transaction: tx },
    );
  }
}

function headOf(blank: BlankInput) {
  const { fibres, colours: _colours, sizes: _sizes, ...head } = blank;
  return { ...head, ...fibres };
}
