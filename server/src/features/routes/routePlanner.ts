import { DomainError, equipmentOf, garmentOf, patchOf, ratesOf, routeInputOf } from '@saltflat/contract';
import type { Catalogue, GarmentStyle, LineDocument, OrderLine, SettingOverride } from '@saltflat/contract';
import type { ArtFigures, ArtJob } from '@saltflat/core/artwork';
import { priceRoute } from '@saltflat/core/cost';
import type { Rates } from '@saltflat/core/cost';
import { artJobFor, planRoute, printNeedsOf } from '@saltflat/core/route';
import type { PrintNeeds, Process, RouteInput } from '@saltflat/core/route';
import type { NewRouteVersion } from './routeStore.ts';

export interface PlannerNeeds {
  readCatalogue: () => Promise<Catalogue>;
  figures: (artworkId: string, job: ArtJob) => Promise<ArtFigures>;
  /** Pieces inspected by process, and how many of them were made again or lost. */
  spoilage: (process: Process) => Promise<{ inspected: number; spoiled: number }>;
}

/** The part of a line that a plan is made from; an order that is only being written has no more. */
export type PlannedLine = Pick<
  OrderLine,
  | 'code'
  | 'styleId'
  | 'placement'
  | 'dropMm'
  | 'widthMm'
  | 'process'
  | 'sizes'
  | 'grades'
  | 'house'
  | 'preparation'
> & {
  colourId: string;
  styleName: string;
  artwork: { id: string; name: string } | null;
};

export const asPlanned = (line: OrderLine): PlannedLine => ({ ...line, colourId: line.colour.id });

const ENOUGH_INSPECTED = 30; // fewer pieces say too little about a share of a few per cent

export type RoutePlanner = ReturnType<typeof createRoutePlanner>;

/** Turns a line and the shop's set-up into the one document a route is planned from, and plans it. */
export function createRoutePlanner({ readCatalogue, figures, spoilage }: PlannerNeeds) {
  /** How a line's artwork is to be judged and printed: at its size, on its garment, with its steps. */
  async function artJob(
    line: PlannedLine,
    overrides: readonly SettingOverride[],
  ): Promise<{ artworkId: string; job: ArtJob; catalogue: Catalogue; style: GarmentStyle }> {
    if (line.artwork === null) throw new DomainError('not-now', `${line.code} has no artwork.`);
    const catalogue = await readCatalogue();
    const style = styleOf(catalogue, line);
    const { process, widthMm, preparation } = line;
    const garment = garmentOf(style, colourOf(style, line));
    const job = artJobFor(
      { process, widthMm, preparation, garment, equipment: equipmentOf(catalogue) },
      overrides,
    );
    return { artworkId: line.artwork.id, job, catalogue, style };
  }

  async function measured(artworkId: string, job: ArtJob): Promise<ArtFigures> {
    try {
      return await figures(artworkId, job);
    } catch (error) {
      throw asRefusal(error) ?? error;
    }
  }

  /** All that the line's route is planned from. */
  async function document(line: PlannedLine, overrides: readonly SettingOverride[]): Promise<LineDocument> {
    const { artworkId, job, catalogue, style } = await artJob(line, overrides);
    const print = printNeedsOf(await measured(artworkId, job));
    if (print.inkMm2 === 0)
      throw new DomainError('not-now', `“${line.artwork?.name}” is empty: there is nothing to print.`);
    const rates = await ratesFor(catalogue, line.process);
    return documentOf({ line, catalogue, style, print, rates, overrides });
  }

  /** The shop's rates, with spoilage as this shop measured it once enough pieces were inspected. */
  async function ratesFor({ rates }: Catalogue, process: Process): Promise<Rates> {
    const { inspected, spoiled } = await spoilage(process);
    return inspected >= ENOUGH_INSPECTED
      ? { ...rates.document, spoilageShare: spoiled / inspected, spoilageFrom: 'measured' }
      : rates.document;
  }

  async function plan(
    line: OrderLine,
    overrides: readonly SettingOverride[],
    lost: 'drop-lost' | 'refuse-lost',
  ): Promise<NewRouteVersion> {
    const whole = await document(asPlanned(line), overrides);
    const bare = { ...routeInputOf(whole), overrides: [] };
    const kept = lost === 'refuse-lost' ? [...overrides] : refusing(() => keepKnown(bare, overrides));
    const route = refusing(() => planRoute({ ...bare, overrides: kept }));
    return {
      lineId: line.id,
      route,
      cost: priceRoute(route, whole.blankCents, line.pieces, ratesOf(whole)),
      overrides: kept,
      pieces: line.pieces,
    };
  }

  return { artJob, measured, document, ratesFor, plan };
}

const styleOf = ({ styles }: Catalogue, { styleId, styleName }: PlannedLine): GarmentStyle => {
  const style = styles.find(({ id }) => id === styleId);
  if (style) return style;
  throw new DomainError('not-found', `The garment “${styleName}” is not in the shop’s list any more.`);
};

const colourOf = (style: GarmentStyle, { colourId }: PlannedLine): GarmentStyle['colours'][number] => {
  const colour = style.colours.find(({ id }) => id === colourId);
  if (colour) return colour;
  throw new DomainError('not-found', `“${style.name}” does not come in that colour any more.`);
};

export function documentOf({
  line,
  catalogue,
  style,
  print,
  rates,
  overrides,
}: {
  line: PlannedLine;
  catalogue: Catalogue;
  style: GarmentStyle;
  print: PrintNeeds;
  rates: Rates;
  overrides: readonly SettingOverride[];
}): LineDocument {
  const sizes = line.sizes.map(({ size, quantity }) => {
    const chart = style.sizes.find((own) => own.size === size);
    return {
      size,
      quantity,
      bodyWidthMm: chart?.bodyWidthMm ?? null,
      collarDropMm: chart?.collarDropMm ?? null,
      cents: chart?.cents ?? 0,
    };
  });
  const pieces = sizes.reduce((sum, { quantity }) => sum + quantity, 0);
  return {
    process: line.process,
    pieces,
    blankCents: sizes.reduce((sum, { quantity, cents }) => sum + quantity * cents, 0) / pieces,
    garment: { ...garmentOf(style, colourOf(style, line)), features: [...style.features] },
    print,
    placement: {
      key: line.placement,
      dropMm: line.dropMm,
      sizes: sizes.map(({ cents: _cents, ...size }) => size),
      areas: style.areas,
      grades: line.grades,
    },
    materials: catalogue.materials,
    machines: catalogue.machines,
    patch: patchDocument(catalogue),
    house: { ...catalogue.house.document, ...line.house },
    rates,
    overrides: [...overrides],
  };
}

function patchDocument({ styles }: Catalogue): NonNullable<LineDocument['patch']> | null {
  const patch = patchOf(styles);
  return patch && { ...patch, blank: { ...patch.blank, features: [...patch.blank.features] } };
}

/** Overrides that still name an operation and setting of this route; a process change loses the others. */
function keepKnown(bare: RouteInput, overrides: readonly SettingOverride[]): SettingOverride[] {
  const { operations } = planRoute(bare);
  return overrides.filter(({ operation, setting }) =>
    operations.some(({ id, settings }) => id === operation && settings.some(({ key }) => key === setting)),
  );
}

/** core refuses with RangeErrors that are written for people: pass them on as refusals. */
export function refusing<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    throw asRefusal(error) ?? error;
  }
}

/** `null` where it is a fault rather than a refusal. */
export function asRefusal(error: unknown): DomainError | null {
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
