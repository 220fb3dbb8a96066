import { enterStack, leaveStack, outerWater, warmLayer, waterOf } from './activeStack.ts';
import type { ActiveStack, Span } from './activeStack.ts';
import { cutLayer } from './cells.ts';
import type { LayerCells } from './cells.ts';
import { checkProblem } from './checkProblem.ts';
import { DoseMeter } from './doses.ts';
import { USUAL_STEPS } from './problem.ts';
import type { Phase, Probe, Problem, Solution, Stepping } from './problem.ts';
import { Stepper } from './step.ts';

/**
 * Transient conduction through layers one above the other, in stacks that come together and apart from phase to phase.
 * Finite volumes in enthalpy form, L-stable second-order stepping: see the module's page of documentation.
 *
 * Cost: steps × 2 stages × (1–3 iterations) × cells; a phase of 90 s takes about 110 steps over some 40 cells.
 *
 * @returns temperatures at the probes along time, doses, water, and the balance of energy
 * @throws RangeError naming what is wrong with the problem
 */
export function simulate(problem: Problem, stepping: Partial<Stepping> = {}): Solution {
  checkProblem(problem);
  const how = { ...USUAL_STEPS, ...stepping };
  const layers = cutLayers(problem, how.mesh);
  const stored = storedIn(layers);
  const record = new Recorder(problem, layers);
  let steps = 0;
  let atS = 0;
  for (const phase of problem.phases) {
    for (const [id, tempC] of Object.entries(phase.setC)) {
      const cells = layers.get(id) as LayerCells; // checked at the door
      const before = sum(cells.enthalpy);
      warmLayer(cells, tempC);
      record.energy.suppliedJM2 += sum(cells.enthalpy) - before;
    }
    const steppers = phase.stacks.map((stack) => new Stepper(enterStack(stack, phase, layers), how.method));
    record.beginPhase(
      steppers.map(({ stack }) => stack),
      phase,
      atS,
    );
    let natural = how.firstS;
    let inPhase = 0;
    while (inPhase < phase.durationS) {
      const left = phase.durationS - inPhase;
      const isWet = steppers.some(mayBoil);
      const longest = isWet ? how.longestWetS : Math.max(how.longestS, inPhase * how.lateShare);
      natural = Math.min(natural, longest);
      const dt = landOn(natural, Math.min(left, record.untilNextOutput(atS + inPhase)));
      for (const stepper of steppers) stepper.advance(dt);
      inPhase = dt >= left * (1 - 1e-12) ? phase.durationS : inPhase + dt;
      record.step(atS + inPhase, dt);
      if (dt === natural) natural *= how.growth;
      steps++;
    }
    atS += phase.durationS;
    record.endPhase();
    for (const stepper of steppers) {
      leaveStack(stepper.stack);
      record.energy.suppliedJM2 += stepper.suppliedJM2;
      record.energy.vapourJM2 += stepper.vapourJM2;
    }
  }
  record.energy.storedJM2 = storedIn(layers) - stored;
  return record.solution(steps);
}

/** A step that would leave a sliver before the next point to land on goes half the way instead. */
function landOn(natural: number, untilS: number): number {
  if (natural >= untilS) return untilS;
  return natural > untilS / 2 ? untilS / 2 : natural;
}

/** Whether water of a stack is warm enough to reach the boiling point within a step or two. */
function mayBoil({ stack: { isWet, water, tempC, boilC, n } }: Stepper): boolean {
  if (!isWet) return false;
  let hottest = -Infinity;
  for (let i = 0; i < n; i++) if (water[i] > 0) hottest = Math.max(hottest, tempC[i]);
  return hottest > boilC - 25;
}

function cutLayers({ layers, phases }: Problem, mesh: number): Map<string, LayerCells> {
  const first = new Set(
    phases.flatMap(({ stacks }) =>
      stacks.flatMap(({ layers: [top], layers: all }) => (all.length > 1 ? [top] : [])),
    ),
  );
  return new Map(
    layers.map((layer) => {
      const cells = cutLayer(layer, first.has(layer.id) ? 'both' : 'top', mesh);
      warmLayer(cells, layer.initialC);
      return [layer.id, cells];
    }),
  );
}

function sum(values: Float64Array): number {
  let all = 0;
  for (let i = 0; i < values.length; i++) all += values[i];
  return all;
}

const storedIn = (layers: ReadonlyMap<string, LayerCells>): number =>
  [...layers.values()].reduce((all, { enthalpy }) => all + sum(enthalpy), 0);

/** Where a probe looks in the stacks of a phase. */
interface Placed {
  stack: ActiveStack;
  span: Span;
  at: Probe['at'];
}

/** Keeps what was asked for as the steps go by. */
class Recorder {
  readonly energy = { storedJM2: 0, suppliedJM2: 0, vapourJM2: 0 };
  private readonly timesS: number[] = [];
  private readonly probeRows: Record<string, (number | null)[]> = {};
  private readonly doseRows: Record<string, number[]> = {};
  private readonly waterRows: Record<string, number[]> = {};
  private readonly dosesAfter: Record<string, number[]> = {};
  private readonly meters: DoseMeter[];
  private readonly wet: LayerCells[];
  private stacks: ActiveStack[] = [];
  private placed: (Placed | null)[] = [];
  private readonly now: (number | null)[];
  /** Which probe each dose reads. */
  private readonly readBy: number[];
  private nextOutput = 0;

