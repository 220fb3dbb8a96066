import type { FilmPrinter, Machine, PrinterDrive, PrinterJobInput } from '@saltflat/contract';
import { plannedMode } from '@saltflat/core/work';
import { StandIns, operationToDo } from '../../standIns.ts';
import { isDirectStep, printWork } from './printWork.ts';
import type { PrintStep } from './printWork.ts';
import { SimulatedPrinter } from './simulatedPrinter.ts';

interface Needs {
  machines: () => Promise<readonly Machine[]>;
  /** A step of a run as it stands now. */
  stepOf: (runId: string, step: string) => Promise<PrintStep>;
  now: () => number;
}

/** Printers that film is sent to: a stand-in for each that is set up. What stands in them is each server’s own. */
export class PrinterService {
  private readonly standIns: StandIns<FilmPrinter, SimulatedPrinter>;
  /** Those that were at work when they were last looked at. */
  private readonly atWork = new Set<SimulatedPrinter>();
  private readonly timer: NodeJS.Timeout;

  constructor(private readonly needs: Needs) {
    this.standIns = new StandIns({
      ...needs,
      kind: 'printer',
      make: (machine) => standInFor(machine, needs.now()),
      unknown: 'There is no such printer in this shop.',
    });
    this.timer = setInterval(() => this.tellAtWork(), 1000);
    this.timer.unref();
  }

  list(): Promise<FilmPrinter[]> {
    return this.standIns.list();
  }

  /** Sends a step’s film, or the garment on its platen, to its printer. */
  async send(input: PrinterJobInput): Promise<FilmPrinter> {
    const own = await this.needs.stepOf(input.runId, input.step);
    const operation = operationToDo(own, 'print', {
      other: 'Only prints are sent to a printer, and this step is none.',
      done: 'This is printed already.',
    });
    const id = plannedMode(operation).machine?.id;
    return this.change(id ?? '', (printer, nowMs) =>
      printer.add(input, printWork(own, input.part), nowMs, isDirectStep(own)),
    );
  }

  cancel(machineId: string, jobId: string): Promise<FilmPrinter> {
    return this.change(machineId, (printer, nowMs) => printer.cancel(jobId, nowMs));
  }

  clear(machineId: string): Promise<FilmPrinter> {
    return this.change(machineId, (printer, nowMs) => printer.clear(nowMs));
  }

  drive(machineId: string, knobs: PrinterDrive): Promise<FilmPrinter> {
    return this.change(machineId, (printer, nowMs) => printer.turn(knobs, nowMs));
  }

  printPattern(machineId: string): Promise<FilmPrinter> {
    return this.change(machineId, (printer, nowMs) => printer.printPattern(nowMs));
  }

  clean(machineId: string): Promise<FilmPrinter> {
    return this.change(machineId, (printer, nowMs) => printer.clean(nowMs));
  }

  movePlaten(machineId: string, by: number): Promise<FilmPrinter> {
    return this.change(machineId, (printer, nowMs) => printer.movePlaten(by, nowMs));
  }

  subscribe(listener: (printer: FilmPrinter) => void): () => void {
    return this.standIns.subscribe(listener);
  }

  stop(): void {
    clearInterval(this.timer);
  }

  private change(
    machineId: string,
    act: (printer: SimulatedPrinter, nowMs: number) => void,
  ): Promise<FilmPrinter> {
    return this.standIns.change(machineId, (printer, nowMs) => {
      act(printer, nowMs);
      if (printer.isAtWork(nowMs)) this.atWork.add(printer);
    });
  }

  /** Those at work say so each second, and once more when they have ended. */
  private tellAtWork(): void {
    const nowMs = this.needs.now();
    if (!this.standIns.isHeard()) return;
    for (const printer of this.standIns.all()) {
      const isAtWork = printer.isAtWork(nowMs);
      if (isAtWork || this.atWork.has(printer)) this.standIns.tell(printer.read(nowMs));
      if (isAtWork) this.atWork.add(printer);
      else this.atWork.delete(printer);
    }
  }
}

function standInFor({ id: machineId, name, properties }: Machine, nowMs: number): SimulatedPrinter {
  const whiteJobs = properties.whiteJobs === 'two' ? 'two' : 'one';
  const hasPlaten = Array.isArray(properties.platens) && properties.platens.length > 0;
  return new SimulatedPrinter({ machineId, name, whiteJobs, hasPlaten }, nowMs);
}
