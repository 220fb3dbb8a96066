import { DomainError, equipmentOf, garmentOf, patchOf, routeInputOf } from '@saltflat/contract';
import type {
  Catalogue,
  ComparisonAnswer,
  ComparisonQuery,
  Judgement,
  JudgementQuery,
  LineDocument,
} from '@saltflat/contract';
import type { ArtJob, PrintProcess } from '@saltflat/core/artwork';
import type { Garment } from '@saltflat/core/blank';
import type { Comparison, ComparisonInput } from '@saltflat/core/compare';
import { PROCESSES, PROCESS_MODULES, artJobFor, needsWhite, printNeedsOf } from '@saltflat/core/route';
import type { PrintNeeds, Process } from '@saltflat/core/route';
import { documentOf, printDocument } from './routePlanner.ts';
import type { PlannedLine, PlannedPrint, RoutePlanner } from './routePlanner.ts';
import { garmentIn, unknown } from './writtenLines.ts';
import type { WrittenLines } from './writtenLines.ts';

interface Needs {
  planner: RoutePlanner;
  /** Beside the thread that answers: it plans the line some dozens of times. */
  compareProcesses: (input: ComparisonInput) => Promise<Comparison>;
  readCatalogue: () => Promise<Catalogue>;
  written: WrittenLines;
  atFirstLook: (artworkId: string, job: ArtJob) => Promise<Judgement>;
  /** Machines that a run is on at this moment. */
  takenMachines: () => Promise<ComparisonAnswer['taken']>;
}

/** Compares the processes for a print of a line that is being written. */
export class ComparisonService {
  constructor(private readonly needs: Needs) {}

  async compare(query: ComparisonQuery): Promise<ComparisonAnswer> {
    const catalogue = await this.needs.readCatalogue();
    const { line, style, colour } = await this.needs.written.line(query);
    const print = line.prints.find(({ id }) => id === query.print);
    if (!print) throw unknown('print', `There is no print ${query.print} among those that are written.`);
    const figures = await this.figuresOf(print, catalogue, garmentOf(style, colour));
    const anyFigures = figures.dtf;
    if (anyFigures === undefined || anyFigures.inkMm2 === 0)
      throw new DomainError('not-now', 'The artwork is empty: there is nothing to print.');
    const others = await this.othersOf(line, print);
    const rates = await this.needs.planner.ratesFor(catalogue, line.prints);
    const prints = [...others, printDocument(print, anyFigures)];
    const whole = documentOf({
      line,
      catalogue,
      style,
      prints,
      rates,
      presses: {}, // no price or method goes by them
      overrides: [],
      sources: [],
    });
    const routeInput = routeInputOf(whole);
    const placement = routeInput.prints.find(({ id }) => id === print.id)?.placement;
    if (!placement) throw new Error('a print that was written is in its document');
    const comparison = await this.needs.compareProcesses({
      line: {
        garment: whole.garment,
        pieces: whole.pieces,
        placement,
        artwork: print.artwork?.name ?? '',
        equipment: equipmentOf(catalogue, patchOf(catalogue.styles)),
        house: whole.house,
      },
      id: print.id,
      others: routeInput.prints.filter(({ id }) => id !== print.id),
      prints: figures,
      blankCents: whole.blankCents,
      rates,
    });
    return { ...comparison, taken: await this.needs.takenMachines() };
  }

  /** What stands out in an artwork as a print of a line that is being written. */
  async judge({
    artworkId,
    preparationId = null,
    process,
    widthMm,
    isFirstLookEnough = false,
    ...query
  }: JudgementQuery): Promise<Judgement> {
    const catalogue = await this.needs.readCatalogue();
    const { style, colour } = garmentIn(catalogue, query);
    const preparation = await this.needs.written.preparation(artworkId, preparationId);
    const garment = garmentOf(style, colour);
    const job = artJobFor({
      id: '1',
      process,
      widthMm,
      preparation,
      garment,
      equipment: equipmentOf(catalogue),
    });
    if (isFirstLookEnough) return this.needs.atFirstLook(artworkId, job);
    const { findings } = await this.needs.planner.measured(artworkId, job);
    return { findings, isFirstLook: false };
  }

  /** The line's other prints as their own processes print them; what is empty is left out. */
  private async othersOf(line: PlannedLine, print: PlannedPrint): Promise<LineDocument['prints']> {
    const drawn = await Promise.all(
      line.prints
        .filter((own) => own !== print)
        .map(async (own) => {
          const { artworkId, job } = await this.needs.planner.artOf(line, own, []);
          return printDocument(own, printNeedsOf(await this.needs.planner.measured(artworkId, job)));
        }),
    );
    return drawn.filter((own) => own.print.inkMm2 > 0);
  }

  /** The print's figures as each process would print it; measured once per kind of print. */
  private async figuresOf(
    print: PlannedPrint,
    catalogue: Catalogue,
    garment: Garment,
  ): Promise<Partial<Record<PrintProcess, PrintNeeds>>> {
    if (!print.artwork) return {};
    const equipment = equipmentOf(catalogue);
    const { id: artworkId } = print.artwork;
    const kinds = new Map<PrintProcess, Process>(
      PROCESSES.map((process) => [PROCESS_MODULES[process].artProcess(garment), process]),
    );
    if (needsWhite(garment)) kinds.delete('sub'); // refused there anyway, for want of white
    const measured = await Promise.all(
      [...kinds].map(async ([kind, process]) => {
        const job = artJobFor({ ...print, process, garment, equipment });
        return [kind, printNeedsOf(await this.needs.planner.measured(artworkId, job))] as const;
      }),
    );
    const prints: Partial<Record<PrintProcess, PrintNeeds>> = Object.fromEntries(measured);
    return (prints.sub ?? prints.dtf) ? { ...prints, sub: prints.sub ?? prints.dtf } : prints;
  }
}
