import type { WaitingTransfers } from '@saltflat/contract';
import { WORTH_OUTLINE, fillOf } from '@saltflat/core/film';
import { useEffect, useRef, useState } from 'react';
import { filmRacers } from '../../worker/filmClient.ts';
import { itemOf, nameOf } from './filmJob.ts';
import type { LaySettings, Masks } from './filmJob.ts';

/** Outlines of what is chosen, read one by one as they are asked for. */
export interface OutlinesRead {
  masks: Masks;
  /** So many are still to be read. */
  left: number;
  why: string | null;
}

/** An item whose outline is wanted. */
interface Wanted {
  id: string;
  /** Names its outline, with holes or without. */
  key: string;
  ask: () => Promise<Masks[string]>;
}

/** Reads outlines where layouts go by those; what fills its box is laid as a box. */
export function useMasks(
  waiting: readonly WaitingTransfers[],
  { chosen, outlines }: { chosen: readonly string[]; outlines: LaySettings['outlines'] },
): OutlinesRead {
  const known = useRef(new Map<string, Masks[string] | null>());
  const [read, setRead] = useState<OutlinesRead>({ masks: {}, left: 0, why: null });
  const own = outlines === 'boxes' ? [] : waiting.filter((one) => chosen.includes(nameOf(one)));
  const about = `${outlines} ${own.map(nameOf).join(' ')}`;
  useEffect(() => {
    let isGone = false;
    const wanted = own.flatMap((one) => wantedOf(one, outlines));
    const show = (left: number, why: string | null = null): void => {
      if (!isGone) setRead({ masks: masksOf(wanted, known.current), left, why });
    };
    void (async () => {
      const missing = wanted.filter(({ key }) => !known.current.has(key));
      for (const [done, { key, ask }] of missing.entries()) {
        if (isGone) return;
        show(missing.length - done);
        try {
          const mask = await ask();
          known.current.set(key, fillOf(mask) < WORTH_OUTLINE ? mask : null);
        } catch (error) {
          show(0, error instanceof Error ? error.message : String(error));
          return;
        }
      }
      show(0);
    })();
    return () => {
      isGone = true;
    };
  }, [about]); // what is asked about is said by its names
  return read;
}

function masksOf(wanted: readonly Wanted[], known: ReadonlyMap<string, Masks[string] | null>): Masks {
  const masks: Record<string, Masks[string]> = {};
  for (const { id, key } of wanted) {
    const mask = known.get(key);
    if (mask) masks[id] = mask;
  }
  return masks;
}

/** The outlines of a line's print, size by size; of art that is no more there are none. */
function wantedOf(one: WaitingTransfers, outlines: LaySettings['outlines']): Wanted[] {
  const { artworkId, steps, colourHex: garment, sizes } = one;
  const [reader] = filmRacers;
  if (artworkId === null || reader === undefined) return [];
  return sizes.map(({ widthMm, heightMm }, n) => {
    const id = itemOf(one, n);
    const withHoles = outlines === 'with-holes';
    const ask = (): Promise<Masks[string]> =>
      reader.ask('outline', { artworkId, steps, garment, widthMm, heightMm, withHoles }).answer;
    return { id, key: `${outlines} ${id}`, ask };
  });
}
