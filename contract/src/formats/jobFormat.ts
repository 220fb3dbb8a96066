import { ArtworkJob } from '../artworkJob.ts';
import { parse } from '../validate.ts';
import { formatOf, upgrade } from './upgrade.ts';
import type { FormatChain, Older } from './upgrade.ts';

/** Format 2 has one way to say a knock-out: as a step. */
function knockOutAsStep({ knockout, steps = [], ...rest }: Older): Older {
  const first = knockout === undefined ? [] : [{ kind: 'knock-out', ...(knockout as object) }];
  return { ...rest, format: 2, steps: Array.isArray(steps) ? [...first, ...(steps as unknown[])] : steps };
}

const CHAIN: FormatChain = { name: 'artwork job', steps: [knockOutAsStep] };

/**
 * An artwork job of any format that was ever written, checked.
 *
 * @throws DomainError `invalid-input` naming what is wrong with it
 */
export function readArtworkJob(data: unknown): ArtworkJob {
  const isObject = typeof data === 'object' && data !== null && !Array.isArray(data);
  return parse(ArtworkJob, isObject ? upgrade(CHAIN, data as Older, formatOf(data)) : data);
}
