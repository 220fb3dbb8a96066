import { randomUUID } from 'node:crypto';
import { DomainError } from '@saltflat/contract';
import type { FilmPrinter, PrinterDrive, PrinterJob, PrinterJobInput } from '@saltflat/contract';
import { SimulatedNozzles } from './simulatedNozzles.ts';

type Layer = PrinterJob['layer'];

/** A platen goes up by half a millimetre a step; its sensor objects to what comes nearer the head than it may. */
const PLATEN = { stepMm: 0.5, clearMm: 15, most: 40 };
/** Ink that a cleaning and a test pattern take of each, ml (trade range). */
const CLEAN_ML = 4;
const PATTERN_ML = 0.1;

/** What is to be printed: how long each layer takes, and what it lays down. */
export interface PrintWork extends Pick<PrinterJob, 'name' | 'mode' | 'areaM2'> {
  layers: { layer: Layer; durationS: number; ml: number }[];
}

interface Job {
  input: PrinterJobInput;
  id: string;
  work: PrintWork;
  state: PrinterJob['state'];
  /** Place among its layers, and how much of it is done, s. */
  at: number;
  doneS: number;
  laid: { colour: number; white: number };
  isWet: boolean;
  fault: string | null;
}

/** Tanks of a desktop film printer (trade range 100–500 ml). */
const TANK_ML = 250;
/** How far a sheet has come when a fault that was wished for strikes, share of its first layer. */
const STRIKES_AT = 0.4;
/** Jobs that are over are remembered so long. */
const REMEMBERED = 8;
const OVER: readonly PrinterJob['state'][] = ['done', 'cancelled', 'failed'];

const FAULTS: Record<'feed' | 'head-strike', string> = {
  feed: 'The film slipped in the feed: this sheet is spoiled from there on. Cut it off, load straight, wipe the rollers, look at what feeds light film.',
  'head-strike':
    'The head touched the film: this sheet is spoiled. Lower the platen or flatten the film, then check the nozzles before anything else is printed.',
};

/** A stand-in for a film printer: works through its queue layer by layer, uses ink, and fails when it is told to. */
export class SimulatedPrinter {
  private jobs: Job[] = [];
  private readonly ink = { colour: TANK_ML, white: TANK_ML };
  private drive: FilmPrinter['drive'] = { speed: 1, nextFault: 'none', garmentMm: 1 };
  private readonly nozzles: SimulatedNozzles;
  private lastPattern: FilmPrinter['pattern'] = null;
  private platenStep = 0;
  private isHeld = false;

  /** @param atMs when it was switched on, ms since 1970 */
  constructor(
    private readonly machine: Pick<FilmPrinter, 'machineId' | 'name' | 'whiteJobs'> & { hasPlaten: boolean },
    private atMs: number,
  ) {
    this.nozzles = new SimulatedNozzles(parseInt(machine.machineId.slice(0, 8), 16) || 1);
  }

  read(nowMs: number): FilmPrinter {
    this.advance(nowMs);
    const { colour: colourMl, white: whiteMl } = this.ink;
    const { hasPlaten, ...machine } = this.machine;
    return {
      ...machine,
      isSimulated: true,
      colourMl,
      whiteMl,
      tankMl: TANK_ML,
      jobs: this.jobs.map(toJob),
      isHeld: this.isHeld,
      pattern: this.lastPattern,
      platen: hasPlaten ? { step: this.platenStep, isObjecting: this.isObjecting() } : null,
      drive: { ...this.drive },
    };
  }

  /** True while time changes anything. */
  isAtWork(nowMs: number): boolean {
    this.advance(nowMs);
    return !this.isHeld && this.jobs.some(({ state }) => !OVER.includes(state));
  }

  /** @param isDirect on a garment: white and colour in one job, whatever it does with film */
  add(input: PrinterJobInput, work: PrintWork, nowMs: number, isDirect = false): void {
    this.advance(nowMs);
    const { whiteJobs, name } = this.machine;
    if ((input.part === 'whole') !== (isDirect || whiteJobs === 'one'))
      throw new DomainError('not-now', `${name} prints colour and white in ${whiteJobs === 'one' ? 'one job' : 'two jobs'}.`); // prettier-ignore
    const same = this.jobs.find(
      ({ input: own, state }) =>
        own.runId === input.runId &&
        own.step === input.step &&
        own.part === input.part &&
        !OVER.includes(state),
    );
    if (same) throw new DomainError('not-now', `${work.name} is in the queue of ${name} already.`);
    this.jobs.push({
      input,
      id: randomUUID(),
      work,
      state: 'waiting',
      at: 0,
      doneS: 0,
      laid: { colour: 0, white: 0 },
      isWet: false,
      fault: null,
    });
    this.begin();
    const over = this.jobs.filter(({ state }) => OVER.includes(state));
    const forgotten = new Set(over.slice(0, Math.max(0, over.length - REMEMBERED)));
    this.jobs = this.jobs.filter((job) => !forgotten.has(job));
  }

  /** Takes a job out of the queue, or stops it where it is. */
  cancel(id: string, nowMs: number): void {
    this.advance(nowMs);
    const job = this.jobs.find((own) => own.id === id);
    if (!job) throw new DomainError('not-found', `${this.machine.name} knows no job ${id.slice(0, 8)}.`);
    if (OVER.includes(job.state)) throw new DomainError('not-now', `${job.work.name} is over already.`);
    job.state = 'cancelled';
    this.begin();
  }

  /** Somebody has looked, and cleared what was wrong: the queue goes on. */
  clear(nowMs: number): void {
    this.advance(nowMs);
    this.isHeld = false;
    this.begin();
  }

