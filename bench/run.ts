import { analyseArtwork, squaredDistances } from '@saltflat/core/artwork';
import type { Pixels } from '@saltflat/core/artwork';

/** Prints one JSON line per case: its time as a ratio to a stated rival, both measured in this run, pair by pair. */
const ROUNDS = 7;

interface Case {
  name: string;
  rival: string;
  work: () => unknown;
  against: () => unknown;
}

/** A made-up print: discs of a few colours on nothing. */
function discs(width: number, height: number): Pixels {
  const data = new Uint8Array(4 * width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const isIn = Math.hypot((x % 400) - 200, (y % 400) - 200) < 170;
      if (isIn) data.set([200, (40 * Math.floor(x / 400)) % 256, 90, 255], 4 * (y * width + x));
    }
  }
  return { width, height, data };
}

function alphaToMask({ width, height, data }: Pixels): Uint8Array {
  const mask = new Uint8Array(width * height);
  for (let i = 0, a = 3; i < mask.length; i++, a += 4) mask[i] = (data[a] ?? 0) >= 128 ? 1 : 0;
  return mask;
}

const image = discs(2100, 2400);
const mask = alphaToMask(image);
const CASES: Case[] = [
  {
    name: 'artwork figures and white, 2100 × 2400',
    rival: 'one alpha-to-mask pass over the same pixels',
    work: () => analyseArtwork(image, { widthMm: 280, garmentHex: '#1b2a4a', process: 'dtg-dark' }),
    against: () => alphaToMask(image),
  },
  {
    name: 'distances within 4 px, 2100 × 2400',
    rival: 'one alpha-to-mask pass over the same pixels',
    work: () => squaredDistances(mask, image.width, image.height, 4),
    against: () => alphaToMask(image),
  },
];

const timeMs = (work: () => unknown): number => {
  const from = performance.now();
  work();
  return performance.now() - from;
};
const median = (values: number[]): number => values.toSorted((p, q) => p - q)[values.length >> 1] ?? 0;

for (const { name, rival, work, against } of CASES) {
  work();
  against();
  const pairs = Array.from({ length: ROUNDS }, () => ({ own: timeMs(work), other: timeMs(against) }));
  const ratio = median(pairs.map(({ own, other }) => own / other));
  const ms = median(pairs.map(({ own }) => own));
  process.stdout.write(
    `${JSON.stringify({ name, rival, ratio: Math.round(ratio * 10) / 10, medianMs: Math.round(ms) })}\n`,
  );
}
