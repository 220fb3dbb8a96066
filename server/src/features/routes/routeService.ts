import { DomainError, PLACEMENTS } from '@saltflat/contract';
import type {
  ArtOverrule,
  ArtOverruleInput,
  LineDocument,
  LineOnOrder,
  LinePrint,
  OrderLine,
  PreparationInput,
  PrintArt,
  ProvenLine,
  RoutePlanInput,
  RouteVersion,
} from '@saltflat/contract';
import type { ArtFigures } from '@saltflat/core/artwork';
import { withMaterialsOf } from '@saltflat/core/cost';
import { asLaid, processKey } from '@saltflat/core/route';
import type { LaidFilm } from '@saltflat/core/route';
import type { Database, Tx } from '../../db/connection.ts';
import type { LineRow } from '../../db/models/index.ts';
import type { MadePlan } from './backgroundPlanner.ts';
import { asPlanned, nameOf } from './routePlanner.ts';
import type { RoutePlanner } from './routePlanner.ts';
import { isSamePlan } from './samePlan.ts';
import type { NewRouteVersion, RouteStore, WholeVersion } from './routeStore.ts';

interface Needs {
  db: Database;
  routes: RouteStore;
  planner: RoutePlanner;
  findLine: (lineId: string) => Promise<LineOnOrder>;
  keepPreparation: (
    artworkId: string,
    made: Pick<PreparationInput, 'steps' | 'white' | 'by'>,
    tx: Tx,
  ) => Promise<string>;
  lines: {
    lock: (lineId: string, tx: Tx) => Promise<LineRow | null>;
    writePreparation: (
      print: { lineId: string; id: string },
      own: { preparationId: string | null; widthMm: number },
      tx: Tx,
    ) => Promise<void>;
    plannedByHand: (line: LineRow, plan: MadePlan, tx: Tx) => Promise<void>;
    overruleArt: (line: LineRow, overrule: ArtOverrule, tx: Tx) => Promise<void>;
    takeBackOverrule: (line: LineRow, tx: Tx) => Promise<void>;
  };
  /** Film that a line’s transfers take, where they were laid out by that version of its route. */
  laidFilm: (
    lineId: string,
    routeNumber: number,
  ) => Promise<{ films: LaidFilm[]; layouts: NonNullable<RouteVersion['laid']> } | null>;
  provenLines: (processes: string, exceptLineId: string) => Promise<ProvenLine[]>;
  /** What an overrule of all that stops a line’s prints is about. */
  overruleOf: (judged: NewRouteVersion['art']) => ArtOverrule['of'];
  now: () => number;
}

/** A line's routes: the one it is made by, the ones there were, and new ones with a person's own values. */
export class RouteService {
  constructor(private readonly needs: Needs) {}

  /** The route a line is made by as it now stands. */
  async current(lineId: string): Promise<RouteVersion> {
    return (await this.wholeCurrent(lineId)).version;
  }

  /** The same with what it was planned from. */
  async wholeCurrent(lineId: string): Promise<WholeVersion> {
    const whole = await this.needs.routes.whole(lineId, null);
    if (whole) return { ...whole, version: await this.withFilm(whole.version) };
    const { line } = await this.needs.findLine(lineId);
    throw new DomainError('not-found', `${line.code} has no route yet${whyNoRoute(line)}`);
  }

  async versions(lineId: string): Promise<RouteVersion[]> {
    const versions = await this.needs.routes.versions(lineId);
    return Promise.all(
      versions.map(async (version) => (version.isCurrent ? this.withFilm(version) : version)),
    );
  }

  /** A version with the film that its transfers take as they were laid out, and what that costs. */
  private async withFilm(version: RouteVersion): Promise<RouteVersion> {
    const { lineId, number, pieces, cost } = version;
    const laid = await this.needs.laidFilm(lineId, number);
    if (laid === null) return version;
    const route = asLaid(version.route, laid.films);
    return { ...version, route, cost: withMaterialsOf(cost, route, pieces), laid: laid.layouts };
  }

