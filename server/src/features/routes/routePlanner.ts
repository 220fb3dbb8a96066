import { DomainError, PLACEMENTS, equipmentOf, garmentOf, patchOf, routeInputOf } from '@saltflat/contract';
import type {
  KnownPresses,
  Catalogue,
  FieldProblem,
  GarmentStyle,
  LineDocument,
  LinePrint,
  OrderLine,
  PrintArt,
  SettingOverride,
  SourceChoice,
} from '@saltflat/contract';
import { ANALYSIS_VERSION } from '@saltflat/core/artwork';
import type { ArtFigures, ArtJob, Finding } from '@saltflat/core/artwork';
import { priceRoute } from '@saltflat/core/cost';
import type { Rates } from '@saltflat/core/cost';
import {
  PLANNER_VERSION,
  artJobFor,
  leadDaysOf,
  lostSources,
  planRoute,
  printNeedsOf,
  processKey,
  refusalText,
} from '@saltflat/core/route';
import { heatAdvice } from '@saltflat/core/heat';
import type { PlateSize } from '@saltflat/core/press';
import type { PrintNeeds, Refusal, Route, RouteInput } from '@saltflat/core/route';
import { withStock } from '@saltflat/core/shelf';
import { inWords } from '@saltflat/core/words';
import type { NewRouteVersion } from './routeStore.ts';
import type { Spoilage } from './spoilageReads.ts';

/** Told the share done, 0–1. */
type Told = (share: number) => void;

export interface PlannerNeeds {
  readCatalogue: () => Promise<Catalogue>;
  figures: (artworkId: string, job: ArtJob, onProgress?: Told) => Promise<ArtFigures>;
  /** Of pieces made by just these processes, by {@link processKey}. */
  spoilage: (processes: string) => Promise<Spoilage>;
  /** Transfers of each kind that are free or kept for a line, of kinds that are kept in packets. */
  shelfFor: (lineId: string) => Promise<Map<string, number>>;
  /** What was measured of each press, where such a print lies. */
  pressesUnder: (print: PlateSize) => Promise<KnownPresses>;
}

/** The part of a line that a plan is made from; an order that is only being written has no more. */
export type PlannedLine = Partial<Pick<OrderLine, 'id'>> &
  Pick<OrderLine, 'code' | 'styleId' | 'sizes' | 'house'> & {
    colourId: string;
    styleName: string;
    prints: PlannedPrint[];
  };

export type PlannedPrint = Pick<
  LinePrint,
  'id' | 'placement' | 'dropMm' | 'widthMm' | 'process' | 'grades' | 'preparation'
> & { artwork: { id: string; name: string } | null };

export const asPlanned = (line: OrderLine): PlannedLine => ({ ...line, colourId: line.colour.id });

const ENOUGH_INSPECTED = 30; // fewer pieces say too little about a share of a few per cent

/** A line's document, and how the art of its prints was measured for it. */
export interface Drawn {
  document: LineDocument;
  /** Its prints’ art, and what stands out in it. */
  art: (PrintArt & { findings: Finding[] })[];
}

/** What people want otherwise than the planner: values of settings, and things to work with. */
export interface OwnChoices {
  overrides: readonly SettingOverride[];
  sources: readonly SourceChoice[];
}

/** Turns a line and the shop's set-up into the one document a route is planned from, and plans it. */
export class RoutePlanner {
  constructor(private readonly needs: PlannerNeeds) {}

  /** How a print's artwork is to be judged and printed: at its size, on its garment, with its steps. */
  async artOf(
    line: PlannedLine,
    print: PlannedPrint,
    overrides: readonly SettingOverride[],
  ): Promise<PrintArt> {
    const { id, process, widthMm, preparation, artwork } = print;
    if (artwork === null) throw new DomainError('not-now', `${nameOf(line, print)} has no artwork.`);
    const catalogue = await this.needs.readCatalogue();
    const style = styleOf(catalogue, line);
    const garment = garmentOf(style, colourOf(style, line));
    const job = artJobFor(
      { id, process, widthMm, preparation, garment, equipment: equipmentOf(catalogue) },
      overrides,
    );
    return { print: id, artworkId: artwork.id, analysis: ANALYSIS_VERSION, job };
  }

  measured(artworkId: string, job: ArtJob, onProgress?: Told): Promise<ArtFigures> {
    return this.needs.figures(artworkId, job, onProgress);
  }

