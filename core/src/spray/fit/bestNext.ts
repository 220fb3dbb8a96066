import { PLACES } from './fitCurve.ts';
import type { SprayerModel } from './sprayerModel.ts';

/** The weighing that would teach most, and by what share it would narrow the curve's variance on average. */
export interface NextWeighing {
  setting: number;
  passes: number;
  reduction: number;
}

/**
 * Expected fall of the curve's variance, summed over the range, by one more weighing at each setting: active learning after Cohn
 * (1996), averaged over the model's components.
 */
export function bestNext(
  model: SprayerModel,
  passes: number,
  settings: readonly number[] | null,
): NextWeighing {
  const isDouble = passes === 2;
  const tries = settings?.map((setting) => model.placeOf(setting)) ?? PLACES;
  const gains = new Float64Array(tries.length);
  let whole = 0;
  for (const component of model.components) {
    const { weight, noiseSd, bendSd } = component;
    const curve = model.posterior(component, PLACES, isDouble);
    const tried = tries === PLACES ? curve : model.posterior(component, tries, isDouble);
    const n = curve.shared.length / PLACES.length;
    whole += weight * curve.variance.reduce((sum, own) => sum + own, 0);
    for (const [j, place] of tries.entries()) {
      let squares = 0;
      for (const [i, t] of PLACES.entries()) {
        let covariance = model.covariance({ t, isDouble }, { t: place, isDouble }, bendSd);
        for (let k = 0; k < n; k++) covariance -= curve.shared[i * n + k] * tried.shared[j * n + k];
        squares += covariance * covariance;
      }
      gains[j] += (weight * squares) / (tried.variance[j] + noiseSd ** 2);
    }
  }
  const best = gains.reduce((most, gain, j) => (gain > gains[most] ? j : most), 0);
  return {
    setting: settings?.[best] ?? model.settingAt(tries[best]),
    passes,
    reduction: gains[best] / whole,
  };
}
