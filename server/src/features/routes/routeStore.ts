import { createHash, randomUUID } from 'node:crypto';
import {
  ROUTE_FORMAT,
  putTogether,
  readKeptLine,
  readPlanInput,
  readStoredRoute,
  takeApart,
} from '@saltflat/contract';
import { processKey } from '@saltflat/core/route';
import type { Route } from '@saltflat/core/route';
import type { LineDocument, PrintArt, RouteVersion, ShopFacts } from '@saltflat/contract';
import type { Database, Tx } from '../../db/connection.ts';
import type { RouteRow } from '../../db/models/index.ts';
import type { Finding } from '@saltflat/core/artwork';
import { Memory } from '../../memory.ts';

/** A route as it was planned, with all it was planned from. */
export interface NewRouteVersion extends Pick<
  RouteVersion,
  'lineId' | 'route' | 'cost' | 'overrides' | 'sources' | 'pieces'
> {
  document: LineDocument;
  planner: number;
  /** The art of its prints, and what stands out in it. */
  art: (PrintArt & { findings: Finding[] })[];
}

/** A version with what it was planned from; `null` where that was not kept yet. */
export interface WholeVersion {
  version: RouteVersion;
  input: { document: LineDocument; art: PrintArt[] } | null;
}

const FACTS_KEPT = 40; // some tens of kilobytes each
const NEWEST_FIRST = [['number', 'desc']] as [string, string][]; // prettier-ignore

/** Versions of routes: written once, never changed. */
export class RouteStore {
  /** Facts stand under their own content: once read, they are known. */
  private readonly facts = new Memory<ShopFacts>(FACTS_KEPT);

  constructor(private readonly db: Database) {}

  /** Every version of a line, newest first. */
  async versions(lineId: string): Promise<RouteVersion[]> {
    const [rows, current] = await Promise.all([
      this.db.models.routes.findAll({ where: { lineId }, order: NEWEST_FIRST, raw: true }),
      this.currentNumber(lineId),
    ]);
    return rows.map((row) => toVersion(row, current));
  }

  /** The last version there was, whether the line is still made by it or not. */
  async latest(lineId: string): Promise<WholeVersion | undefined> {
    const where = { lineId };
    const row = await this.db.models.routes.findOne({ where, order: NEWEST_FIRST, raw: true });
    return row
      ? { version: toVersion(row, await this.currentNumber(lineId)), input: await this.inputOf(row) }
      : undefined;
  }

  /** A version by its number with its input; without a number the one the line is made by. */
  async whole(lineId: string, wished: number | null, tx?: Tx): Promise<WholeVersion | undefined> {
    const current = await this.currentNumber(lineId);
    const number = wished ?? current;
    if (number === null) return undefined;
    const row = await this.db.models.routes.findOne({
      where: { lineId, number },
      raw: true,
      transaction: tx ?? null,
    });
    return row ? { version: toVersion(row, current), input: await this.inputOf(row, tx) } : undefined;
  }

  /** What a run needs to know of the version it is made by. */
  async startable(
    lineId: string,
    number: number,
    tx: Tx,
  ): Promise<{ id: string; processes: string; pieces: number; route: Route }> {
    const row = await this.db.models.routes.findOne({
      where: { lineId, number },
      raw: true,
      transaction: tx,
      rejectOnEmpty: true,
    });
    const { route } = readStoredRoute(row.format, { route: row.document, cost: row.cost });
    return { id: row.id, processes: row.processes, pieces: row.pieces, route };
  }

  /** Keeps a version under the line's next number. The line's order is locked: numbers are given out one at a time. */
  async insert(made: NewRouteVersion, how: { generation: number; at: Date }, tx: Tx): Promise<number> {
    const { routes } = this.db.models;
    const { lineId, route, cost, overrides, sources, pieces, document, planner, art } = made;
    const { line, facts } = takeApart(document);
    const kept = art.map(({ findings: _judged, ...own }) => own); // they belong to the line as it stands
    const last = await routes.max<number | null, RouteRow>('number', { where: { lineId }, transaction: tx });
    const number = (last ?? 0) + 1;
    await routes.create(
      {
        id: randomUUID(),
        lineId,
        number,
        generation: how.generation,
        format: ROUTE_FORMAT,
        processes: processKey(route.prints),
        document: route,
        cost,
        overrides,
        sources,
        pieces,
        input: { format: 2, planner, line, art: kept },
        factsSha256: await this.keepFacts(facts, tx),
        createdAt: how.at,
      },
      { transaction: tx },
    );
    return number;
  }

  private async inputOf({ input, factsSha256 }: RouteRow, tx?: Tx): Promise<WholeVersion['input']> {
    if (!input || factsSha256 === null) return null;
    const { line, art } = readPlanInput(input);
    return { document: readKeptLine(putTogether(line, await this.readFacts(factsSha256, tx))), art };
  }

  private async readFacts(sha256: string, tx?: Tx): Promise<ShopFacts> {
    const known = this.facts.get(sha256);
    if (known) return known;
    const { facts } = this.db.models;
    const row = await facts.findByPk(sha256, { raw: true, transaction: tx ?? null, rejectOnEmpty: true });
    this.facts.put(sha256, row.document);
    return row.document;
  }

  private async currentNumber(lineId: string): Promise<number | null> {
    const line = await this.db.models.lines.findByPk(lineId, { attributes: ['routeNumber'], raw: true });
    return line?.routeNumber ?? null;
  }

  /** Facts are kept once, by their content. */
  private async keepFacts(facts: ShopFacts, tx: Tx): Promise<string> {
    const document = JSON.parse(JSON.stringify(facts)) as ShopFacts;
    const sha256 = createHash('sha256').update(JSON.stringify(document)).digest('hex');
    await this.db.models.facts.bulkCreate([{ sha256, document }], {
      ignoreDuplicates: true,
      transaction: tx,
    });
    return sha256;
  }
}

function toVersion(row: RouteRow, current: number | null): RouteVersion {
  const { id, lineId, number, overrides, sources, pieces, createdAt, input } = row;
  const read = readStoredRoute(row.format, { route: row.document, cost: row.cost });
  return {
    id,
    lineId,
    number,
    createdAt: createdAt.toISOString(),
    isCurrent: number === current,
    hasInput: input !== null,
    ...read,
    overrides,
    sources,
    pieces,
  };
}
