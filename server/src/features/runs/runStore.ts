import { randomUUID } from 'node:crypto';
import { DomainError, readRoute } from '@saltflat/contract';
import type { Run, RunEventInput } from '@saltflat/contract';
import { UniqueConstraintError } from 'sequelize';
import type { Database } from '../../db/connection.ts';
import type { OutcomeRow } from './projectOutcomes.ts';

export type RunStore = ReturnType<typeof runStore>;

interface RunRow extends Omit<Run, 'createdAt' | 'finishedAt' | 'events'> {
  createdAt: Date;
  finishedAt: Date | null;
  events: (Omit<Run['events'][number], 'at' | 'serverAt'> & { at: string; serverAt: string })[];
}

const RUN = `
  select r.id, r.line_id as "lineId", l.order_id as "orderId",
    'K-' || o.number || case when (select count(*) from order_line m where m.order_id = l.order_id and m.removed_at is null) > 1 then '/' || l.position else '' end as code,
    k.name as customer, c.name || ' ' || s.name as garment, c.hex as "colourHex", l.placement, l.artwork_id as "artworkId",
    v.number as "routeNumber", v.document as route, r.pieces, r.started_by as "startedBy", r.created_at as "createdAt", r.finished_at as "finishedAt",
    (select coalesce(json_agg(json_build_object('id', e.id, 'clientId', e.client_id, 'clientSeq', e.client_seq, 'kind', e.kind, 'step', e.step,
       'at', e.at, 'by', e.by_name, 'payload', e.payload, 'serverAt', e.server_at) order by e.server_at, e.client_seq), '[]')
     from run_event e where e.run_id = r.id) as events
  from run r join order_line l on l.id = r.line_id join customer_order o on o.id = l.order_id join customer k on k.id = o.customer_id
  join garment_colour c on c.id = l.colour_id join garment_style s on s.id = c.style_id join route_version v on v.id = r.route_version_id`;

const toRun = ({ createdAt, finishedAt, events, ...row }: RunRow): Run => ({
  ...row,
  route: readRoute(row.route),
  createdAt: createdAt.toISOString(),
  finishedAt: finishedAt?.toISOString() ?? null,
  events: events.map((event) => ({
    ...event,
    at: new Date(event.at).toISOString(),
    serverAt: new Date(event.serverAt).toISOString(),
  })),
});

export function runStore(db: Database) {
  return {
    find: async (id: string, on: Database = db): Promise<Run | undefined> => {
      const row = await on.row<RunRow>(`${RUN} where r.id = $1`, [id]);
      return row && toRun(row);
    },
    list: async (state: 'active' | 'finished' | undefined): Promise<Run[]> => {
      const condition =
        state === 'active'
          ? 'r.finished_at is null'
          : state === 'finished'
            ? 'r.finished_at is not null'
            : 'true';
      return (await db.rows<RunRow>(`${RUN} where ${condition} order by r.created_at desc limit 60`)).map(
        toRun,
      );
    },
    /** Holds every other writer of this run off until the transaction ends. */
    lock: async (id: string, tx: Database): Promise<boolean> =>
      (await tx.rows(`select id from run where id = $1 for update`, [id])).length === 1,
    insert: async (
      run: { lineId: string; routeVersionId: string; pieces: number; by: string },
      tx: Database,
    ): Promise<string> => {
      const id = randomUUID();
      try {
        await tx.rows(
          `insert into run (id, line_id, route_version_id, pieces, started_by) values ($1, $2, $3, $4, $5) returning id`,
          [id, run.lineId, run.routeVersionId, run.pieces, run.by],
        );
      } catch (cause) {
        if (!(cause instanceof UniqueConstraintError)) throw cause;
        throw new DomainError(
          'not-now',
          'This line is on the floor already. Open Floor to go on with it.',
          {},
          { cause },
        );
      }
      return id;
    },
    /** Keeps an event; one that is here already changes nothing. */
    insertEvent: async (runId: string, event: RunEventInput, tx: Database): Promise<void> => {
      const { id, clientId, clientSeq, kind, step, at, deviceAt, by, payload } = event;
      try {
        await tx.rows(
          `insert into run_event (id, run_id, client_id, client_seq, kind, step, at, device_at, by_name, payload, server_at)
           values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, clock_timestamp()) on conflict (id) do nothing returning id`,
          [id, runId, clientId, clientSeq, kind, step, at, deviceAt, by, JSON.stringify(payload)],
        );
      } catch (cause) {
        if (!(cause instanceof UniqueConstraintError)) throw cause;
        throw new DomainError(
          'invalid-input',
          `This device has already sent another event as its number ${clientSeq}. Reload the page to go on.`,
          {},
          { cause },
        );
      }
    },
    /** Writes what the events add up to: outcomes and whether the run is finished. */
    project: async (
      runId: string,
      outcomes: readonly OutcomeRow[],
      finishedAt: string | null,
      tx: Database,
    ): Promise<void> => {
      await tx.rows(
        `delete from outcome where run_id = $1 and not (piece = any($2::int[])) returning piece`,
        [runId, outcomes.map(({ piece }) => piece)],
      );
      for (const row of outcomes) {
        await tx.rows(
          `insert into outcome (run_id, piece, verdict, faults, note, photo, by_name, at, plate_c, dwell_s, actual_dwell_s, pretreatment_g, pretreatment_target_g)
           values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)
           on conflict (run_id, piece) do update set verdict = $3, faults = $4, note = $5, photo = $6, by_name = $7, at = $8, plate_c = $9, dwell_s = $10,
             actual_dwell_s = $11, pretreatment_g = $12, pretreatment_target_g = $13 returning piece`,
          [
            runId,
            row.piece,
            row.verdict,
            row.faults,
            row.note,
            row.photo,
            row.by,
            row.at,
            row.plateC,
            row.dwellS,
            row.actualDwellS,
            row.pretreatmentG,
            row.pretreatmentTargetG,
          ],
        );
      }
      await tx.rows(
        `update run set finished_at = $2 where id = $1 and finished_at is distinct from $2::timestamptz returning id`,
        [runId, finishedAt],
      );
    },
  };
}
