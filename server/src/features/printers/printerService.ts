import { DomainError } from '@saltflat/contract';
import type { FilmPrinter, Machine, PrinterDrive, PrinterJobInput } from '@saltflat/contract';
import { plannedMode } from '@saltflat/core/work';
import { printWork } from './printWork.ts';
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
  private readonly known = new Map<string, SimulatedPrinter>();
  private readonly listeners = new Set<(printer: FilmPrinter) => void>();
  /** Those that were at work when they were last looked at. */
  private readonly atWork = new Set<SimulatedPrinter>();
  private readonly timer: NodeJS.Timeout;

  constructor(private readonly needs: Needs) {
    this.timer = setInterval(() => this.tellAtWork(), 1000);
    this.timer.unref();
  }

  async list(): Promise<FilmPrinter[]> {
    const machines = (await this.needs.machines()).filter(isPrinter);
    return machines.map((machine) => this.standIn(machine).read(this.needs.now()));
  }

  /** Sends a step’s film to its printer. */
  async send(input: PrinterJobInput): Promise<FilmPrinter> {
    const own = await this.needs.stepOf(input.runId, input.step);
    const { run, step } = own;
    const operation = run.lines.find(({ key }) => key === step.line)?.route.operations[step.index];
    if (operation?.role !== 'print')
      throw new DomainError('not-now', 'Only film is sent to a printer, and this step prints none.');
    if (step.status === 'done' || step.status === 'dropped')
      throw new DomainError('not-now', 'This film is printed already.');
    const id = plannedMode(operation).machine?.id;
    return this.change(id ?? '', (printer, nowMs) => printer.add(input, printWork(own, input.part), nowMs));
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

  subscribe(listener: (printer: FilmPrinter) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  stop(): void {
    clearInterval(this.timer);
  }

  private async change(
    machineId: string,
    act: (printer: SimulatedPrinter, nowMs: number) => void,
  ): Promise<FilmPrinter> {
    const machine = (await this.needs.machines()).find(({ id }) => id === machineId);
    if (!machine || !isPrinter(machine))
      throw new DomainError('not-found', 'There is no such printer in this shop.');
    const printer = this.standIn(machine);
    act(printer, this.needs.now());
    if (printer.isAtWork(this.needs.now())) this.atWork.add(printer);
    const said = printer.read(this.needs.now());
    this.tell(said);
    return said;
  }

  private standIn({ id: machineId, name, properties }: Machine): SimulatedPrinter {
    const known = this.known.get(machineId);
    if (known) return known;
    const whiteJobs = properties.whiteJobs === 'two' ? 'two' : 'one';
    const made = new SimulatedPrinter({ machineId, name, whiteJobs }, this.needs.now());
    this.known.set(machineId, made);
    return made;
  }

  /** Those at work say so each second, and once more when they have ended. */
  private tellAtWork(): void {
    const nowMs = this.needs.now();
    if (this.listeners.size === 0) return;
    for (const printer of this.known.values()) {
      const isAtWork = printer.isAtWork(nowMs);
      if (isAtWork || this.atWork.has(printer)) this.tell(printer.read(nowMs));
      if (isAtWork) this.atWork.add(printer);
      else this.atWork.delete(printer);
    }
  }

  private tell(printer: FilmPrinter): void {
    for (const listener of this.listeners) listener(printer);
  }
}

const isPrinter = ({ kind }: Machine): boolean => kind === 'printer';