  /** Prints its test pattern: what it shows is what stands open now. */
  printPattern(nowMs: number): void {
    this.advance(nowMs);
    this.refuseAtWork();
    this.spill(PATTERN_ML);
    this.lastPattern = { at: new Date(nowMs).toISOString(), missing: this.nozzles.pattern() };
  }

  clean(nowMs: number): void {
    this.advance(nowMs);
    this.refuseAtWork();
    this.spill(CLEAN_ML);
    this.nozzles.clean();
  }

  /** @throws DomainError where it has no platen, or the step is beyond its travel */
  movePlaten(by: number, nowMs: number): void {
    this.advance(nowMs);
    const { name, hasPlaten } = this.machine;
    if (!hasPlaten) throw new DomainError('not-now', `${name} has no platen that goes up and down.`);
    const step = this.platenStep + by;
    if (step < 0 || step > PLATEN.most)
      throw new DomainError('not-now', `The platen of ${name} is at its ${by < 0 ? 'lowest' : 'highest'}.`);
    this.platenStep = step;
  }

  turn(
    { speed, nextFault, colourMl, whiteMl, clogged, standH, garmentMm }: PrinterDrive,
    nowMs: number,
  ): void {
    this.advance(nowMs);
    this.drive = {
      speed: speed ?? this.drive.speed,
      nextFault: nextFault ?? this.drive.nextFault,
      garmentMm: garmentMm ?? this.drive.garmentMm,
    };
    if (clogged !== undefined) this.nozzles.clog(clogged);
    if (standH !== undefined) this.nozzles.stand(3600 * standH);
    this.ink.colour = colourMl ?? this.ink.colour;
    this.ink.white = whiteMl ?? this.ink.white;
  }

  private isObjecting(): boolean {
    return this.platenStep * PLATEN.stepMm + this.drive.garmentMm > PLATEN.clearMm;
  }

  private refuseAtWork(): void {
    if (this.current())
      throw new DomainError('not-now', `${this.machine.name} is at work: wait for its queue, or stop it.`);
  }

  private spill(ml: number): void {
    this.ink.colour = Math.max(0, this.ink.colour - ml);
    this.ink.white = Math.max(0, this.ink.white - ml);
  }

  /** Lets it work until now. */
  private advance(nowMs: number): void {
    let leftS = (Math.max(0, nowMs - this.atMs) / 1000) * this.drive.speed;
    this.atMs = Math.max(this.atMs, nowMs);
    while (leftS > 0 && !this.isHeld) {
      const job = this.current();
      if (!job) break;
      this.nozzles.print();
      leftS = this.work(job, leftS);
    }
    if (leftS > 0) this.nozzles.stand(leftS);
    this.begin();
  }

  /** What comes first in the queue is begun as soon as nothing is before it. */
  private begin(): void {
    const job = this.current();
    if (job?.state === 'waiting' && !this.isHeld) job.state = 'printing';
  }

  private current(): Job | undefined {
    return this.jobs.find(({ state }) => !OVER.includes(state));
  }

  /** Works on the layer a job is at. @returns the time that is left then, s */
  private work(job: Job, leftS: number): number {
    const own = job.work.layers[job.at];
    if (!own) {
      job.state = 'done';
      return leftS;
    }
    const { layer, durationS, ml } = own;
    job.state = layer === 'pause' ? 'pausing' : 'printing';
    const strikesS = this.drive.nextFault !== 'none' && job.at === 0 ? STRIKES_AT * durationS : Infinity;
    const spentS = Math.min(leftS, Math.max(0, Math.min(durationS, strikesS) - job.doneS));
    const isShort =
      (layer === 'colour' || layer === 'white') && !this.lay(job, layer, (ml * spentS) / durationS);
    job.doneS += spentS;
    if (isShort)
      this.fail(job, `The ${layer} ran out: this sheet is spoiled. Fill it up, clean, check the nozzles.`);
    else if (job.doneS >= strikesS && this.drive.nextFault !== 'none') {
      this.fail(job, FAULTS[this.drive.nextFault]);
      if (this.drive.nextFault === 'head-strike') this.nozzles.strike();
      this.drive = { ...this.drive, nextFault: 'none' };
    } else if (job.doneS >= durationS) {
      // who does not cancel in the pause has the white put on colour that is still wet
      if (layer === 'pause' && job.input.part === 'first') job.isWet = true;
      job.at++;
      job.doneS = 0;
    }
    return leftS - spentS;
  }

  /** @returns false where there is not so much ink */
  private lay(job: Job, layer: 'colour' | 'white', ml: number): boolean {
    const laid = Math.min(ml, this.ink[layer]);
    this.ink[layer] -= laid;
    job.laid[layer] += laid;
    return laid >= ml;
  }

  private fail(job: Job, fault: string): void {
    job.state = 'failed';
    job.fault = fault;
    this.isHeld = true;
  }
}

function toJob({ input, id, work, state, at, doneS, laid, isWet, fault }: Job): PrinterJob {
  const { layers, name, mode, areaM2 } = work;
  const sum = (own: PrintWork['layers']): number => own.reduce((all, { durationS }) => all + durationS, 0);
  const spentS = sum(layers.slice(0, at)) + doneS;
  const wholeS = sum(layers);
  return {
    id,
    runId: input.runId,
    step: input.step,
    part: input.part,
    ...{ name, mode, areaM2, state, isWet, fault },
    layer: (layers[Math.min(at, layers.length - 1)] ?? { layer: 'colour' as const }).layer,
    share: state === 'done' || wholeS === 0 ? 1 : spentS / wholeS,
    leftS: Math.max(0, wholeS - spentS),
    colourMl: laid.colour,
    whiteMl: laid.white,
  };
}
