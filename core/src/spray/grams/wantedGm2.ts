import { CLOTH_FACTS } from '../cloth.ts';
import type { Cloth } from '../cloth.ts';

export type Tone = 'dark' | 'pale';

/** A pale garment takes none, or a light coat. */
const PALE_RANGE = [0, 60] as const;

/** What a cloth usually wants, g/m²: more with its weight, by the root, within its range (trade ranges). */
export function wantedGm2(
  cloth: Cloth,
  tone: Tone,
  gm2 = CLOTH_FACTS[cloth].refGm2,
): { targetGm2: number; rangeGm2: readonly [number, number] } {
  if (tone === 'pale') return { targetGm2: 0, rangeGm2: PALE_RANGE };
  const { baseGm2, refGm2, rangeGm2 } = CLOTH_FACTS[cloth];
  const wished = baseGm2 * Math.sqrt(gm2 / refGm2);
  return { targetGm2: Math.min(rangeGm2[1], Math.max(rangeGm2[0], wished)), rangeGm2 };
}