  /** Plans a new version with a person's own values, and keeps it. */
  async replan(lineId: string, { overrides, sources, basedOn }: RoutePlanInput): Promise<RouteVersion> {
    const { line } = await this.needs.findLine(lineId);
    const former = await this.needs.routes.latest(lineId);
    refuseStale(line, former?.version, basedOn);
    refuseRun(line);
    const own = { overrides, sources: sources ?? former?.version.sources ?? [] };
    const made = await this.needs.planner.plan(line, own, 'refuse-lost');
    await this.needs.db.transaction(async (tx) => this.keep(line, former, made, tx));
    return this.current(lineId);
  }

  /** Has a print made from other steps, white or width: planned first, so that what cannot be planned changes nothing. */
  async prepare(lineId: string, input: PreparationInput): Promise<RouteVersion> {
    const { db, routes, planner, findLine, keepPreparation, lines } = this.needs;
    const { line } = await findLine(lineId);
    const print = printIn(line, input.print);
    if (!print.artwork)
      throw new DomainError('not-now', `${nameOf(line, print)} has no artwork to make ready.`);
    const artworkId = print.artwork.id;
    const former = await routes.latest(lineId);
    refuseStale(line, former?.version, input.basedOn);
    refuseRun(line);
    const { steps, white, widthMm, overrides = former?.version.overrides ?? [] } = input;
    const preparation = { id: '', artworkId, number: 0, steps, white, byName: input.by, createdAt: '' };
    const prints = line.prints.map((own) => (own === print ? { ...own, widthMm, preparation } : own));
    const own = { overrides, sources: former?.version.sources ?? [] };
    const made = await planner.plan({ ...line, prints }, own, 'refuse-lost');
    const isUntouched = steps.length === 0 && Object.keys(white).length === 0;
    await db.transaction(async (tx) => {
      const preparationId = isUntouched ? null : await keepPreparation(artworkId, input, tx);
      await this.keep(line, former, made, tx);
      await lines.writePreparation({ lineId, id: print.id }, { preparationId, widthMm }, tx);
    });
    return this.current(lineId);
  }

  /**
   * How a version's print was measured and is separated: as it was planned; of an old version as near as can be told.
   *
   * @param print its name within the line; `null` for the first
   * @param wished version of the route; `null` for the line as it is now
   */
  async printOf(
    lineId: string,
    print: string | null,
    wished: number | null,
  ): Promise<{ line: OrderLine; print: LinePrint; art: PrintArt; isAsPlanned: boolean }> {
    const { routes, planner, findLine } = this.needs;
    const { line } = await findLine(lineId);
    const own = printIn(line, print ?? line.prints[0]?.id ?? '');
    if (!own.artwork) throw new DomainError('not-found', `${nameOf(line, own)} has no artwork.`);
    const whole = await routes.whole(lineId, wished);
    if (wished !== null && !whole)
      throw new DomainError('not-found', `${line.code} has no version ${wished}.`);
    const kept = whole?.input?.art.find((art) => art.print === own.id);
    if (kept) return { line, print: own, art: kept, isAsPlanned: true };
    const overrides = whole?.version.overrides ?? (await routes.latest(lineId))?.version.overrides ?? [];
    const art = await planner.artOf(asPlanned(line), own, overrides);
    return { line, print: own, art, isAsPlanned: false };
  }

  async printFigures(lineId: string, print: string | null): Promise<ArtFigures> {
    const { art } = await this.printOf(lineId, print, null);
    return this.needs.planner.measured(art.artworkId, art.job);
  }

  /** All that a line's route is planned from: what was kept with it, or what it would be planned from now. */
  async lineDocument(lineId: string): Promise<LineDocument> {
    const { routes, planner, findLine } = this.needs;
    const whole = await routes.whole(lineId, null);
    if (whole?.input) return whole.input.document;
    const { line } = await findLine(lineId);
    const { overrides = [], sources = [] } = (await routes.latest(lineId))?.version ?? {};
    return (await planner.draw(asPlanned(line), { overrides, sources })).document;
  }

