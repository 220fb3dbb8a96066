import { randomUUID } from 'node:crypto';
import type { ProofAnswer, ProofAnswerInput } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';

/** Customers' answers to proofs: written once, never changed. */
export class ProofAnswerStore {
  constructor(private readonly db: Database) {}

  /** Keeps an answer to the route the line is made by. */
  async insert(lineId: string, { by, ...answer }: ProofAnswerInput, at: Date): Promise<void> {
    const { lines, routes, proofAnswers } = this.db.models;
    await this.db.transaction(async (transaction) => {
      const line = await lines.findByPk(lineId, { attributes: ['routeNumber'], raw: true, transaction });
      const number = line?.routeNumber ?? null;
      const version =
        number === null
          ? null
          : await routes.findOne({ attributes: ['id'], where: { lineId, number }, raw: true, transaction });
      await proofAnswers.create(
        { id: randomUUID(), lineId, routeVersionId: version?.id ?? null, ...answer, byName: by, at },
        { transaction },
      );
    });
  }

  /** Newest first. */
  async ofLine(lineId: string): Promise<ProofAnswer[]> {
    const rows = await this.db.models.proofAnswers.findAll({
      where: { lineId },
      include: [{ association: 'version', attributes: ['number'] }],
      order: [['at', 'desc']], // prettier-ignore
    });
    return rows.map(({ id, version, verdict, customerName, note, byName, at }) => ({
      id,
      lineId,
      routeNumber: version?.number ?? null,
      verdict,
      customerName,
      note,
      byName,
      at: at.toISOString(),
    }));
  }
}