  constructor(
    private readonly problem: Problem,
    layers: ReadonlyMap<string, LayerCells>,
  ) {
    this.now = problem.probes.map(() => null);
    this.meters = problem.doses.map((dose) => new DoseMeter(dose));
    this.readBy = problem.doses.map(({ probe }) => problem.probes.findIndex(({ name }) => name === probe));
    this.wet = [...layers.values()].filter(({ layer }) => layer.kind === 'solid' && layer.waterKgM2 > 0);
    for (const { name } of problem.probes) this.probeRows[name] = [];
    for (const { name } of problem.doses) {
      this.doseRows[name] = [];
      this.dosesAfter[name] = [];
    }
    for (const { layer } of this.wet) this.waterRows[layer.id] = [];
  }

  beginPhase(stacks: ActiveStack[], phase: Phase, atS: number): void {
    this.stacks = stacks;
    this.placed = this.problem.probes.map(({ layer, at }) => {
      for (const stack of stacks) {
        const span = stack.spans.find(({ id }) => id === layer);
        if (span) return { stack, span, at };
      }
      return null;
    });
    for (const { stack, span, at } of this.placed.filter((p) => p !== null)) readFace(stack, span, at);
    this.readProbes();
    for (let k = 0; k < this.meters.length; k++)
      this.meters[k].begin(this.now[this.readBy[k]], phase.pressureKPa);
    if (atS === 0 && (this.problem.outputS === null || this.problem.outputS[0] === 0)) this.write(0);
  }

  step(atS: number, dt: number): void {
    this.readProbes();
    for (let k = 0; k < this.meters.length; k++) this.meters[k].add(this.now[this.readBy[k]], dt);
    const { outputS } = this.problem;
    if (outputS === null || this.untilNextOutput(atS) <= 0) this.write(atS);
  }

  endPhase(): void {
    for (const { dose, total } of this.meters) this.dosesAfter[dose.name].push(total);
  }

  /** Time until the next moment that is asked for, s; 0 at one. */
  untilNextOutput(atS: number): number {
    const { outputS } = this.problem;
    if (outputS === null || this.nextOutput >= outputS.length) return Infinity;
    const left = outputS[this.nextOutput] - atS;
    return left < 1e-9 * Math.max(1, atS) ? 0 : left;
  }

  solution(steps: number): Solution {
    const water: Record<string, number> = {};
    for (const { layer, water: held } of this.wet) water[layer.id] = sum(held);
    return {
      timesS: this.timesS,
      probes: this.probeRows,
      doses: Object.fromEntries(this.meters.map(({ dose, total }) => [dose.name, total])),
      doseCourse: this.doseRows,
      dosesAfter: this.dosesAfter,
      water,
      waterCourse: this.waterRows,
      energy: this.energy,
      steps,
    };
  }

  private readProbes(): void {
    for (let k = 0; k < this.placed.length; k++) {
      const place = this.placed[k];
      this.now[k] = place === null ? null : readFace(place.stack, place.span, place.at);
    }
  }

  private write(atS: number): void {
    this.nextOutput++;
    this.timesS.push(atS);
    for (const [k, { name }] of this.problem.probes.entries()) this.probeRows[name].push(this.now[k]);
    for (const { dose, total } of this.meters) this.doseRows[dose.name].push(total);
    for (const { layer, water } of this.wet) {
      const span = this.stacks.flatMap((stack) =>
        stack.spans.filter(({ id }) => id === layer.id).map((own) => ({ stack, own })),
      )[0];
      this.waterRows[layer.id].push(span ? waterOf(span.own, span.stack.water) : sum(water));
    }
  }
}

/** Temperature a probe reads, °C: of a cell, of the mean, or of a face by what conducts through it. */
function readFace(stack: ActiveStack, { from, to, cells }: Span, at: Probe['at']): number {
  const { tempC, conductance, half, n, spans } = stack;
  if (at === 'mean') {
    let heat = 0;
    let capacity = 0;
    for (let i = from; i < to; i++) {
      heat += stack.capacity[i] * tempC[i];
      capacity += stack.capacity[i];
    }
    return heat / capacity;
  }
  if (at === 'mid') return midOf(tempC, cells.share, from);
  if (at === 'top') {
    if (from > 0) return tempC[from] + conductance[from - 1] * (tempC[from - 1] - tempC[from]) * half[from];
    stack.top(tempC[0], half[0], outerWater(stack, spans[0]), stack.topCrossing);
    return stack.topCrossing.surfaceC;
  }
  if (to < n) return tempC[to - 1] - conductance[to - 1] * (tempC[to - 1] - tempC[to]) * half[to - 1];
  stack.bottom(tempC[n - 1], half[n - 1], outerWater(stack, spans[spans.length - 1]), stack.bottomCrossing);
  return stack.bottomCrossing.surfaceC;
}

/** At half depth, between the two cell centres around it. */
function midOf(tempC: Float64Array, share: Float64Array, from: number): number {
  let edge = 0;
  let lastCentre = 0;
  for (let i = 0; i < share.length; i++) {
    const centre = edge + share[i] / 2;
    if (centre >= 0.5) {
      if (i === 0 || centre === 0.5) return tempC[from + i];
      const t = (0.5 - lastCentre) / (centre - lastCentre);
      return tempC[from + i - 1] * (1 - t) + tempC[from + i] * t;
    }
    lastCentre = centre;
    edge += share[i];
  }
  return tempC[from + share.length - 1];
}
