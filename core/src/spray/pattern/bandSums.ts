import type { PassProfile } from './passProfile.ts';

/** Means over a length that parallel bands cover, of h = a pass's profile across it. */
export interface BandSums {
  /** Of the bands' sum, 1/mm. */
  mean: number;
  /** Of the sum about its mean. */
  variance: number;
  /** Of each band's h², added up. */
  squares: number;
  /** Of each band's h'², added up. */
  slopes: number;
}

const ENTRIES = 1024;

/** A profile read off tables: itself, and the integrals of h² and h'² from its middle outwards. */
export interface TabulatedProfile {
  at: (y: number) => number;
  squaresTo: (y: number) => number;
  slopesTo: (y: number) => number;
}

export function tabulated({ halfWidthMm, at, slopeAt }: PassProfile): TabulatedProfile {
  const values = new Float64Array(ENTRIES + 2);
  const squares = new Float64Array(ENTRIES + 2);
  const slopes = new Float64Array(ENTRIES + 2);
  const step = halfWidthMm / ENTRIES;
  for (let i = 0; i <= ENTRIES; i++) values[i] = at(i * step);
  for (let i = 1; i <= ENTRIES + 1; i++) {
    const middle = (i - 0.5) * step;
    squares[i] = squares[i - 1] + at(middle) ** 2 * step;
    slopes[i] = slopes[i - 1] + slopeAt(middle) ** 2 * step;
  }
  const read = (table: Float64Array, off: number): number => {
    const place = Math.min(ENTRIES, off / step);
    const whole = Math.floor(place);
    return table[whole] + (place - whole) * (table[whole + 1] - table[whole]);
  };
  const signed = (table: Float64Array) => (y: number) => Math.sign(y) * read(table, Math.abs(y));
  return {
    at: (y) => {
      const off = Math.abs(y);
      return off >= halfWidthMm ? 0 : read(values, off);
    },
    squaresTo: signed(squares),
    slopesTo: signed(slopes),
  };
}

/** @param problem.places mid-points over half the length: bands stand evenly about its middle */
export function bandSums(
  { at, squaresTo, slopesTo }: TabulatedProfile,
  problem: { count: number; spacingMm: number; lengthMm: number; places?: number },
): BandSums {
  const { count, spacingMm, lengthMm, places = 60 } = problem;
  const sums: BandSums = { mean: 0, variance: 0, squares: 0, slopes: 0 };
  if (count === 0) return sums;
  const half = lengthMm / 2;
  let squared = 0;
  for (let i = 0; i < places; i++) {
    const y = ((i + 0.5) / places) * half;
    let sum = 0;
    for (let k = 0; k < count; k++) sum += at(y - (k - (count - 1) / 2) * spacingMm);
    sums.mean += sum / places;
    squared += (sum * sum) / places;
  }
  sums.variance = Math.max(0, squared - sums.mean ** 2);
  for (let k = 0; k < count; k++) {
    const centre = (k - (count - 1) / 2) * spacingMm;
    sums.squares += (squaresTo(half - centre) - squaresTo(-half - centre)) / lengthMm;
    sums.slopes += (slopesTo(half - centre) - slopesTo(-half - centre)) / lengthMm;
  }
  return sums;
}
