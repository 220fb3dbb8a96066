import { courseAt, heatOperation } from './heatOperation.ts';
import type { HeatConditions, KnownPress } from './conditions.ts';
import { pressOf } from './conditions.ts';
import type { ProbeName } from './harms.ts';
import type { OperationInHeat } from './operationCase.ts';
import { PARAMETERS, knownParameters } from './parameters.ts';
import type { HeatParameters, KnownParameters } from './parameters.ts';
import { plannedMode } from '../work/index.ts';

/** A temperature read inside a stack, s after the press closed. */
export interface LoggedTemp {
  atS: number;
  tempC: number;
}

/** What a logged press cycle says of the contacts above the work: one factor on plate–cover and cover–film. */
export interface ContactFit {
  factor: number;
  /** Of the factor, as a share either way: two standard errors by the curvature of the fit. */
  within: number;
  /** Root mean square of what is left, K. */
  residualK: number;
  /** Measured less modelled, along the samples, K. */
  residualsK: number[];
}

/** No contact is a third or three times the table's: whatever fits beyond is another stack than was said. */
const FACTORS = { low: 1 / 3, high: 3 };
/** Samples a fit needs. */
const FEWEST_SAMPLES = 4;
/** A fit that leaves more than that is not of this stack, K (assumption: twice what a strip can tell). */
const MOST_RESIDUAL_K = 8;

/** Why a measurement was not taken, and what would be right. */
export type FitRefusal = 'too-few' | 'never-warm' | 'at-a-bound' | 'poor';

/**
 * Fits the contacts of a press to temperatures logged inside one press cycle, by least squares over the logarithm of one factor,
 * within bounds.
 *
 * @param own the operation as it was pressed
 * @param at where the sensor was
 */
export function fitContacts(
  own: OperationInHeat,
  conditions: HeatConditions,
  { at, samples }: { at: ProbeName; samples: readonly LoggedTemp[] },
): { ok: true; fit: ContactFit } | { ok: false; why: FitRefusal } {
  if (samples.length < FEWEST_SAMPLES) return { ok: false, why: 'too-few' };
  const press = pressOf(conditions, plannedMode(own.operation).machine?.id);
  const residuals = (logFactor: number): number[] =>
    residualsOf(own, conditions, { press, at, samples, factor: Math.exp(logFactor) });
  const squares = (logFactor: number): number => sumOf(residuals(logFactor).map((own2) => own2 * own2));
  const [low, high] = [Math.log(FACTORS.low), Math.log(FACTORS.high)];
  const best = leastOn(squares, low, high);
  const step = 0.02;
  const left = residuals(best);
  const slope = residuals(best + step).map((own2, i) => (own2 - left[i]) / step);
  const information = sumOf(slope.map((own2) => own2 * own2));
  if (information < 1e-6) return { ok: false, why: 'never-warm' };
  if (best - low < 0.01 || high - best < 0.01) return { ok: false, why: 'at-a-bound' };
  const varianceK2 = sumOf(left.map((own2) => own2 * own2)) / (samples.length - 1);
  const residualK = Math.sqrt(varianceK2);
  if (residualK > MOST_RESIDUAL_K) return { ok: false, why: 'poor' };
  const within = 2 * Math.sqrt(Math.max(varianceK2, 0.25) / information); // no sensor is surer than half a kelvin
  return { ok: true, fit: { factor: Math.exp(best), within, residualK, residualsK: left } };
}

interface Tried {
  press: KnownPress;
  at: ProbeName;
  samples: readonly LoggedTemp[];
  factor: number;
}

function residualsOf(
  own: OperationInHeat,
  conditions: HeatConditions,
  { press, at, samples, factor }: Tried,
): number[] {
  const usual = knownParameters(press.known);
  const parameters: HeatParameters = {
    ...usual,
    'contact-plate': usual['contact-plate'] * factor,
    'contact-cover': usual['contact-cover'] * factor,
  };
  const heat = heatOperation(own, conditions, { parameters });
  if (heat === null) throw new RangeError('an operation without heat has nothing to fit');
  if (heat.courses[at] === undefined) throw new RangeError(`there is no “${at}” in this stack`);
  const closesS = heat.heats[0]?.fromS ?? 0;
  return samples.map(({ atS, tempC }) => tempC - courseAt(heat, at, closesS + atS));
}

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

const sumOf = (values: readonly number[]): number => values.reduce((sum, own) => sum + own, 0);

/** Bonds that washed well and bonds that did not, as the model counts them before calibration. */
export interface WashedBonds {
  good: readonly number[];
  bad: readonly number[];
}

/**
 * Bounds the scale of the bond's dose: what washed well had at least what a bond needs, what did not had less.
 *
 * @returns the range of the factor on the bond's reference time; contradictory where a bad bond had more than a good one
 */
export function boundBond({
  good,
  bad,
}: WashedBonds):
  | { ok: true; low: number | null; high: number | null }
  | { ok: false; why: 'contradictory'; good: number; bad: number } {
  const high = good.length > 0 ? Math.min(...good) : null;
  const low = bad.length > 0 ? Math.max(...bad) : null;
  if (high !== null && low !== null && low >= high)
    return { ok: false, why: 'contradictory', good: high, bad: low };
  return { ok: true, low, high };
}

/** What a calibration knows of a press, for the model to take in place of its tables. */
export function knownBy(
  contact: ContactFit | null,
  bond: { low: number | null; high: number | null },
): KnownParameters {
  const known: KnownParameters = {};
  if (contact !== null)
    for (const name of ['contact-plate', 'contact-cover'] as const) {
      const usual = PARAMETERS[name].usual * contact.factor;
      const spread = Math.exp(Math.max(contact.within, 0.05)); // a press is never known to better than a twentieth
      known[name] = { usual, low: usual / spread, high: usual * spread };
    }
  const { usual, low, high } = PARAMETERS['bond-seconds'];
  const [from, to] = [
    Math.max(bond.low === null ? low : usual * bond.low, low / 3),
    Math.min(bond.high === null ? high : usual * bond.high, high * 3),
  ];
  if (bond.low !== null || bond.high !== null)
    known['bond-seconds'] = { usual: Math.sqrt(from * to), low: from, high: to };
  return known;
}
