import { randomUUID } from 'node:crypto';
import { DomainError } from '@saltflat/contract';
import type { BenchNote, BenchNoteInput } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';
import type { BenchNoteRow } from '../../db/models/index.ts';

/** So many notes are listed: who has more throws some away. */
const MOST = 200;

/** Stacks that were tried on the bench and are worth keeping. */
export class BenchNoteService {
  constructor(private readonly needs: { db: Database; now: () => number }) {}

  /** The newest first. */
  async all(): Promise<BenchNote[]> {
    const rows = await this.needs.db.models.benchNotes.findAll({
      order: [['at', 'desc']], // prettier-ignore
      limit: MOST,
      raw: true,
    });
    return rows.map(toNote);
  }

  async add(input: BenchNoteInput): Promise<BenchNote> {
    const row = { id: randomUUID(), document: input, at: new Date(this.needs.now()) };
    await this.needs.db.models.benchNotes.create(row);
    return toNote(row);
  }

  /** @returns what was thrown away, so that it can be noted anew */
  async remove(id: string): Promise<BenchNote> {
    const { benchNotes } = this.needs.db.models;
    const row = await benchNotes.findByPk(id, { raw: true });
    if (!row || (await benchNotes.destroy({ where: { id } })) === 0)
      throw new DomainError('not-found', 'That note is gone already.');
    return toNote(row);
  }
}

const toNote = ({ id, document, at }: Pick<BenchNoteRow, 'id' | 'document' | 'at'>): BenchNote => ({
  id,
  at: at.toISOString(),
  input: document,
});
