import type { Pixels } from '../pixels.ts';
import { assertRange } from './artStep.ts';
import type { StepWork } from './artStep.ts';

/** Full ink where alpha reaches the threshold, none elsewhere. Colours stay. */
export function hardenEdges(
  image: Pixels,
  { threshold }: Extract<StepWork, { kind: 'harden-edges' }>,
): Pixels {
  assertRange('harden-edges', 'threshold', threshold, 1, 255);
  const data = new Uint8Array(image.data);
  for (let a = 3; a < data.length; a += 4) data[a] = data[a] >= threshold ? 255 : 0;
  return { ...image, data };
}
