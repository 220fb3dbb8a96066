import { DomainError, equipmentOf, garmentOf, patchOf } from '@saltflat/contract';
import type {
  Catalogue,
  ComparisonAnswer,
  ComparisonQuery,
  GarmentStyle,
  Preparation,
} from '@saltflat/contract';
import type { PrintProcess } from '@saltflat/core/artwork';
import { compareProcesses } from '@saltflat/core/compare';
import { PROCESSES, PROCESS_MODULES, artJobFor, needsWhite, printNeedsOf } from '@saltflat/core/route';
import type { PrintNeeds, Process } from '@saltflat/core/route';
import { documentOf } from './routePlanner.ts';
import type { PlannedLine, RoutePlanner } from './routePlanner.ts';

interface Needs {
  planner: RoutePlanner;
  readCatalogue: () => Promise<Catalogue>;
  preparations: (artworkId: string) => Promise<Preparation[]>;
  /** Machines that a run is on at this moment. */
  takenMachines: () => Promise<ComparisonAnswer['taken']>;
}

/** Compares the processes for a line that is being written. */
export class ComparisonService {
  constructor(private readonly needs: Needs) {}

  async compare(query: ComparisonQuery): Promise<ComparisonAnswer> {
    const catalogue = await this.needs.readCatalogue();
    const style = catalogue.styles.find(({ id }) => id === query.styleId);
    if (!style) throw unknown('styleId', 'That garment is not in the shop’s list: choose another.');
    if (!style.colours.some(({ id }) => id === query.colourId))
      throw unknown('colourId', `${style.name} does not come in that colour: choose another.`);
    const preparation = query.preparationId
      ? ((await this.needs.preparations(query.artworkId)).find(({ id }) => id === query.preparationId) ??
        null)
      : null;
    const line: PlannedLine = {
      ...query,
      code: 'This line',
      styleName: style.name,
      process: 'dtf',
      grades: query.grades ?? [],
      house: query.house ?? {},
      preparation,
      artwork: { id: query.artworkId, name: 'This artwork' },
    };
    const prints = await this.printsOf(line, catalogue, style);
    const anyPrint = prints.dtf;
    if (anyPrint === undefined || anyPrint.inkMm2 === 0)
      throw new DomainError('not-now', 'The artwork is empty: there is nothing to print.');
    const rates = await this.needs.planner.ratesFor(catalogue, line.process);
    const whole = documentOf({ line, catalogue, style, print: anyPrint, rates, overrides: [] });
    const comparison = compareProcesses({
      line: {
        garment: whole.garment,
        pieces: whole.pieces,
        placement: whole.placement,
        equipment: equipmentOf(catalogue, patchOf(catalogue.styles)),
        house: whole.house,
      },
      prints,
      blankCents: whole.blankCents,
      rates,
    });
    return { ...comparison, taken: await this.needs.takenMachines() };
  }

  /** The print's figures as each process would print it; measured once per kind of print. */
  private async printsOf(
    line: PlannedLine,
    catalogue: Catalogue,
    style: GarmentStyle,
  ): Promise<Partial<Record<PrintProcess, PrintNeeds>>> {
    const colour = style.colours.find(({ id }) => id === line.colourId);
    if (!colour || !line.artwork) return {};
    const garment = garmentOf(style, colour);
    const equipment = equipmentOf(catalogue);
    const { id: artworkId } = line.artwork;
    const kinds = new Map<PrintProcess, Process>(
      PROCESSES.map((process) => [PROCESS_MODULES[process].artProcess(garment), process]),
    );
    if (needsWhite(garment)) kinds.delete('sub'); // refused there anyway, for want of white
    const measured = await Promise.all(
      [...kinds].map(async ([kind, process]) => {
        const job = artJobFor({ ...line, process, garment, equipment });
        return [kind, printNeedsOf(await this.needs.planner.measured(artworkId, job))] as const;
      }),
    );
    const prints: Partial<Record<PrintProcess, PrintNeeds>> = Object.fromEntries(measured);
    return (prints.sub ?? prints.dtf) ? { ...prints, sub: prints.sub ?? prints.dtf } : prints;
  }
}

const unknown = (field: string, message: string): DomainError =>
  new DomainError('invalid-input', message, { fields: [{ path: `/${field}`, message }] });
