import { DomainError } from '@saltflat/contract';
import type {
  LineDocument,
  OrderLine,
  PreparationInput,
  ProvenLine,
  ReplanReport,
  Replanned,
  RoutePlanInput,
  RouteVersion,
} from '@saltflat/contract';
import type { ArtFigures, ArtJob } from '@saltflat/core/artwork';
import { compareRoutes } from '@saltflat/core/route';
import { formatMoney } from '@saltflat/core/units';
import type { Database } from '../../db/connection.ts';
import { asPlanned, asRefusal } from './routePlanner.ts';
import type { RoutePlanner } from './routePlanner.ts';
import type { NewRouteVersion, RouteStore } from './routeStore.ts';

const AT_ONCE = 120; // drafts planned while a person waits for the answer; the others follow in the background

interface Needs {
  db: Database;
  routes: RouteStore;
  planner: RoutePlanner;
  findLine: (lineId: string) => Promise<{ line: OrderLine; customer: string; isCancelled: boolean }>;
  keepPreparation: (
    artworkId: string,
    made: Pick<PreparationInput, 'steps' | 'white' | 'by'>,
    tx: Database,
  ) => Promise<string>;
  setPreparation: (
    lineId: string,
    preparationId: string | null,
    widthMm: number,
    tx: Database,
  ) => Promise<void>;
  setLineState: (
    lineId: string,
    state: OrderLine['state'],
    planProblem: string | null,
    tx: Database,
  ) => Promise<void>;
  askForPlan: (lineId: string) => Promise<void>;
}

export type RouteService = ReturnType<typeof createRouteService>;

