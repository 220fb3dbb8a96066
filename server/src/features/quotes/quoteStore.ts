import { randomUUID } from 'node:crypto';
import type { GivenQuote, QuoteDocument } from '@saltflat/contract';
import { QueryTypes } from 'sequelize';
import type { Database } from '../../db/connection.ts';
import type { QuoteRow } from '../../db/models/index.ts';

/** Quotes that left the house. What they say never changes; only that they were accepted is noted later. */
export class QuoteStore {
  constructor(private readonly db: Database) {}

  async insert(
    orderId: string,
    document: QuoteDocument,
    how: { givenBy: string; givenAt: Date; goodUntil: Date },
  ): Promise<string> {
    return this.db.transaction(async (transaction) => {
      const id = randomUUID();
      // a sequence gives numbers that are never given twice, whoever asks; Sequelize has no word for it
      const [next] = await this.db.sequelize.query<{ number: string }>(
        `select nextval('quote_number') as number`,
        { type: QueryTypes.SELECT, transaction },
      );
      const own = { id, orderId, number: Number(next?.number), document, acceptedAt: null, acceptedBy: null };
      await this.db.models.quotes.create({ ...own, ...how, state: 'given' }, { transaction });
      return id;
    });
  }

  async find(id: string): Promise<GivenQuote | undefined> {
    const row = await this.db.models.quotes.findByPk(id, { raw: true });
    return row ? toQuote(row) : undefined;
  }

  /** Newest first. */
  async ofOrder(orderId: string): Promise<GivenQuote[]> {
    const rows = await this.db.models.quotes.findAll({
      where: { orderId },
      order: [['number', 'desc']], // prettier-ignore
      raw: true,
    });
    return rows.map(toQuote);
  }

  /** @returns false where it is accepted already */
  async accept(id: string, acceptedBy: string, acceptedAt: Date): Promise<boolean> {
    return this.db.transaction(async (transaction) => {
      const [changed] = await this.db.models.quotes.update(
        { state: 'accepted', acceptedAt, acceptedBy },
        { where: { id, state: 'given' }, transaction },
      );
      return changed === 1;
    });
  }
}

const toQuote = (row: QuoteRow): GivenQuote => ({
  id: row.id,
  orderId: row.orderId,
  code: `Q-${row.number}`,
  state: row.state,
  givenAt: row.givenAt.toISOString(),
  goodUntil: row.goodUntil.toISOString(),
  givenBy: row.givenBy,
  acceptedAt: row.acceptedAt?.toISOString() ?? null,
  acceptedBy: row.acceptedBy,
  document: row.document,
});
