import { DomainError, equipmentOf, garmentOf, patchOf, routeInputOf } from '@saltflat/contract';
import type {
  Catalogue,
  FieldProblem,
  GarmentStyle,
  LineDocument,
  OrderLine,
  PlanInput,
  SettingOverride,
} from '@saltflat/contract';
import { ANALYSIS_VERSION } from '@saltflat/core/artwork';
import type { ArtFigures, ArtJob } from '@saltflat/core/artwork';
import { priceRoute } from '@saltflat/core/cost';
import type { Rates } from '@saltflat/core/cost';
import { PLANNER_VERSION, artJobFor, planRoute, printNeedsOf } from '@saltflat/core/route';
import type { PrintNeeds, Process, Refusal, Route, RouteInput } from '@saltflat/core/route';
import type { NewRouteVersion } from './routeStore.ts';
import type { Spoilage } from './spoilageReads.ts';

export interface PlannerNeeds {
  readCatalogue: () => Promise<Catalogue>;
  figures: (artworkId: string, job: ArtJob) => Promise<ArtFigures>;
  spoilage: (process: Process) => Promise<Spoilage>;
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

/** A line's document, and how its art was measured for it. */
export interface Drawn {
  document: LineDocument;
  art: PlanInput['art'];
}

/** Turns a line and the shop's set-up into the one document a route is planned from, and plans it. */
export class RoutePlanner {
  constructor(private readonly needs: PlannerNeeds) {}

  /** How a line's artwork is to be judged and printed: at its size, on its garment, with its steps. */
  async artOf(line: PlannedLine, overrides: readonly SettingOverride[]): Promise<PlanInput['art']> {
    if (line.artwork === null) throw new DomainError('not-now', `${line.code} has no artwork.`);
    const catalogue = await this.needs.readCatalogue();
    const style = styleOf(catalogue, line);
    const { process, widthMm, preparation } = line;
    const garment = garmentOf(style, colourOf(style, line));
    const job = artJobFor(
      { process, widthMm, preparation, garment, equipment: equipmentOf(catalogue) },
      overrides,
    );
    return { artworkId: line.artwork.id, analysis: ANALYSIS_VERSION, job };
  }

  measured(artworkId: string, job: ArtJob): Promise<ArtFigures> {
    return this.needs.figures(artworkId, job);
  }

  /** All that the line's route is planned from. */
  async draw(line: PlannedLine, overrides: readonly SettingOverride[]): Promise<Drawn> {
    const art = await this.artOf(line, overrides);
    const print = printNeedsOf(await this.measured(art.artworkId, art.job));
    if (print.inkMm2 === 0)
      throw new DomainError('not-now', `“${line.artwork?.name ?? ''}” is empty: there is nothing to print.`);
    const catalogue = await this.needs.readCatalogue();
    const rates = await this.ratesFor(catalogue, line.process);
    const style = styleOf(catalogue, line);
    return { document: documentOf({ line, catalogue, style, print, rates, overrides }), art };
  }

  /** The shop's rates, with spoilage as this shop measured it once enough pieces were inspected. */
  async ratesFor({ rates }: Catalogue, process: Process): Promise<Rates> {
    const { inspected, spoiled } = await this.needs.spoilage(process);
    return inspected >= ENOUGH_INSPECTED
      ? { ...rates.document, spoilageShare: spoiled / inspected, spoilageFrom: 'measured' }
      : rates.document;
  }

  /**
   * Plans a line.
   *
   * @param lost what becomes of own values that this route has no setting for: a process change loses them; a person who
   *   names one is told
   * @throws DomainError with every reason why it cannot be planned
   */
  async plan(
    line: OrderLine,
    overrides: readonly SettingOverride[],
    lost: 'drop-lost' | 'refuse-lost',
  ): Promise<NewRouteVersion> {
    const drawn = await this.draw(asPlanned(line), overrides);
    const input = routeInputOf(drawn.document);
    const kept = lost === 'refuse-lost' ? [...overrides] : known(input);
    const document: LineDocument = { ...drawn.document, overrides: kept };
    const route = routeOrRefuse({ ...input, overrides: kept });
    return {
      lineId: line.id,
      route,
      cost: priceRoute(route, document.blankCents, line.pieces, document.rates),
      overrides: kept,
      pieces: line.pieces,
      document,
      planner: PLANNER_VERSION,
      art: drawn.art,
    };
  }
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

interface DocumentParts {
  line: PlannedLine;
  catalogue: Catalogue;
  style: GarmentStyle;
  print: PrintNeeds;
  rates: Rates;
  overrides: readonly SettingOverride[];
}

export function documentOf({ line, catalogue, style, print, rates, overrides }: DocumentParts): LineDocument {
  const sizes = line.sizes.map(({ size, quantity }) => {
    const chart = style.sizes.find((own) => own.size === size);
    const { bodyWidthMm = null, collarDropMm = null, cents = 0 } = chart ?? {};
    return { size, quantity, bodyWidthMm, collarDropMm, cents };
  });
  const pieces = sizes.reduce((sum, { quantity }) => sum + quantity, 0);
  return {
    format: 3,
    process: line.process,
    pieces,
    blankCents: sizes.reduce((sum, { quantity, cents }) => sum + quantity * cents, 0) / pieces,
    garment: { ...garmentOf(style, colourOf(style, line)), features: [...style.features] },
    print,
    placement: { key: line.placement, dropMm: line.dropMm, sizes, areas: style.areas, grades: line.grades },
    materials: catalogue.materials,
    machines: catalogue.machines,
    patch: patchDocument(catalogue),
    house: { ...catalogue.house.document, ...line.house },
    rates,
    overrides: [...overrides],
  };
}

function patchDocument({ styles }: Catalogue): LineDocument['patch'] {
  const patch = patchOf(styles);
  return patch && { ...patch, blank: { ...patch.blank, features: [...patch.blank.features] } };
}

/** Own values that still name an operation and setting of this route and can be set. */
function known(input: RouteInput): SettingOverride[] {
  const planned = planRoute(input);
  if (planned.ok) return [...input.overrides];
  const lost = planned.refusals.flatMap(({ override }) => (override === null ? [] : [override]));
  return input.overrides.filter(
    (own) => !lost.some(({ operation, setting }) => operation === own.operation && setting === own.setting),
  );
}

function routeOrRefuse(input: RouteInput): Route {
  const planned = planRoute(input);
  if (planned.ok) return planned.route;
  throw refused(planned.refusals, input.overrides);
}

/** The core's refusals as the API says them: the sentences, and the fields of own values that are refused. */
export function refused(
  refusals: readonly Refusal[],
  overrides: readonly SettingOverride[] = [],
): DomainError {
  const fields = refusals.flatMap(({ override, text }): FieldProblem[] => {
    if (override === null) return [];
    const place = overrides.findIndex(
      ({ operation, setting }) => operation === override.operation && setting === override.setting,
    );
    return [{ path: `/overrides/${place}/value`, message: text }];
  });
  const text = refusals.map((own) => own.text).join(' ');
  return new DomainError(
    fields.length > 0 ? 'invalid-input' : 'not-now',
    text,
    fields.length > 0 ? { fields } : {},
  );
}
