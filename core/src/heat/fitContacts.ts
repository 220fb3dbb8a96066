import { plannedMode } from '../work/index.ts';
import { pressOf } from './conditions.ts';
import type { HeatConditions, KnownPress } from './conditions.ts';
import { QUICK_STEPS, courseAt, heatOperation } from './heatOperation.ts';
import type { OperationHeat } from './heatOperation.ts';
import type { ProbeName } from './harms.ts';
import type { OperationInHeat } from './operationCase.ts';
import { knownParameters } from './parameters.ts';
import type { HeatParameters } from './parameters.ts';

/** A temperature read inside a stack, s after the press closed. */
export interface LoggedTemp {
  atS: number;
  tempC: number;
}

/** What was read inside one press cycle. */
export interface PressCycle {
  /** Of a logger: a sensor's place, and its course. */
  channels: readonly { at: ProbeName; samples: readonly LoggedTemp[] }[];
  /** Of strips that keep the highest temperature they met. */
  strips: readonly { at: ProbeName; highestC: number }[];
}

/** What a measured press cycle says of the contacts above the work: one factor on plate–cover and cover–film. */
export interface ContactFit {
  factor: number;
  /** Of the factor, as a share either way: two standard errors by the curvature of the fit, and what sensor and clock may be off. */
  within: number;
  /** Root mean square of what is left, K. */
  residualK: number;
}

/** Why a measurement was not taken. */
export type FitRefusal = 'too-few' | 'never-warm' | 'at-a-bound' | 'poor';

/** No contact is a third or three times the table's: whatever fits beyond is another stack than was said. */
const FACTORS = { low: 1 / 3, high: 3 };
/** Samples a logger's course needs. */
const FEWEST_SAMPLES = 4;
/** A fit that leaves more than that is not of this stack, K (assumption: twice what a strip can tell). */
const MOST_RESIDUAL_K = 8;
/** What all readings of one instrument may be off together, K: a thermocouple's class, half a strip's step. */
const OFF_TOGETHER_K = { channel: 1.5, strip: 3 };
/** Nobody knows the moment of closing nearer than that, s. */
const CLOSING_S = 0.5;

/**
 * Fits the contacts of a press to temperatures read inside one press cycle, by least squares over the logarithm of one factor,
 * within bounds.
 *
 * @param own the operation as it was pressed
 * @param read the whole cycle; what a logger read after the last opening is left aside
 * @throws RangeError for an operation without heat, or a place that is not in its stack
 */
export function fitContacts(
  own: OperationInHeat,
  conditions: HeatConditions,
  read: PressCycle,
): { ok: true; fit: ContactFit } | { ok: false; why: FitRefusal } {
  const cycle = whileClosed(read, own, conditions);
  const count = cycle.channels.reduce((sum, { samples }) => sum + samples.length, 0);
  if (count < FEWEST_SAMPLES && cycle.strips.length === 0) return { ok: false, why: 'too-few' };
  const press = pressOf(conditions, plannedMode(own.operation).machine?.id);
  const heatAt = (logFactor: number): OperationHeat =>
    heatBy(own, conditions, contactsTimes(press, Math.exp(logFactor)));
  const squares = (logFactor: number): number => sumOf(residualsOf(heatAt(logFactor), cycle).map(square));
  const [low, high] = [Math.log(FACTORS.low), Math.log(FACTORS.high)];
  const best = leastOn(squares, low, high);
  const step = 0.02;
  const heat = heatAt(best);
  const left = residualsOf(heat, cycle);
  const slope = residualsOf(heatAt(best + step), cycle).map((other, i) => (other - left[i]) / step);
  const information = sumOf(slope.map(square));
  if (information < 1e-6) return { ok: false, why: 'never-warm' };
  if (best - low < 0.01 || high - best < 0.01) return { ok: false, why: 'at-a-bound' };
  const varianceK2 = sumOf(left.map(square)) / Math.max(1, left.length - 1);
  const residualK = Math.sqrt(varianceK2);
  if (residualK > MOST_RESIDUAL_K) return { ok: false, why: 'poor' };
  // what is off in all readings alike does not average out
  const shift = (off: readonly number[]): number =>
    sumOf(slope.map((each, i) => each * (off[i] ?? 0))) / information;
  const later = residualsOf(heat, closedEarlier(cycle)).map((other, i) => other - left[i]);
  const within = Math.hypot(
    2 * Math.sqrt(varianceK2 / information),
    shift(instrumentErrors(cycle)),
    shift(later),
  );
  return { ok: true, fit: { factor: Math.exp(best), within, residualK } };
}