export function createRouteService({
  db,
  routes,
  planner,
  findLine,
  keepPreparation,
  setPreparation,
  setLineState,
  askForPlan,
}: Needs) {
  async function latest(lineId: string): Promise<RouteVersion> {
    const version = await routes.latest(lineId);
    if (version) return version;
    const { line } = await findLine(lineId);
    throw new DomainError(
      'not-found',
      `${line.code} has no route yet${line.planProblem ? `: ${line.planProblem}` : line.artwork ? ': it is being planned.' : ': it has no artwork.'}`,
    );
  }

  /** Plans a line that is new or changed; what stands in the way becomes the line's own words. */
  async function planInBackground(lineId: string): Promise<void> {
    const { line, isCancelled } = await findLine(lineId);
    if (line.state !== 'planning' || isCancelled) return;
    try {
      const former = await routes.latest(lineId);
      const planned = await planner.plan(line, former?.overrides ?? [], 'drop-lost');
      await db.transaction(async (tx) => {
        if (!former || !isSame(former, planned)) await routes.insert(planned, tx);
        await setLineState(lineId, 'ready', null, tx);
      });
    } catch (error) {
      const problem = asRefusal(error);
      if (!problem) throw error;
      await setLineState(lineId, 'failed', problem.message, db);
    }
  }

  /** Plans a new version with a person's own values, and keeps it. */
  async function replan(lineId: string, { overrides, basedOn }: RoutePlanInput): Promise<RouteVersion> {
    const { line } = await findLine(lineId);
    const former = await latest(lineId);
    refuseStale(line, former, basedOn);
    refuseRun(line);
    const planned = await planner.plan(line, overrides, 'refuse-lost');
    if (!isSame(former, planned)) await db.transaction((tx) => routes.insert(planned, tx));
    return latest(lineId);
  }

  /** Has a line printed from other steps, white or width: planned first, so that what cannot be planned changes nothing. */
  async function prepare(lineId: string, input: PreparationInput): Promise<RouteVersion> {
    const { line } = await findLine(lineId);
    if (!line.artwork) throw new DomainError('not-now', `${line.code} has no artwork to make ready.`);
    const artworkId = line.artwork.id;
    const former = await routes.latest(lineId);
    refuseStale(line, former, input.basedOn);
    refuseRun(line);
    const { steps, white, widthMm, overrides } = input;
    const made = { id: '', artworkId, number: 0, steps, white, byName: input.by, createdAt: '' };
    const planned = await planner.plan({ ...line, widthMm, preparation: made }, overrides, 'refuse-lost');
    const isUntouched = steps.length === 0 && Object.keys(white).length === 0;
    await db.transaction(async (tx) => {
      const preparationId = isUntouched ? null : await keepPreparation(artworkId, input, tx);
      await setPreparation(lineId, preparationId, widthMm, tx);
      if (!former || !isSame(former, planned)) await routes.insert(planned, tx);
      await setLineState(lineId, 'ready', null, tx);
    });
    return latest(lineId);
  }

  /** Plans every route anew that is not on the floor yet, and says what came out differently and where. */
  async function replanDrafts(): Promise<ReplanReport> {
    const replanned: Replanned[] = [];
    let unchanged = 0;
    const drafts = await routes.draftLines();
    for (const lineId of drafts.slice(0, AT_ONCE)) {
      const change = await replanDraft(lineId);
      if (change) replanned.push(change);
      else unchanged++;
    }
    const later = drafts.slice(AT_ONCE);
    for (const lineId of later) {
      await setLineState(lineId, 'planning', null, db);
      await askForPlan(lineId);
    }
    return { replanned, unchanged, queued: later.length };
  }

  async function replanDraft(lineId: string): Promise<Replanned | null> {
    const { line, customer } = await findLine(lineId);
    const about = { lineId, code: line.code, customer };
    const former = await routes.latest(lineId);
    try {
      const planned = await planner.plan(line, former?.overrides ?? [], 'drop-lost');
      if (former && isSame(former, planned) && line.state === 'ready') return null;
      await db.transaction(async (tx) => {
        if (!former || !isSame(former, planned)) await routes.insert(planned, tx);
        await setLineState(lineId, 'ready', null, tx);
      });
      const { number } = await latest(lineId);
      const differences = former
        ? [...compareRoutes(former.route, planned.route), ...costs(former, planned)]
        : [];
      return { ...about, problem: null, number, differences };
    } catch (error) {
      const problem = asRefusal(error);
      if (!problem) throw error;
      if (line.state === 'failed' && line.planProblem === problem.message) return null;
      await setLineState(lineId, 'failed', problem.message, db);
      return { ...about, problem: problem.message, number: null, differences: [] };
    }
  }

  async function lineJob(lineId: string): Promise<{ line: OrderLine; artworkId: string; job: ArtJob }> {
    const { line } = await findLine(lineId);
    if (!line.artwork) throw new DomainError('not-found', `${line.code} has no artwork.`);
    const overrides = (await routes.latest(lineId))?.overrides ?? [];
    const { artworkId, job } = await planner.artJob(asPlanned(line), overrides);
    return { line, artworkId, job };
  }

  async function lineFigures(lineId: string): Promise<ArtFigures> {
    const { artworkId, job } = await lineJob(lineId);
    return planner.measured(artworkId, job);
  }

  /** All that a line's newest route is planned from: the same for browser, script and server. */
  async function lineDocument(lineId: string): Promise<LineDocument> {
    const { line } = await findLine(lineId);
    return planner.document(asPlanned(line), (await routes.latest(lineId))?.overrides ?? []);
  }

  /** Lines of the same process that were run, to copy from; those of the same garment first. */
  async function provenLines(lineId: string): Promise<ProvenLine[]> {
    const { line } = await findLine(lineId);
    const proven = await routes.provenLines(line.process, lineId);
    const isSameStyle = ({ styleId }: ProvenLine): number => (styleId === line.styleId ? 0 : 1);
    return proven.sort((p, q) => isSameStyle(p) - isSameStyle(q));
  }

  return {
    latest,
    provenLines,
    versions: routes.versions,
    planInBackground,
    replan,
    prepare,
    replanDrafts,
    lineJob,
    lineFigures,
    lineDocument,
  };
}

/** Cost per piece, where it moved by a cent or more. */
function costs({ cost: before }: RouteVersion, { cost: after }: NewRouteVersion): Replanned['differences'] {
  return Math.abs(before.totalCents - after.totalCents) < 1
    ? []
    : [
        {
          operation: 'Cost',
          what: 'per piece',
          before: formatMoney(before.totalCents),
          after: formatMoney(after.totalCents),
        },
      ];
}

function refuseStale(line: OrderLine, former: RouteVersion | undefined, basedOn: number | null): void {
  if ((former?.number ?? null) === basedOn) return;
  throw new DomainError(
    'stale-version',
    `${line.code} has had version ${former?.number ?? 1} meanwhile. Look at it, then change it again.`,
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

function isSame(former: RouteVersion, planned: NewRouteVersion): boolean {
  const canonical = ({ route, cost, overrides, pieces }: NewRouteVersion): string =>
    JSON.stringify(sorted([route, cost, overrides, pieces]));
  return canonical(former) === canonical(planned);
}

/** The database keeps no field order, so compare with fields sorted. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([p], [q]) => (p < q ? -1 : 1))
      .map(([key, inner]) => [key, sorted(inner)]),
  );
}
