import type { WaitingTransfers } from '@saltflat/contract';
import { itemOf, nameOf } from '@saltflat/contract/filmJob';
import { useEffect, useRef, useState } from 'react';
import type { FilmOutline } from '../../worker/film.worker.ts';
import { filmRacers } from '../../worker/filmClient.ts';

/** What is printed for an item. */
export interface ItemArt {
  /** Its picture, the ink alone. */
  url: string;
  filled: FilmOutline;
  withHoles: FilmOutline;
}

/** Art of what is chosen, read one by one. */
export interface ArtRead {
  /** By item. */
  art: Readonly<Record<string, ItemArt>>;
  /** So many are still to be read. */
  left: number;
  /** Of what could not be read: it is laid as a box, without its picture. */
  why: string | null;
}

/** An item whose art is wanted. */
interface Wanted {
  id: string;
  code: string;
  ask: () => Promise<ItemArt>;
}

/** Reads pictures and outlines of what is chosen, as it is printed. */
export function useFilmArt(waiting: readonly WaitingTransfers[], chosen: readonly string[]): ArtRead {
  const known = useRef(new Map<string, ItemArt>());
  const [read, setRead] = useState<ArtRead>({ art: {}, left: 0, why: null });
  const own = waiting.filter((one) => chosen.includes(nameOf(one)));
  useEffect(() => {
    let isGone = false;
    const wanted = own.flatMap(wantedOf);
    let why: string | null = null;
    const show = (left: number): void => {
      const art = Object.fromEntries(known.current);
      if (!isGone) setRead({ art, left, why });
    };
    void (async () => {
      const missing = wanted.filter(({ id }) => !known.current.has(id));
      for (const [done, { id, code, ask }] of missing.entries()) {
        if (isGone) return;
        show(missing.length - done);
        try {
          known.current.set(id, await ask());
        } catch (error) {
          why = `${code}: ${error instanceof Error ? error.message : String(error)}`;
        }
      }
      show(0);
    })();
    return () => {
      isGone = true;
    };
  }, [own.map(nameOf).join(' ')]); // what is asked about is said by its names
  useEffect(() => {
    const pictures = known.current;
    return () => pictures.forEach(({ url }) => URL.revokeObjectURL(url));
  }, []);
  return read;
}

/** Art of a line's print, size by size; of what is no more there is none. */
function wantedOf(one: WaitingTransfers): Wanted[] {
  const { artworkId, steps, colourHex: garment, sizes } = one;
  const [reader] = filmRacers;
  if (artworkId === null || reader === undefined) return [];
  return sizes.map(({ widthMm, heightMm }, n) => ({
    id: itemOf(one, n),
    code: one.code,
    ask: async () => {
      const { picture, ...outlines } = await reader.ask('look', {
        artworkId,
        steps,
        garment,
        widthMm,
        heightMm,
      }).answer;
      return { url: URL.createObjectURL(picture), ...outlines };
    },
  }));
}
