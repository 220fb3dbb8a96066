import type { Deposit } from './deposit.ts';

/** What to do otherwise next time, with by how much, as a share. */
export type SprayAdvice =
  | { what: 'nothing-on' }
  | {
      what: 'too-little' | 'too-much' | 'sides-build-up' | 'ends-build-up' | 'edges-thin' | 'stripes';
      by: number;
    }
  | { what: 'even' };

/** Within so much of what is wanted a mean is right: the weigh-in's own tolerance. */
const RIGHT_SHARE = 0.1;
const EDGE_SHARE = 0.15; // what one sees as a rim (free choice)
const EVEN_PCT = 15; // a good hand's unevenness (trade figure)

/** Judges a hand's spray by its map, the most telling first. */
export function practiceAdvice(
  { meanGm2, cvPct, edgeExcess }: Pick<Deposit, 'meanGm2' | 'cvPct' | 'edgeExcess'>,
  targetGm2: number,
): SprayAdvice[] {
  if (meanGm2 <= 0) return [{ what: 'nothing-on' }];
  const advice: SprayAdvice[] = [];
  const off = meanGm2 / targetGm2 - 1;
  if (off < -RIGHT_SHARE) advice.push({ what: 'too-little', by: -off });
  if (off > RIGHT_SHARE) advice.push({ what: 'too-much', by: off });
  const { all, sides, ends } = edgeExcess;
  if ((sides ?? 0) > EDGE_SHARE) advice.push({ what: 'sides-build-up', by: sides ?? 0 });
  if ((ends ?? 0) > EDGE_SHARE) advice.push({ what: 'ends-build-up', by: ends ?? 0 });
  if ((all ?? 0) < -EDGE_SHARE) advice.push({ what: 'edges-thin', by: -(all ?? 0) });
  if (cvPct > EVEN_PCT && advice.every(({ what }) => what.startsWith('too-')))
    advice.push({ what: 'stripes', by: cvPct / 100 });
  return advice.length === 0 ? [{ what: 'even' }] : advice;
}
