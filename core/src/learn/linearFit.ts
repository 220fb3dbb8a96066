/** What is believed about a number: its value, and how far off it may be (one standard deviation). */
export interface Belief {
  value: number;
  sd: number;
}

/** One measurement: a sum of the unknowns, each times a known factor, was found to be `sum`, give or take `sd`. */
export interface Measurement {
  factors: readonly number[];
  sum: number;
  sd: number;
}

/**
 * What to believe about some numbers after measuring sums of them: Bayesian linear regression with normal errors
 * (Bishop, Pattern Recognition and Machine Learning, 2006, section 3.3). Without measurements nothing changes; many good ones
 * overrule what was believed at first; one poor one moves it a little.
 *
 * @param before one for each unknown, `sd` > 0
 * @param measurements each with as many factors as there are unknowns, `sd` > 0
 * @throws RangeError for a number of factors that does not fit, or an error that is not positive
 */
export function believeAfter(before: readonly Belief[], measurements: readonly Measurement[]): Belief[] {
  const n = before.length;
  // precision · value = information: precision sums up as P + Σ x xᵀ / σ², information as P m + Σ x y / σ²
  const precision = before.map(({ sd }, i) => before.map((_, k) => (i === k ? 1 / positive(sd) ** 2 : 0)));
  const information = before.map(({ value, sd }) => value / sd ** 2);
  for (const { factors, sum, sd } of measurements) {
    if (factors.length !== n)
      throw new RangeError(`measurement has ${factors.length} factors, expected ${n}`);
    const weight = 1 / positive(sd) ** 2;
    for (let i = 0; i < n; i++) {
      information[i] += factors[i] * sum * weight;
      for (let k = 0; k < n; k++) precision[i][k] += factors[i] * factors[k] * weight;
    }
  }
  const covariance = inverse(precision);
  return covariance.map((row, i) => ({
    value: row.reduce((sum, c, k) => sum + c * information[k], 0),
    sd: Math.sqrt(row[i]),
  }));
}

function positive(sd: number): number {
  if (!(sd > 0)) throw new RangeError(`standard deviation is ${sd}, expected more than 0`);
  return sd;
}

/** Inverse of a small positive definite matrix, by Gauss–Jordan elimination. */
function inverse(matrix: readonly (readonly number[])[]): number[][] {
  const n = matrix.length;
  const rows = matrix.map((row, i) => [...row, ...matrix.map((_, k) => (i === k ? 1 : 0))]);
  for (let i = 0; i < n; i++) {
    const pivot = rows[i][i]; // never 0: a positive definite matrix needs no exchange of rows
    rows[i] = rows[i].map((value) => value / pivot);
    for (let k = 0; k < n; k++) {
      if (k === i) continue;
      const factor = rows[k][i];
      rows[k] = rows[k].map((value, j) => value - factor * rows[i][j]);
    }
  }
  return rows.map((row) => row.slice(n));
}
