import { DomainError, equipmentOf, garmentOf } from '@saltflat/contract';
import type {
  Catalogue,
  OrderLine,
  PreparationInput,
  RoutePlanInput,
  RouteVersion,
  SettingOverride,
} from '@saltflat/contract';
import type { ArtFigures, ArtJob } from '@saltflat/core/artwork';
import { priceRoute } from '@saltflat/core/cost';
import { DEFAULT_HOUSE, artJobFor, planRoute, printNeedsOf } from '@saltflat/core/route';
import type { RouteInput } from '@saltflat/core/route';
import type { Database } from '../../db/connection.ts';
import type { NewRouteVersion, RouteStore } from './routeStore.ts';

interface Needs {
  db: Database;
  routes: RouteStore;
  readCatalogue: () => Promise<Catalogue>;
  findLine: (lineId: string) => Promise<{ line: OrderLine; isCancelled: boolean }>;
  figures: (artworkId: string, job: ArtJob) => Promise<ArtFigures>;
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
}

export type RouteService = ReturnType<typeof createRouteService>;

export function createRouteService({
  db,
  routes,
  readCatalogue,
  findLine,
  figures,
  keepPreparation,
  setPreparation,
  setLineState,
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
      const planned = await plan(line, former?.overrides ?? [], 'drop-lost');
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
    const planned = await plan(line, overrides, 'refuse-lost');
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
    const planned = await plan({ ...line, widthMm, preparation: made }, overrides, 'refuse-lost');
    const isUntouched = steps.length === 0 && Object.keys(white).length === 0;
    await db.transaction(async (tx) => {
      const preparationId = isUntouched ? null : await keepPreparation(artworkId, input, tx);
      await setPreparation(lineId, preparationId, widthMm, tx);
      if (!former || !isSame(former, planned)) await routes.insert(planned, tx);
      await setLineState(lineId, 'ready', null, tx);
    });
    return latest(lineId);
  }

  async function plan(
    line: OrderLine,
    overrides: readonly SettingOverride[],
    lost: 'drop-lost' | 'refuse-lost',
  ): Promise<NewRouteVersion> {
    if (line.artwork === null) throw new DomainError('not-now', `${line.code} has no artwork.`);
    const catalogue = await readCatalogue();
    const style = catalogue.styles.find(({ id }) => id === line.styleId);
    if (!style)
      throw new DomainError(
        'not-found',
        `The garment “${line.styleName}” is not in the shop’s list any more.`,
      );
    const equipment = equipmentOf(catalogue);
    const garment = garmentOf(style, line.colour);
    const job = artJobFor(
      { ...sizeAndSteps(line), garment, inkSet: equipment.inkSets[line.process], powder: equipment.powder },
      overrides,
    );
    const print = printNeedsOf(await measured(line.artwork.id, job));
    if (print.inkMm2 === 0)
      throw new DomainError('not-now', `“${line.artwork.name}” is empty: there is nothing to print.`);
    const bare: RouteInput = {
      process: line.process,
      garment,
      print,
      pieces: line.pieces,
      equipment,
      house: DEFAULT_HOUSE,
      overrides: [],
    };
    const kept = lost === 'refuse-lost' ? overrides : keepKnown(bare, overrides);
    const route = refusing(() => planRoute({ ...bare, overrides: kept }));
    return {
      lineId: line.id,
      route,
      cost: priceRoute(route, meanBlankCents(line, style.sizes), line.pieces),
      overrides: [...kept],
      pieces: line.pieces,
    };
  }

  async function measured(artworkId: string, job: ArtJob): Promise<ArtFigures> {
    try {
      return await figures(artworkId, job);
    } catch (error) {
      throw asRefusal(error) ?? error;
    }
  }

  /** How a line's artwork is to be judged and printed: at its size, on its garment, with its steps. */
  async function lineJob(lineId: string): Promise<{ line: OrderLine; artworkId: string; job: ArtJob }> {
    const { line } = await findLine(lineId);
    if (!line.artwork) throw new DomainError('not-found', `${line.code} has no artwork.`);
    const catalogue = await readCatalogue();
    const style = catalogue.styles.find(({ id }) => id === line.styleId);
    if (!style)
      throw new DomainError(
        'not-found',
        `The garment “${line.styleName}” is not in the shop’s list any more.`,
      );
    const { inkSets, powder } = equipmentOf(catalogue);
    const overrides = (await routes.latest(lineId))?.overrides ?? [];
    const job = artJobFor(
      {
        ...sizeAndSteps(line),
        garment: garmentOf(style, line.colour),
        inkSet: inkSets[line.process],
        powder,
      },
      overrides,
    );
    return { line, artworkId: line.artwork.id, job };
  }

  async function lineFigures(lineId: string): Promise<ArtFigures> {
    const { artworkId, job } = await lineJob(lineId);
    return measured(artworkId, job);
  }

  return { latest, versions: routes.versions, planInBackground, replan, prepare, lineJob, lineFigures };
}

const sizeAndSteps = ({ process, widthMm, preparation }: OrderLine) => ({ process, widthMm, preparation });

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

/** Overrides that still name an operation and setting of this route; a process change loses the others. */
function keepKnown(bare: RouteInput, overrides: readonly SettingOverride[]): SettingOverride[] {
  const { operations } = planRoute(bare);
  return overrides.filter(({ operation, setting }) =>
    operations.some(({ id, settings }) => id === operation && settings.some(({ key }) => key === setting)),
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

function meanBlankCents(
  { sizes, pieces }: OrderLine,
  prices: readonly { size: string; cents: number }[],
): number {
  const total = sizes.reduce(
    (sum, { size, quantity }) => sum + quantity * (prices.find((price) => price.size === size)?.cents ?? 0),
    0,
  );
  return total / pieces;
}

/** core refuses with RangeErrors that are written for people: pass them on as refusals. */
function refusing<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    throw asRefusal(error) ?? error;
  }
}

function asRefusal(error: unknown): DomainError | null {
  if (error instanceof DomainError) return error.code === 'database-away' ? null : error;
  return error instanceof RangeError
    ? new DomainError(
        'invalid-input',
        error.message,
        { fields: [{ path: '/overrides', message: error.message }] },
        { cause: error },
      )
    : null;
}
