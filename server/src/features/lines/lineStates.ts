import { DomainError } from '@saltflat/contract';
import type { ArtOverrule, OrderLineInput } from '@saltflat/contract';
import type { Database, Tx } from '../../db/connection.ts';
import type { LineRow, OrderRow } from '../../db/models/index.ts';
import type { PlanQueue } from '../../jobs/planQueue.ts';
import { artStanding, withoutPlaces } from './artStanding.ts';
import type { JudgedPrint } from './artStanding.ts';
import type { LineState, LineStore, PassedDraft, Transition } from './lineStore.ts';
import type { OrderState } from './orderState.ts';

interface Needs {
  db: Database;
  lines: LineStore;
  orders: OrderState;
  queue: Pick<PlanQueue, 'ask'>;
  now: () => number;
}

/** Not on the floor: may be edited, planned and planned again. */
const DRAFT = [
  'needs-art',
  'planning',
  'failed',
  'art-to-mend',
  'ready',
] as const satisfies readonly LineState[];

/** A route that was planned: its number, and the art that it is for. */
export interface MadePlan {
  routeNumber: number;
  judged: readonly JudgedPrint[];
}

/** A plan that is wanted: for which generation of which line. */
export interface PlanTicket {
  lineId: string;
  generation: number;
  attempt: number;
  changeId: string | null;
}

/**
 * The one home of a line's state, and its only writer. Every change names the states it may come from; where the line
 * is in another one by then, nothing happens. Whatever makes a plan obsolete counts the line's generation up, so that a
 * plan made for an older one finds nobody to take it.
 *
 *   needs-art ─► planning ─┬─────────────► ready ─► running ⇄ done
 *                   │  ▲   └► art-to-mend ◄─┘ │    a named person overrules what stops the print, or takes that back
 *                   ▼  └──────────┴───────────┘    an edit, or a change of the set-up
 *                 failed
 */
export class LineStates {
  constructor(private readonly needs: Needs) {}

  /** Puts new lines on an order; each gets the next code of its order, for ever. */
  async add(order: OrderRow, inputs: readonly OrderLineInput[], tx: Tx): Promise<void> {
    const { lines, queue, now } = this.needs;
    const isAlone = order.linesGiven === 0 && inputs.length === 1;
    const wanted: string[] = [];
    for (const input of inputs) {
      const position = order.linesGiven + 1;
      const code = isAlone ? order.code : `${order.code}/${position}`;
      const state = input.prints.some(({ artworkId }) => artworkId === null) ? 'needs-art' : 'planning';
      const id = await lines.insert(order, { code, position, state, at: new Date(now()) }, input, tx);
      if (state === 'planning') wanted.push(id);
      await order.update({ linesGiven: position }, { transaction: tx });
    }
    await queue.ask(wanted, tx);
  }

  /** Writes what a person says of a line, and has it planned anew. */
  async edit(line: LineRow, input: OrderLineInput, tx: Tx): Promise<void> {
    await this.needs.lines.writeContent(line, input, tx);
    await this.plan(line, tx);
  }

  /** Takes a line off its order. */
  async remove(line: LineRow, tx: Tx): Promise<void> {
    refuseOnFloor(line);
    await this.needs.lines.remove(line.id, new Date(this.needs.now()), tx);
  }

  /** Has a line planned for what it now is. */
  async plan(line: LineRow, tx: Tx): Promise<void> {
    const { lines, queue, now } = this.needs;
    const hasArt = (await lines.bareOf(line.id, tx)) === 0;
    const isPassed = await lines.pass(
      line.id,
      {
        to: hasArt ? 'planning' : 'needs-art',
        from: DRAFT,
        isNewGeneration: true,
        routeNumber: null,
        planProblem: null,
        planAskedAt: hasArt ? new Date(now()) : null,
        planChangeId: null,
      },
      tx,
    );
    if (!isPassed) refuseOnFloor(line);
    if (hasArt) await queue.ask([line.id], tx);
  }

  /** Has every line planned anew that is not on the floor, since the set-up has changed. */
  async planDrafts(
    note: (drafts: readonly PassedDraft[]) => Promise<string>,
    tx: Tx,
  ): Promise<{ changeId: string; drafts: number }> {
    const { lines, queue, now } = this.needs;
    const drafts = await lines.passDrafts(new Date(now()), tx);
    const changeId = await note(drafts);
    const ids = drafts.map(({ id }) => id);
    await lines.noteChange(ids, changeId, tx);
    await queue.ask(ids, tx, { isUrgent: false });
    return { changeId, drafts: drafts.length };
  }

  /** Begins a plan that was asked for. @returns nothing where the line wants none any more */
  async beginPlan(lineId: string): Promise<PlanTicket | null> {
    const line = await this.needs.lines.beginPlan(lineId);
    return (
      line && {
        lineId,
        generation: line.generation,
        attempt: line.planAttempts,
        changeId: line.planChangeId,
      }
    );
  }

  /** A plan is made. @returns false where it is for a generation that is over: it is to be thrown away */
  async planned({ lineId, generation }: PlanTicket, plan: MadePlan, tx: Tx): Promise<boolean> {
    return this.arrived(lineId, { from: ['planning'], generation }, plan, tx);
  }

  /** A plan cannot be made; the line says why. @returns false where that is over */
  async refused({ lineId, generation }: PlanTicket, planProblem: string, tx: Tx): Promise<boolean> {
    return this.settled(lineId, { to: 'failed', from: ['planning'], generation, planProblem }, tx);
  }

