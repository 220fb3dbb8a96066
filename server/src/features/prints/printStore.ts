import { randomUUID } from 'node:crypto';
import type { ProofAnswer, ProofAnswerInput } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';

export type PrintStore = ReturnType<typeof printStore>;

const COLUMNS = `q.id, q.line_id as "lineId", v.number as "routeNumber", q.verdict, q.customer_name as "customerName", q.note,
  q.by_name as "byName", q.at`;

/** Customers' answers to proofs: written once, never changed. */
export function printStore(db: Database) {
  return {
    insertAnswer: async (lineId: string, answer: ProofAnswerInput): Promise<void> => {
      await db.rows(
        `insert into proof_answer (id, line_id, route_version_id, verdict, customer_name, note, by_name)
         values ($1, $2, (select id from route_version where line_id = $2 order by number desc limit 1), $3, $4, $5, $6) returning id`,
        [randomUUID(), lineId, answer.verdict, answer.customerName, answer.note, answer.by],
      );
    },
    answers: async (lineId: string): Promise<ProofAnswer[]> =>
      (
        await db.rows<Omit<ProofAnswer, 'at'> & { at: Date }>(
          `select ${COLUMNS} from proof_answer q left join route_version v on v.id = q.route_version_id where q.line_id = $1 order by q.at desc`,
          [lineId],
        )
      ).map((row) => ({ ...row, at: row.at.toISOString() })),
  };
}
