import { DomainError } from '@saltflat/contract';
import type { LaydownFit, LinePrint, OrderLine, WeighingInput } from '@saltflat/contract';
import type { ArtFigures } from '@saltflat/core/artwork';
import { PRINTS_WITH, isFilmProcess } from '@saltflat/core/route';
import type { Tx } from '../../db/connection.ts';
import type { CatalogueStore } from './catalogueStore.ts';
import { laydownFits } from './weighedMaterials.ts';
import type { WeighingStore } from './weighingStore.ts';

interface Needs {
  weighings: WeighingStore;
  catalogue: CatalogueStore;
  findLine: (lineId: string) => Promise<{ line: OrderLine }>;
  printFigures: (lineId: string, print: string) => Promise<ArtFigures>;
  /** Writes, and has the routes not run yet follow what was learnt. */
  follow: <T>(write: (tx: Tx) => Promise<T>) => Promise<T>;
  now: () => number;
}

/** What prints weighed more after ink or powder was laid on, and what the shop's materials lay down by that. */
export class WeighingService {
  constructor(private readonly needs: Needs) {}

  async fits(): Promise<LaydownFit[]> {
    const { catalogue, weighings } = this.needs;
    const [{ materials }, all] = await Promise.all([catalogue.read(), weighings.all()]);
    return laydownFits(materials, all);
  }

  /** Keeps a weighing of a line's print, and says what that material lays down by now. */
  async weigh(lineId: string, input: WeighingInput): Promise<LaydownFit[]> {
    const { weighings, findLine, follow, now } = this.needs;
    const { line } = await findLine(lineId);
    const grams = input.afterG - input.beforeG;
    refuseNoGain(grams);
    const print = line.prints.find(({ id }) => id === input.print);
    if (!print) throw new DomainError('not-found', `${line.code} has no print ${input.print}.`);
    const material = await this.materialFor(line, print, input.of);
    const weighing = { ...(await this.areas(lineId, input)), grams };
    const how = { byName: input.by, at: new Date(now()) };
    await follow((tx) => weighings.insert({ materialId: material.id, lineId }, weighing, how, tx));
    return this.fits();
  }

  private async materialFor(
    line: OrderLine,
    { process }: LinePrint,
    what: WeighingInput['of'],
  ): Promise<{ id: string }> {
    if (what === 'powder' && !isFilmProcess(process))
      throw new DomainError('not-now', `${line.code} is not made on film here: no powder is laid on it.`);
    const { materials } = await this.needs.catalogue.read();
    const material = materials.find(
      ({ kind, properties }) =>
        kind === what && (kind === 'powder' || properties.use === PRINTS_WITH[process]?.ink),
    );
    if (!material) throw new DomainError('not-now', `The shop has no ${what} set up for ${line.code}.`);
    return material;
  }

  /** Areas of one print that colour, white and powder were laid on, m². */
  private async areas(
    lineId: string,
    { of: what, print }: WeighingInput,
  ): Promise<{ colourM2: number; whiteM2: number; baseM2: number }> {
    const { coverage, inkMm2, perimeterMm, laydown } = await this.needs.printFigures(lineId, print);
    const inkM2 = inkMm2 / 1e6;
    return what === 'ink'
      ? {
          colourM2: inkM2 * (coverage.c + coverage.m + coverage.y + coverage.k),
          whiteM2: inkM2 * (coverage.w + coverage.h),
          baseM2: 0,
        }
      : { colourM2: 0, whiteM2: 0, baseM2: inkM2 + (perimeterMm * laydown.powderRimMm) / 1e6 };
  }
}

function refuseNoGain(grams: number): void {
  if (grams > 0) return;
  const message = 'After must weigh more than before: were the two exchanged?';
  throw new DomainError('invalid-input', message, { fields: [{ path: '/afterG', message }] });
}