  /** A person has planned a line while looking at it, for the generation they saw. */
  async plannedByHand(line: LineRow, plan: MadePlan, tx: Tx): Promise<void> {
    const from = ['failed', 'art-to-mend', 'ready'] as const;
    const how = { from, generation: line.generation, isNewGeneration: true };
    if (!(await this.arrived(line.id, how, plan, tx))) refuseChanged(line);
  }

  /** Somebody has the art printed though something stops it. */
  async overruleArt(line: LineRow, artOverrule: ArtOverrule, tx: Tx): Promise<void> {
    const { generation } = line;
    const outcome = { to: 'ready', from: ['art-to-mend'], generation, artOverrule } as const;
    if (!(await this.settled(line.id, outcome, tx))) refuseChanged(line);
  }

  /** Takes that back: what stops the print stops the line again. */
  async takeBackOverrule(line: LineRow, tx: Tx): Promise<void> {
    if (line.artOverrule === null)
      throw new DomainError('not-now', `${line.code} has nothing overruled: there is nothing to take back.`);
    const outcome = { to: 'art-to-mend', from: ['ready'], artOverrule: null } as const;
    if (!(await this.settled(line.id, outcome, tx))) refuseOnFloor(line);
  }

  /** Puts a line on the floor. */
  async start(lineId: string, tx: Tx): Promise<{ line: LineRow; routeNumber: number }> {
    const found = await this.needs.lines.lockLine(lineId, tx);
    if (!found) throw new DomainError('not-found', `There is no line ${lineId.slice(0, 8)}.`);
    const { line, order } = found;
    if (order.cancelledAt !== null)
      throw new DomainError('not-now', `${line.code} is cancelled. Restore its order first.`);
    const isStarted = await this.needs.lines.pass(lineId, { to: 'running', from: ['ready'] }, tx);
    if (!isStarted || line.routeNumber === null)
      throw new DomainError(
        'not-now',
        `${line.code} cannot start: ${WHY_NOT[line.state] ?? 'it has no route'}.`,
      );
    await this.needs.orders.settle(order, tx);
    return { line, routeNumber: line.routeNumber };
  }

  /** Every piece of a line came out. */
  async finish(lineId: string, tx: Tx): Promise<void> {
    await this.settled(lineId, { to: 'done', from: ['running'] }, tx);
  }

  /** A line that was done is on the floor again: its last verdict was taken back. */
  async reopen(lineId: string, tx: Tx): Promise<void> {
    const found = await this.needs.lines.lockLine(lineId, tx);
    if (found?.order.cancelledAt)
      throw new DomainError(
        'not-now',
        `${found.line.code} is cancelled: restore its order before going on with its run.`,
      );
    await this.settled(lineId, { to: 'running', from: ['done'] }, tx);
  }

  /** Cancels an order none of whose lines is on the floor. Lines that wait for a plan no longer want one. */
  async cancel(order: OrderRow, tx: Tx): Promise<void> {
    if (order.state === 'running')
      throw new DomainError('not-now', `${order.code} is on the floor. Finish or stop its run first.`);
    if (order.state === 'done')
      throw new DomainError(
        'not-now',
        `${order.code} is done: it was made, so there is nothing left to cancel.`,
      );
    await order.update({ state: 'cancelled', cancelledAt: new Date(this.needs.now()) }, { transaction: tx });
  }

  /** Takes a cancellation back: the order stands where its lines stand, and what changed meanwhile is planned. */
  async restore(order: OrderRow, tx: Tx): Promise<void> {
    await order.update({ cancelledAt: null, state: 'planning' }, { transaction: tx });
    for (const line of await this.needs.lines.drafts(order.id, tx)) await this.plan(line, tx);
    await this.needs.orders.settle(order, tx);
  }

  /** A line has a route: it is ready, or its art is to be mended first. */
  private async arrived(
    lineId: string,
    how: Pick<Transition, 'from' | 'generation' | 'isNewGeneration'>,
    { routeNumber, judged }: MadePlan,
    tx: Tx,
  ): Promise<boolean> {
    const { lines, orders } = this.needs;
    const found = await lines.lockLine(lineId, tx);
    if (!found) return false;
    const standing = artStanding(judged, found.line.artOverrule);
    if (!(await this.settled(lineId, { ...how, ...standing, routeNumber, planProblem: null }, tx)))
      return false;
    for (const { print, findings } of judged)
      await lines.writeFindings({ lineId, id: print }, withoutPlaces(findings), tx);
    await orders.summarise(found.order, tx);
    return true;
  }

  private async settled(lineId: string, transition: Transition, tx: Tx): Promise<boolean> {
    const { lines, orders } = this.needs;
    const found = await lines.lockLine(lineId, tx);
    if (!found || !(await lines.pass(lineId, transition, tx))) return false;
    await orders.settle(found.order, tx);
    return true;
  }
}

const WHY_NOT: Partial<Record<LineState, string>> = {
  'needs-art': 'it has no artwork',
  planning: 'its route is still being planned',
  failed: 'its route could not be planned',
  'art-to-mend': 'something in its art stops the print: mend it, or have it overruled by name',
  running: 'it is on the floor already',
  done: 'it is done',
};

/** @throws DomainError for a line that is on the floor or done */
export function refuseOnFloor({ code, state }: Pick<LineRow, 'code' | 'state'>): void {
  if (state !== 'running' && state !== 'done') return;
  throw new DomainError(
    'not-now',
    `${code} is ${state === 'running' ? 'on the floor' : 'done'}: its garment, art and sizes stay as they are. Duplicate the order to make more.`,
  );
}

function refuseChanged({ code }: Pick<LineRow, 'code'>): never {
  throw new DomainError(
    'stale-version',
    `Someone changed ${code} meanwhile. Look at it, then change it again.`,
  );
}
