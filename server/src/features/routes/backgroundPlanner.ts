import { randomUUID } from 'node:crypto';
import { DomainError, PROBLEMS } from '@saltflat/contract';
import type { LineOnOrder, Replanned, RouteVersion } from '@saltflat/contract';
import { compareRoutes } from '@saltflat/core/route';
import { formatMoney } from '@saltflat/core/units';
import type { Currency } from '@saltflat/core/units';
import type { Logger } from 'pino';
import type { Database, Tx } from '../../db/connection.ts';
import type { RoutePlanner } from './routePlanner.ts';
import type { NewRouteVersion, RouteStore } from './routeStore.ts';
import { isSamePlan } from './samePlan.ts';

/** A route that was planned: its number, and the art that it is for. */
export interface MadePlan {
  routeNumber: number;
  judged: NewRouteVersion['art'];
}

interface Ticket {
  lineId: string;
  generation: number;
  attempt: number;
  changeId: string | null;
}

interface Needs {
  db: Database;
  routes: RouteStore;
  planner: Pick<RoutePlanner, 'plan'>;
  /** Does work with its progress kept for whoever looks. */
  watched: <T>(lineId: string, work: (onProgress: (share: number) => void) => Promise<T>) => Promise<T>;
  findLine: (lineId: string) => Promise<LineOnOrder>;
  lines: {
    lock: (lineId: string, tx: Tx) => Promise<unknown>;
    beginPlan: (lineId: string) => Promise<Ticket | null>;
    planned: (ticket: Ticket, plan: MadePlan, tx: Tx) => Promise<boolean>;
    refused: (ticket: Ticket, problem: string, tx: Tx) => Promise<boolean>;
  };
  /** Notes what a change of the set-up did to a line. */
  noteChange: (changeId: string, how: { outcome: Replanned; at: Date }, tx: Tx) => Promise<void>;
  /** That the shop reckons in. */
  currency: () => Promise<Currency>;
  now: () => number;
  log: Logger;
}

const MOST_ATTEMPTS = 6;

/** Plans what the queue brings. Whatever is made for a generation of a line that is over is thrown away. */
export class BackgroundPlanner {
  constructor(private readonly needs: Needs) {}

  /** Plans a line that wants it; what stands in the way becomes the line's own words. */
  async plan(lineId: string): Promise<void> {
    const ticket = await this.needs.lines.beginPlan(lineId);
    if (ticket === null) return;
    try {
      await this.planFor(ticket);
    } catch (error) {
      const problem = problemOf(error);
      if (problem !== null) await this.refuse(ticket, problem);
      else if (ticket.attempt >= MOST_ATTEMPTS) await this.giveUp(ticket, error);
      else throw error;
    }
  }

  private async planFor(ticket: Ticket): Promise<void> {
    const { db, routes, planner, watched, findLine, lines, currency, now } = this.needs;
    const { lineId, generation } = ticket;
    const { line, customer } = await findLine(lineId);
    const former = await routes.latest(lineId);
    const { overrides = [], sources = [] } = former?.version ?? {};
    const made = await watched(lineId, (onProgress) =>
      planner.plan(line, { overrides, sources }, 'drop-lost', onProgress),
    );
    const at = new Date(now());
    await db
      .transaction(async (tx) => {
        await lines.lock(lineId, tx); // versions get their numbers one at a time
        const isSame = former !== undefined && isSamePlan(former, made);
        const number = isSame ? former.version.number : await routes.insert(made, { generation, at }, tx);
        if (!(await lines.planned(ticket, { routeNumber: number, judged: made.art }, tx)))
          throw new Obsolete();
        const differences = isSame || !former ? [] : differencesOf(former.version, made, await currency());
        const { id, code } = line;
        await this.note(ticket, { lineId: id, code, customer, problem: null, number, differences }, tx);
      })
      .catch((error: unknown) => {
        if (!(error instanceof Obsolete)) throw error; // the line was changed meanwhile: its new plan is asked for already
      });
  }

  private async refuse(ticket: Ticket, problem: string): Promise<void> {
    const { db, findLine, lines } = this.needs;
    const { line, customer } = await findLine(ticket.lineId);
    await db.transaction(async (tx) => {
      if (!(await lines.refused(ticket, problem, tx))) return;
      const outcome = { lineId: line.id, code: line.code, customer, problem, number: null, differences: [] };
      await this.note(ticket, outcome, tx);
    });
  }

  /** A fault of ours: said so, with a name to look for in the log; nobody waits for ever. */
  private async giveUp(ticket: Ticket, error: unknown): Promise<void> {
    const id = randomUUID();
    this.needs.log.error({ err: error, id, lineId: ticket.lineId }, 'planning was given up');
    await this.refuse(
      ticket,
      `Something went wrong on our side while it was planned. Change the line to have it planned again, and tell whoever looks after the server: ${id}.`,
    );
  }

  private async note({ changeId }: Ticket, outcome: Replanned, tx: Tx): Promise<void> {
    if (changeId !== null)
      await this.needs.noteChange(changeId, { outcome, at: new Date(this.needs.now()) }, tx);
  }
}

/** Leaves a transaction whose plan nobody wants any more, taking what was written with it. */
class Obsolete extends Error {}

/** A refusal in words for the line; `null` for a fault, or where a database or a place in a queue is away and will be back. */
function problemOf(error: unknown): string | null {
  return error instanceof DomainError && PROBLEMS[error.code].status < 500 ? error.message : null;
}

/** What a person is told of a line that came out otherwise. */
function differencesOf(
  former: RouteVersion,
  made: NewRouteVersion,
  currency: Currency,
): Replanned['differences'] {
  return [...compareRoutes(former.route, made.route), ...costs(former, made, currency)];
}

/** Cost per piece, where it moved by a cent or more. */
function costs(
  { cost: before }: RouteVersion,
  { cost: after }: NewRouteVersion,
  currency: Currency,
): Replanned['differences'] {
  if (Math.abs(before.totalCents - after.totalCents) < 1) return [];
  const write = ({ totalCents }: { totalCents: number }): string => formatMoney(totalCents, currency);
  return [{ operation: 'Cost', what: 'per piece', before: write(before), after: write(after) }];
}
