import { openArt, previewOnGarment } from '@saltflat/core/artwork';
import type { ArtJob, Pixels } from '@saltflat/core/artwork';
import { seededRandom } from '@saltflat/core/work';
import sharp from 'sharp';
import { ROUNDS, median, race, say, tenth, timeMs } from './race.ts';
import type { Case } from './race.ts';
import { ROUTE_CASES } from './routeCases.ts';
import { RUN_CASES } from './runCases.ts';

/** A made-up print: a solid roundel with lettering-like strokes, a ring, a few hundred dots and a soft shadow. */
function roundel(width: number, height: number): Pixels {
  const data = new Uint8Array(4 * width * height);
  const [cx, cy] = [width / 2, height / 2];
  const radius = 0.44 * Math.min(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const far = Math.hypot(x - cx, y - cy) / radius;
      const at = 4 * (y * width + x);
      if (far > 1.08) {
        if ((x % 190) ** 2 + (y % 190) ** 2 < 400) data.set([40, 90, 110, 255], at);
        continue;
      }
      if (far > 1) data.set([20, 30, 40, Math.round(255 * (1 - (far - 1) / 0.08))], at);
      else if (far > 0.94) data.set([240, 190, 40, 255], at);
      else if (Math.abs(y - cy) < 0.3 * radius && x % 120 < 34 && y % 220 < 170)
        data.set([250, 250, 245, 255], at);
      else data.set([200, 40, 60, 255], at);
    }
  }
  return { width, height, data };
}

/** A made-up photo: every pixel its own colour, nearly, and no transparency. */
function photo(width: number, height: number): Pixels {
  const data = new Uint8Array(4 * width * height);
  const random = seededRandom(7);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const noise = Math.floor(16 * random()) - 8;
      const at = 4 * (y * width + x);
      data[at] = Math.max(0, Math.min(255, (255 * x) / width + noise));
      data[at + 1] = Math.max(0, Math.min(255, (255 * y) / height + noise));
      data[at + 2] = Math.max(0, Math.min(255, 128 + 100 * Math.sin((x + y) / 300) + noise));
      data[at + 3] = 255;
    }
  }
  return { width, height, data };
}

function alphaToMask({ width, height, data }: Pixels): Uint8Array {
  const mask = new Uint8Array(width * height);
  for (let i = 0, a = 3; i < mask.length; i++, a += 4) mask[i] = (data[a] ?? 0) >= 128 ? 1 : 0;
  return mask;
}

const PASS = 'one alpha-to-mask pass over the same pixels';
const art = roundel(4200, 4800);
const picture = photo(4200, 4800);
const film: ArtJob = { widthMm: 355.6, garment: '#1b2a4a', process: 'dtf' };
const direct: ArtJob = { ...film, process: 'dtg-dark' };

/** The whole judgement: figures, findings, white. A new session each time, so that nothing is remembered. */
function judge(image: Pixels, job: ArtJob): unknown {
  const work = openArt(image).analysing(job);
  for (;;) {
    const { done, value } = work.next();
    if (done) return value;
  }
}

/** What a slider asks for at screen size: white with another choke, and the picture of it. */
const screen = roundel(790, 900);
const desk = openArt(screen);
let turn = 0;
function slide(): unknown {
  const job: ArtJob = { ...direct, underbase: { chokeMm: 0.1 + (turn++ % 20) / 100 } };
  const { scan, whites } = desk.preview(job);
  return previewOnGarment(scan, whites?.underbase ?? null, job.garment, job.process);
}

const CASES: Case[] = [
  {
    name: 'film: figures, findings, white, 4200 × 4800',
    rival: PASS,
    budget: 12,
    work: () => judge(art, film),
    against: () => alphaToMask(art),
  },
  {
    name: 'direct print on dark: the same',
    rival: PASS,
    budget: 12,
    work: () => judge(art, direct),
    against: () => alphaToMask(art),
  },
  {
    name: 'photo of many colours, film: the same',
    rival: PASS,
    budget: 20,
    work: () => judge(picture, film),
    against: () => alphaToMask(picture),
  },
  {
    name: 'slider at screen size: white and picture, 790 × 900',
    rival: PASS,
    budget: null,
    work: slide,
    against: () => alphaToMask(screen),
  },
  ...ROUTE_CASES,
  ...RUN_CASES,
];

race(CASES);

/**
 * The part that a native imaging library can do as well: where is ink, choke by two pixels, white from it.
 * libvips has no exact choke, thin parts or ink, so this is not the whole judgement against the whole.
 */
async function againstLibrary(): Promise<void> {
  const raw = { width: art.width, height: art.height, channels: 4 as const };
  const library = async (): Promise<unknown> =>
    sharp(art.data, { raw, limitInputPixels: false })
      .extractChannel(3)
      .threshold(8)
      .erode(2)
      .linear(0.7, 0)
      .raw()
      .toBuffer();
  const own = (): unknown =>
    openArt(art).preview({ ...film, underbase: { chokeMm: (2 * film.widthMm) / art.width, density: 0.7 } });
  await library();
  own();
  const pairs: { own: number; other: number }[] = [];
  for (let i = 0; i < ROUNDS; i++) {
    const mine = timeMs(own);
    const from = performance.now();
    await library();
    pairs.push({ own: mine, other: performance.now() - from });
  }
  say({
    name: 'ink, choke of 2 px and white, 4200 × 4800',
    rival: 'libvips through sharp: alpha, threshold, erode, scale',
    ratio: tenth(median(pairs.map(({ own: mine, other }) => mine / other))),
    medianMs: tenth(median(pairs.map(({ own: mine }) => mine))),
  });
}
await againstLibrary();
say({ name: 'peak memory of this run', rssMb: Math.round(process.resourceUsage().maxRSS / 1024) });