  /** Has a line's art printed though something stops it: by name, with a word why, for the art as it was looked at. */
  async overruleArt(lineId: string, { by, why, basedOn }: ArtOverruleInput): Promise<LineOnOrder> {
    const { db, routes, findLine, lines, overruleOf, now } = this.needs;
    const { line } = await findLine(lineId);
    const whole = await routes.whole(lineId, null);
    refuseStale(line, whole?.version, basedOn);
    refuseRun(line);
    if (line.state !== 'art-to-mend')
      throw new DomainError(
        'not-now',
        `Nothing stops the art of ${line.code}: there is nothing to overrule.`,
      );
    const findings = (print: string) => line.prints.find(({ id }) => id === print)?.findings ?? [];
    const judged = whole?.input?.art.map((art) => ({ ...art, findings: findings(art.print) })) ?? [];
    const overrule = { by, why, at: new Date(now()).toISOString(), of: overruleOf(judged) };
    await db.transaction(async (tx) => {
      const row = await lines.lock(lineId, tx);
      if (row) await lines.overruleArt(row, overrule, tx);
    });
    return findLine(lineId);
  }

  /** Takes that back. */
  async takeBackOverrule(lineId: string): Promise<LineOnOrder> {
    const { db, findLine, lines } = this.needs;
    await db.transaction(async (tx) => {
      const row = await lines.lock(lineId, tx);
      if (row) await lines.takeBackOverrule(row, tx);
    });
    return findLine(lineId);
  }

  /** Lines of the same processes that were run, to copy from; those of the same garment first. */
  async provenLines(lineId: string): Promise<ProvenLine[]> {
    const { line } = await this.needs.findLine(lineId);
    const proven = await this.needs.provenLines(processKey(line.prints), lineId);
    const isSameStyle = ({ styleId }: ProvenLine): number => (styleId === line.styleId ? 0 : 1);
    return proven.sort((p, q) => isSameStyle(p) - isSameStyle(q));
  }

  /** Keeps a plan a person made while looking at a line, if the line is still what they saw. */
  private async keep(
    seen: OrderLine,
    former: WholeVersion | undefined,
    made: NewRouteVersion,
    tx: Tx,
  ): Promise<LineRow> {
    const { lines, routes, now } = this.needs;
    const row = await lines.lock(seen.id, tx);
    if (!row || row.state !== seen.state || row.routeNumber !== seen.routeNumber)
      throw new DomainError(
        'stale-version',
        `Someone changed ${seen.code} meanwhile. Look at it, then change it again.`,
        { current: former?.version },
      );
    const number =
      former && isSamePlan(former, made)
        ? former.version.number
        : await routes.insert(made, { generation: row.generation + 1, at: new Date(now()) }, tx);
    await lines.plannedByHand(row, { routeNumber: number, judged: made.art }, tx);
    return row;
  }
}

function whyNoRoute({ planProblem, prints }: OrderLine): string {
  if (planProblem !== null) return `: ${planProblem}`;
  const bare = prints.filter(({ artwork }) => artwork === null);
  if (bare.length === 0) return ': it is being planned.';
  return prints.length === 1
    ? ': it has no artwork.'
    : `: no artwork for ${bare.map(({ placement }) => PLACEMENTS[placement].label.toLowerCase()).join(', ')}.`;
}

/** @throws DomainError where the line has no such print */
function printIn(line: OrderLine, id: string): LinePrint {
  const print = line.prints.find((own) => own.id === id);
  if (print) return print;
  throw new DomainError('not-found', `${line.code} has no print ${id}.`);
}

function refuseStale(line: OrderLine, former: RouteVersion | undefined, basedOn: number | null): void {
  if ((former?.number ?? null) === basedOn && line.state !== 'planning') return;
  throw new DomainError(
    'stale-version',
    line.state === 'planning'
      ? `${line.code} is being planned anew. Look at what comes out, then change it.`
      : `${line.code} has had version ${former?.number ?? 1} meanwhile. Look at it, then change it again.`,
    { current: former },
  );
}

function refuseRun({ code, state }: OrderLine): void {
  if (state === 'running' || state === 'done')
    throw new DomainError(
      'not-now',
      `${code} is ${state === 'done' ? 'done' : 'on the floor'}: its route stays as it was run.`,
    );
}
