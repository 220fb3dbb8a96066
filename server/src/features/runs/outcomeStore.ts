import type { Run } from '@saltflat/contract';
import { processKey } from '@saltflat/core/route';
import { VERDICTS } from '@saltflat/core/run';
import type { RunState } from '@saltflat/core/run';
import { Op } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { RunRow } from '../../db/models/index.ts';
import type { OutcomeRow } from './projectOutcomes.ts';

interface Change {
  before: readonly OutcomeRow[];
  after: readonly OutcomeRow[];
}

/** What a run's events add up to, kept beside them for lists: outcomes, their counts, and whether it is finished. */
export class OutcomeStore {
  constructor(private readonly db: Database) {}

  /** Writes what differs from what was written before. */
  async project(run: Pick<Run, 'id' | 'lines'>, { before, after }: Change, tx: Tx): Promise<void> {
    const { outcomes } = this.db.models;
    const lineOf = ({ line }: OutcomeRow): Run['lines'][number] | undefined =>
      run.lines.find(({ key }) => key === line);
    const keyOf = (row: OutcomeRow): string => processKey(lineOf(row)?.route.prints ?? []);
    for (const processes of [...new Set(run.lines.map(({ route }) => processKey(route.prints)))].sort()) {
      const own = (rows: readonly OutcomeRow[]): OutcomeRow[] =>
        rows.filter((row) => keyOf(row) === processes);
      await this.tally(processes, { before: own(before), after: own(after) }, tx);
    }
    const left = new Set(after.map(({ piece }) => piece));
    const gone = before.filter(({ piece }) => !left.has(piece));
    if (gone.length > 0)
      await outcomes.destroy({
        where: { runId: run.id, piece: { [Op.in]: gone.map(({ piece }) => piece) } },
        transaction: tx,
      });
    const known = new Map(before.map((own) => [own.piece, JSON.stringify(own)]));
    const changed = after.filter((own) => known.get(own.piece) !== JSON.stringify(own));
    if (changed.length === 0) return;
    await outcomes.bulkCreate(
      changed.flatMap((row) => {
        const line = lineOf(row);
        if (!line) return [];
        const { by, at, line: _key, ...own } = row;
        const words = `${line.code} ${line.customer} ${line.garment}`;
        return [
          {
            ...own,
            runId: run.id,
            lineId: line.lineId,
            processes: keyOf(row),
            byName: by,
            at: new Date(at),
            searchText:
              ` ${words} ${by} ${own.note ?? ''} ${own.lots.map(({ lot }) => lot).join(' ')}`.toLowerCase(),
          },
        ];
      }),
      { updateOnDuplicate: UPDATED, transaction: tx },
    );
  }

  /** Notes on the run how many events it has and when it was finished. */
  async note(run: RunRow, eventCount: number, { finishedAt }: RunState, tx: Tx): Promise<void> {
    await run.update(
      { eventCount, finishedAt: finishedAt === null ? null : new Date(finishedAt) },
      { transaction: tx },
    );
  }

  /** Carries the count of all pieces made by the same processes on, verdict by verdict in one order: nobody waits for each other. */
  private async tally(processes: string, { before, after }: Change, tx: Tx): Promise<void> {
    const { tallies } = this.db.models;
    for (const verdict of VERDICTS) {
      const count = (rows: readonly OutcomeRow[]): number =>
        rows.filter((own) => own.verdict === verdict).length;
      const by = count(after) - count(before);
      if (by === 0) continue;
      await tallies.bulkCreate([{ processes, verdict, pieces: 0 }], {
        ignoreDuplicates: true,
        transaction: tx,
      });
      await tallies.increment('pieces', { by, where: { processes, verdict }, transaction: tx });
    }
  }
}

const UPDATED = [
  'lineId', 'processes', 'verdict', 'faults', 'note', 'photo', 'byName', 'at', 'plateC', 'dwellS', 'actualDwellS', 'pretreatmentG',
  'pretreatmentTargetG', 'made', 'lots', 'searchText',
] as const satisfies string[]; // prettier-ignore
