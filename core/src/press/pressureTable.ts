import { PARAMETERS } from '../heat/index.ts';
import type { KnownParameters } from '../heat/index.ts';
import type { PlateSize } from './spots.ts';

/** How a sheet of paper between plate and pad feels at a pull of the hand. */
type Felt = 'slides' | 'drags' | 'holds';
/** How a mark is tested: a strip pulled by a luggage scale, air by its gauge, a pressure gauge or film, or paper by hand. */
export const TESTED_BY = ['strip', 'air', 'gauge', 'slides', 'drags', 'holds'] as const;
export type TestedBy = (typeof TESTED_BY)[number];

/** One mark of a press's own scale, and what was found at it. */
export interface TestedMark {
  mark: number;
  by: TestedBy;
  /** kg at which the strip slid, bar of the air, kPa of a gauge; `null` for paper, which has no figure. */
  value: number | null;
}

/** A press's pressure tested mark by mark. */
export interface PressureTest {
  marks: readonly TestedMark[];
  /** The strip that was pulled, and what it took under a known weight; `null` where none was. */
  strip: { widthMm: number; lengthMm: number; underKg: number; pulledKg: number } | null;
  /** The air cylinders that close the press; `null` where there are none. */
  cylinders: { count: number; boreMm: number } | null;
}

/** A mark's pressure, and between which it may lie, kPa. */
export interface PressureMark {
  mark: number;
  kPa: number;
  low: number;
  high: number;
}

/** Why a test gives no table, and of which marks. */
export type PressureRefusal =
  | { why: 'no-strip' | 'no-cylinders' | 'no-value'; mark: number }
  | { why: 'falls'; mark: number; next: number; kPa: number; nextKPa: number };

/** What a strip of paper at the pull of a hand tells, kPa: light, medium and firm as the trade has them (trade ranges). */
export const FELT_KPA: Record<Felt, readonly [usual: number, low: number, high: number]> = {
  slides: [10, 5, 20],
  drags: [35, 20, 50],
  holds: [60, 45, 90],
};
/** Shares either way (assumptions: friction grows a little less than the load; seals and joints take some of the air's force). */
const WITHIN = { strip: 0.2, air: 0.1, gauge: 0.1 } as const;
const G = 9.80665;
const KPA_PER_BAR = 100;
const MM2_PER_M2 = 1e6;

/**
 * The pressures of a press's own marks.
 *
 * A strip slides when the pull overcomes friction at both its faces, F = 2μN. Pulled from under a known weight first, the
 * friction drops out: p = (F/F₀)·W·g/(w·l). Air gives p = n·π d²/4 · p_air / A over the plate's area.
 *
 * @returns marks in order, one each; or why there are none: pressure that falls where the mark rises by more than the tests can
 *   be off is a slip
 */
export function pressureTable(
  { marks, strip, cylinders }: PressureTest,
  { widthMm, heightMm }: PlateSize,
): { ok: true; marks: PressureMark[] } | ({ ok: false } & PressureRefusal) {
  const found: PressureMark[] = [];
  for (const { mark, by, value } of marks) {
    if (isFelt(by)) {
      const [kPa, low, high] = FELT_KPA[by];
      found.push({ mark, kPa, low, high });
      continue;
    }
    if (value === null) return { ok: false, why: 'no-value', mark };
    if (by === 'strip' && strip === null) return { ok: false, why: 'no-strip', mark };
    if (by === 'air' && cylinders === null) return { ok: false, why: 'no-cylinders', mark };
    const kPa = {
      strip: () => stripKPa(strip, value),
      air: () => airKPa(cylinders, value, widthMm * heightMm),
      gauge: () => value,
    }[by]();
    found.push({ mark, kPa, low: kPa * (1 - WITHIN[by]), high: kPa * (1 + WITHIN[by]) });
  }
  const table = eachMarkOnce(found);
  for (const [i, next] of table.entries()) {
    const before = table.slice(0, i).find((own) => own.low > next.high);
    if (before)
      return {
        ok: false,
        why: 'falls',
        mark: before.mark,
        next: next.mark,
        kPa: before.kPa,
        nextKPa: next.kPa,
      };
  }
  return { ok: true, marks: rising(table) };
}

/** The same where only a table is of use; `null` where there is none. */
export function testedMarks(test: PressureTest | null, plate: PlateSize): PressureMark[] | null {
  const found = test && pressureTable(test, plate);
  return found?.ok === true ? found.marks : null;
}

const isFelt = (by: TestedBy): by is Felt => by in FELT_KPA;

const stripKPa = (strip: PressureTest['strip'], pulledKg: number): number =>
  strip === null
    ? NaN
    : ((pulledKg / strip.pulledKg) * strip.underKg * G * MM2_PER_M2) /
      (strip.widthMm * strip.lengthMm) /
      1000;

const airKPa = (cylinders: PressureTest['cylinders'], bar: number, plateMm2: number): number =>
  cylinders === null
    ? NaN
    : (bar * KPA_PER_BAR * cylinders.count * Math.PI * cylinders.boreMm ** 2) / 4 / plateMm2;

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, own) => sum + own, 0) / values.length;

/** Marks in order; one that was tested more than once is the mean of it. */
function eachMarkOnce(found: readonly PressureMark[]): PressureMark[] {
  const all = [...new Set(found.map(({ mark }) => mark))].sort((p, q) => p - q);
  return all.map((mark) =>
    pooled(
      mark,
      found.filter((own) => own.mark === mark),
    ),
  );
}

const pooled = (mark: number, own: readonly PressureMark[]): PressureMark => ({
  mark,
  kPa: meanOf(own.map(({ kPa }) => kPa)),
  low: meanOf(own.map(({ low }) => low)),
  high: meanOf(own.map(({ high }) => high)),
});

/** Neighbours that fall within what the tests can be off are taken as their mean (pool of adjacent violators). */
function rising(table: readonly PressureMark[]): PressureMark[] {
  const pools: PressureMark[][] = [];
  for (const own of table) {
    let pool = [own];
    for (;;) {
      const before = pools.at(-1);
      if (!before || meanOf(before.map(({ kPa }) => kPa)) <= meanOf(pool.map(({ kPa }) => kPa))) break;
      pools.pop();
      pool = [...before, ...pool];
    }
    pools.push(pool);
  }
  return pools.flatMap((pool) => pool.map(({ mark }) => pooled(mark, pool)));
}

/**
 * How far the pressure may be from what a route states, for the model, by a press's own table. A test by feel makes it no wider
 * than what is assumed where nobody tested.
 */
export function pressureKnown(marks: readonly PressureMark[]): KnownParameters {
  const untested = PARAMETERS.pressure;
  const shares = (side: 'low' | 'high'): number[] => marks.map((own) => own[side] / own.kPa);
  return {
    pressure: {
      usual: 1,
      low: Math.max(untested.low, Math.min(...shares('low'))),
      high: Math.min(untested.high, Math.max(...shares('high'))),
    },
  };
}
