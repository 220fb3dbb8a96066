import { DomainError } from '@saltflat/contract';
import type { Catalogue, GarmentStyle, Preparation, WrittenLine } from '@saltflat/contract';
import type { Route } from '@saltflat/core/route';
import type { PlannedLine, PlannedPrint, RoutePlanner } from './routePlanner.ts';

interface Needs {
  planner: RoutePlanner;
  readCatalogue: () => Promise<Catalogue>;
  preparations: (artworkId: string) => Promise<Preparation[]>;
  artworkName: (artworkId: string) => Promise<string>;
}

interface Garment {
  style: GarmentStyle;
  colour: GarmentStyle['colours'][number];
}

/** Lines that are being written and are on no order yet. */
export class WrittenLines {
  constructor(private readonly needs: Needs) {}

  /** The line as it is planned from. */
  async line(written: WrittenLine): Promise<{ line: PlannedLine } & Garment> {
    const garment = garmentIn(await this.needs.readCatalogue(), written);
    const line = {
      ...written,
      code: 'This line',
      styleName: garment.style.name,
      house: written.house ?? {},
      prints: await Promise.all(written.prints.map((own) => this.print(own))),
    };
    return { line, ...garment };
  }

  /**
   * The route it would get, and the days until what is bought in for it is here.
   *
   * @throws DomainError with every reason why it cannot be planned
   */
  async plan(written: WrittenLine): Promise<{ route: Route; leadDays: number } & Garment> {
    const { line, ...garment } = await this.line(written);
    return { ...(await this.needs.planner.planWritten(line)), ...garment };
  }

  /** How an artwork is made ready; `null` for the file as it came. */
  async preparation(artworkId: string, id: string | null): Promise<Preparation | null> {
    const all = id === null ? [] : await this.needs.preparations(artworkId);
    return all.find((own) => own.id === id) ?? null;
  }

  private async print({
    artworkId,
    preparationId = null,
    grades = [],
    ...own
  }: WrittenLine['prints'][number]): Promise<PlannedPrint> {
    return {
      ...own,
      grades,
      preparation: await this.preparation(artworkId, preparationId),
      artwork: { id: artworkId, name: await this.needs.artworkName(artworkId) },
    };
  }
}

/** The garment of a line that is being written, in one of its colours. */
export function garmentIn(
  { styles }: Catalogue,
  { styleId, colourId }: Pick<WrittenLine, 'styleId' | 'colourId'>,
): Garment {
  const style = styles.find(({ id }) => id === styleId);
  if (!style) throw unknown('styleId', 'That garment is not in the shop’s list: choose another.');
  const colour = style.colours.find(({ id }) => id === colourId);
  if (!colour) throw unknown('colourId', `${style.name} does not come in that colour: choose another.`);
  return { style, colour };
}

export const unknown = (field: string, message: string): DomainError =>
  new DomainError('invalid-input', message, { fields: [{ path: `/${field}`, message }] });