  /** All that the line's route is planned from. */
  async draw(
    line: PlannedLine,
    { overrides, sources }: OwnChoices,
    onProgress: Told = () => undefined,
  ): Promise<Drawn> {
    const tell = together(line.prints.length, onProgress);
    const drawn = await Promise.all(
      line.prints.map(async (print, i) => {
        const art = await this.artOf(line, print, overrides);
        const figures = await this.measured(art.artworkId, art.job, tell(i));
        const needs = printNeedsOf(figures);
        if (needs.inkMm2 === 0)
          throw new DomainError(
            'not-now',
            `“${print.artwork?.name ?? ''}” is empty: there is nothing to print.`,
          );
        return { art: { ...art, findings: figures.findings }, document: printDocument(print, needs) };
      }),
    );
    const catalogue = await this.catalogueFor(line);
    const rates = await this.ratesFor(catalogue, line.prints);
    const style = styleOf(catalogue, line);
    const prints = drawn.map(({ document }) => document);
    const presses = await this.needs.pressesUnder(largestOf(prints));
    return {
      document: documentOf({ line, catalogue, style, prints, rates, presses, overrides, sources }),
      art: drawn.map(({ art }) => art),
    };
  }

  /** The set-up as a line sees it: what is kept for it on the shelf is there for it. */
  private async catalogueFor({ id, prints }: PlannedLine): Promise<Catalogue> {
    const catalogue = await this.needs.readCatalogue();
    const isOffShelf = prints.some(({ process }) => process === 'shelf' || process === 'patch-cap');
    if (id === undefined || !isOffShelf) return catalogue;
    const materials = withStock(catalogue.materials, await this.needs.shelfFor(id));
    return { ...catalogue, materials };
  }

  /**
   * The shop's rates, with spoilage as this shop measured it once enough pieces were inspected: of pieces made by just
   * these processes, or by each of them alone. A piece is good where all its prints are.
   */
  async ratesFor({ rates }: Catalogue, prints: readonly Pick<PlannedPrint, 'process'>[]): Promise<Rates> {
    const { document } = rates;
    const together = await this.needs.spoilage(processKey(prints));
    if (together.inspected >= ENOUGH_INSPECTED)
      return { ...document, spoilageShare: shareOf(together), spoilageFrom: 'measured' };
    if (prints.length === 1) return document;
    const each = await Promise.all(prints.map((print) => this.needs.spoilage(processKey([print]))));
    const isMeasured = each.every(({ inspected }) => inspected >= ENOUGH_INSPECTED);
    const good = each.reduce(
      (share, own) =>
        share * (1 - (own.inspected >= ENOUGH_INSPECTED ? shareOf(own) : document.spoilageShare)),
      1,
    );
    return { ...document, spoilageShare: 1 - good, spoilageFrom: isMeasured ? 'measured' : 'assumed' };
  }

  /**
   * Plans a line that is on no order yet, as practice and the shop have it.
   *
   * @returns its route, and the days until what is bought in for it is here
   * @throws DomainError with every reason why it cannot be planned
   */
  async planWritten(line: PlannedLine): Promise<{ route: Route; leadDays: number }> {
    const { document } = await this.draw(line, { overrides: [], sources: [] });
    const input = routeInputOf(document);
    const planned = planRoute(input);
    if (!planned.ok) throw refused(planned.refusals);
    return { route: planned.route, leadDays: leadDaysOf(input) };
  }

  /**
   * Plans a line.
   *
   * @param lost what becomes of own values that this route has no setting for: a process change loses them; a person who
   *   names one is told
   * @param onProgress told the share of its art that is measured, where it is measured now
   * @throws DomainError with every reason why it cannot be planned
   */
  async plan(
    line: OrderLine,
    { overrides, sources }: OwnChoices,
    lost: 'drop-lost' | 'refuse-lost',
    onProgress?: Told,
  ): Promise<NewRouteVersion> {
    const drawn = await this.draw(asPlanned(line), { overrides, sources }, onProgress);
    const input = routeInputOf(drawn.document);
    const kept = lost === 'refuse-lost' ? { overrides: [...overrides], sources: [...sources] } : known(input);
    const document: LineDocument = { ...drawn.document, ...kept };
    const route = routeOrRefuse({ ...input, ...kept }, drawn.document.presses ?? {});
    return {
      lineId: line.id,
      route,
      cost: priceRoute(route, document.blankCents, line.pieces, document.rates),
      ...kept,
      pieces: line.pieces,
      document,
      planner: PLANNER_VERSION,
      art: drawn.art,
    };
  }
}

