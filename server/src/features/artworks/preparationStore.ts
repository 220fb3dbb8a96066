import { randomUUID } from 'node:crypto';
import type { Preparation, PreparationInput } from '@saltflat/contract';
import { canonical } from '../../canonical.ts';
import type { Database, Tx } from '../../db/connection.ts';
import type { PreparationRow } from '../../db/models/index.ts';

/** Ways artworks were made ready: written once under a number, never changed. */
export class PreparationStore {
  constructor(private readonly db: Database) {}

  /** Newest first. */
  async ofArtwork(artworkId: string): Promise<Preparation[]> {
    const rows = await this.db.models.preparations.findAll({
      where: { artworkId },
      order: [['number', 'desc']], // prettier-ignore
      raw: true,
    });
    return rows.map(toPreparation);
  }

  /** Keeps a preparation under the next number, or finds the one that is just the same. */
  async keep(
    artworkId: string,
    { steps, white, by }: Pick<PreparationInput, 'steps' | 'white' | 'by'>,
    how: { at: Date; tx: Tx },
  ): Promise<string> {
    const { artworks, preparations } = this.db.models;
    const { at, tx } = how;
    await artworks.findByPk(artworkId, { attributes: ['id'], lock: tx.LOCK.UPDATE, transaction: tx }); // numbers are given out one at a time
    const former = await preparations.findAll({ where: { artworkId }, raw: true, transaction: tx });
    const text = canonical({ steps, white });
    const same = former.find((own) => canonical({ steps: own.steps, white: own.white }) === text);
    if (same) return same.id;
    const id = randomUUID();
    const number = Math.max(0, ...former.map((own) => own.number)) + 1;
    await preparations.create(
      { id, artworkId, number, steps, white, byName: by, createdAt: at },
      { transaction: tx },
    );
    return id;
  }
}

const toPreparation = ({
  id,
  artworkId,
  number,
  steps,
  white,
  byName,
  createdAt,
}: PreparationRow): Preparation => ({
  id,
  artworkId,
  number,
  steps,
  white,
  byName,
  createdAt: createdAt.toISOString(),
});