/** What was read until the press opened for the last time: nobody knows how the work was handled after. */
function whileClosed(
  { channels, strips }: PressCycle,
  own: OperationInHeat,
  conditions: HeatConditions,
): PressCycle {
  const heats = heatOperation(own, conditions, { stepping: QUICK_STEPS })?.heats ?? [];
  const untilS = (heats.at(-1)?.toS ?? 0) - (heats[0]?.fromS ?? 0);
  return {
    channels: channels.map(({ at, samples }) => ({
      at,
      samples: samples.filter(({ atS }) => atS <= untilS),
    })),
    strips,
  };
}

/** What is known of a press, with its contacts above the work so many times as good. */
export function contactsTimes({ known }: Pick<KnownPress, 'known'>, factor: number): HeatParameters {
  const usual = knownParameters(known);
  return {
    ...usual,
    'contact-plate': usual['contact-plate'] * factor,
    'contact-cover': usual['contact-cover'] * factor,
  };
}

function heatBy(own: OperationInHeat, conditions: HeatConditions, parameters: HeatParameters): OperationHeat {
  const heat = heatOperation(own, conditions, { parameters });
  if (heat === null) throw new RangeError('an operation without heat has nothing to fit');
  return heat;
}

/** A place's temperature so long after the plate closed, °C. @throws RangeError where it is not in the stack */
export function afterClosing(heat: OperationHeat, at: ProbeName, atS: number): number {
  if (heat.courses[at] === undefined) throw new RangeError(`there is no “${at}” in this stack`);
  return courseAt(heat, at, (heat.heats[0]?.fromS ?? 0) + atS);
}

/** The highest a place comes to, °C. @throws RangeError where it is not in the stack */
export function highestC({ courses }: OperationHeat, at: ProbeName): number {
  const course = courses[at];
  if (course === undefined) throw new RangeError(`there is no “${at}” in this stack`);
  return Math.max(...course.map((own) => own ?? -Infinity));
}

/** Read less modelled, K: channels first, then strips. */
const residualsOf = (heat: OperationHeat, { channels, strips }: PressCycle): number[] => [
  ...channels.flatMap(({ at, samples }) =>
    samples.map(({ atS, tempC }) => tempC - afterClosing(heat, at, atS)),
  ),
  ...strips.map(({ at, highestC: read }) => read - highestC(heat, at)),
];

const instrumentErrors = ({ channels, strips }: PressCycle): number[] => [
  ...channels.flatMap(({ samples }) => samples.map(() => OFF_TOGETHER_K.channel)),
  ...strips.map(() => OFF_TOGETHER_K.strip),
];

/** The same as if the press had closed a little before. */
const closedEarlier = ({ channels, strips }: PressCycle): PressCycle => ({
  channels: channels.map(({ at, samples }) => ({
    at,
    samples: samples.map(({ atS, tempC }) => ({ atS: atS + CLOSING_S, tempC })),
  })),
  strips,
});

/** Golden-section search of a least value (textbook), to a thousandth. */
function leastOn(f: (x: number) => number, low: number, high: number): number {
  const ratio = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [low, high];
  let [c, d] = [b - ratio * (b - a), a + ratio * (b - a)];
  let [fc, fd] = [f(c), f(d)];
  while (b - a > 1e-3) {
    if (fc < fd) {
      [b, d, fd] = [d, c, fc];
      c = b - ratio * (b - a);
      fc = f(c);
    } else {
      [a, c, fc] = [c, d, fd];
      d = a + ratio * (b - a);
      fd = f(d);
    }
  }
  return (a + b) / 2;
}

const square = (own: number): number => own * own;
const sumOf = (values: readonly number[]): number => values.reduce((sum, own) => sum + own, 0);