/** Several that tell how far they are, as one: their mean. What is known at once tells nothing. */
function together(count: number, onProgress: Told): (i: number) => Told {
  const shares = Array.from({ length: count }, () => 0);
  return (i) => (share) => {
    shares[i] = share;
    onProgress(shares.reduce((sum, own) => sum + own, 0) / count);
  };
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

const shareOf = ({ inspected, spoiled }: Spoilage): number => spoiled / inspected;

/** A print as messages name it: by the line alone where that has one. */
export const nameOf = (
  { code, prints }: { code: string; prints: readonly unknown[] },
  { placement }: Pick<LinePrint, 'placement'>,
): string => (prints.length === 1 ? code : `${code}, ${PLACEMENTS[placement].label.toLowerCase()},`);

/** The print that takes most of a plate. */
const largestOf = (prints: readonly PrintDocument[]): PlateSize =>
  prints
    .map(({ print }) => print)
    .reduce((most, own) => (own.widthMm * own.heightMm > most.widthMm * most.heightMm ? own : most));

type PrintDocument = LineDocument['prints'][number];

/** One print as a route is planned from it. */
export const printDocument = (
  { id, process, artwork, placement, dropMm, grades }: PlannedPrint,
  print: PrintNeeds,
): PrintDocument => ({
  id,
  process,
  artwork: artwork?.name ?? '',
  print,
  placement: { key: placement, dropMm, grades },
});

interface DocumentParts {
  line: PlannedLine;
  catalogue: Catalogue;
  style: GarmentStyle;
  prints: PrintDocument[];
  rates: Rates;
  presses: KnownPresses;
  overrides: readonly SettingOverride[];
  sources: readonly SourceChoice[];
}

export function documentOf({
  line,
  catalogue,
  style,
  prints,
  rates,
  presses,
  overrides,
  sources,
}: DocumentParts): LineDocument {
  const sizes = line.sizes.map(({ size, quantity }) => {
    const chart = style.sizes.find((own) => own.size === size);
    const { bodyWidthMm = null, collarDropMm = null, cents = 0 } = chart ?? {};
    return { size, quantity, bodyWidthMm, collarDropMm, cents };
  });
  const pieces = sizes.reduce((sum, { quantity }) => sum + quantity, 0);
  return {
    format: 7,
    pieces,
    blankCents: sizes.reduce((sum, { quantity, cents }) => sum + quantity * cents, 0) / pieces,
    garment: { ...garmentOf(style, colourOf(style, line)), features: [...style.features] },
    sizes,
    areas: style.areas,
    prints,
    materials: catalogue.materials,
    machines: catalogue.machines,
    presses,
    patch: patchDocument(catalogue),
    house: { ...catalogue.house.document, ...line.house },
    rates,
    overrides: [...overrides],
    sources: [...sources],
  };
}

function patchDocument({ styles }: Catalogue): LineDocument['patch'] {
  const patch = patchOf(styles);
  return patch && { ...patch, blank: { ...patch.blank, features: [...patch.blank.features] } };
}

/** Own values that still name an operation and setting of this route and can be set, and choices that are still there to be had. */
function known(input: RouteInput): { overrides: SettingOverride[]; sources: SourceChoice[] } {
  const lost = lostSources(input);
  const sources = input.sources.filter((own) => !lost.includes(own));
  const planned = planRoute({ ...input, sources });
  if (planned.ok) return { overrides: [...input.overrides], sources };
  const gone = planned.refusals.flatMap(({ override }) => (override === null ? [] : [override]));
  const overrides = input.overrides.filter(
    (own) => !gone.some(({ operation, setting }) => operation === own.operation && setting === own.setting),
  );
  return { overrides, sources };
}

function routeOrRefuse(input: RouteInput, presses: KnownPresses): Route {
  const planned = planRoute(input, heatAdvice({ presses }));
  if (planned.ok) return planned.route;
  throw refused(planned.refusals, input.overrides);
}

/** The core's refusals as the API says them: the sentences, and the fields of own values that are refused. */
export function refused(
  refusals: readonly Refusal[],
  overrides: readonly SettingOverride[] = [],
): DomainError {
  const fields = refusals.flatMap(({ override, said }): FieldProblem[] => {
    if (override === null) return [];
    const place = overrides.findIndex(
      ({ operation, setting }) => operation === override.operation && setting === override.setting,
    );
    return [{ path: `/overrides/${place}/value`, message: inWords(said) }];
  });
  const text = refusalText(refusals);
  return new DomainError(
    fields.length > 0 ? 'invalid-input' : 'not-now',
    text,
    fields.length > 0 ? { fields } : {},
  );
}
