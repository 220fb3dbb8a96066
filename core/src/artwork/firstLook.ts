import { openArt } from './analyse.ts';
import type { ArtJob } from './artFigures.ts';
import type { Finding, FindingCode } from './finding.ts';
import { resolutionFindings, worstFirst } from './findings.ts';
import { wordsOf } from './pixels.ts';
import type { Box, Pixels } from './pixels.ts';
import { finish } from './stages.ts';

/** A picture of no more is judged as it is: that takes about a second on two slow processors. */
const JUDGED_WHOLE_PX = 6_000_000;
const FIRST_LOOK_PX = 3_000_000;

/** What only the picture's own pixels tell: a first look says nothing of it. */
const OF_OWN_PIXELS: ReadonlySet<FindingCode> = new Set(['upscaled', 'ghost-pixels']);

/**
 * Of how many pixels on a side a first look takes one, a whole number; 1 where it takes all: where the picture is small, and
 * where a step counts in its own pixels.
 */
export function firstLookFactor(
  { width, height }: Pick<Pixels, 'width' | 'height'>,
  { steps = [] }: Pick<ArtJob, 'steps'>,
): number {
  const isWhole =
    width * height <= JUDGED_WHOLE_PX || steps.some(({ kind }) => kind === 'remove-checkerboard');
  return isWhole ? 1 : Math.ceil(Math.sqrt((width * height) / FIRST_LOOK_PX));
}

/**
 * What stands out in an artwork, worst first; in a large one at a first look: the same judgement over every n-th pixel of every n-th row, which
 * has the same share of each colour and of soft pixels. Its resolution is that of all pixels.
 *
 * Limits: lines and gaps thinner than n pixels may be missed or fall to pieces; what only the own pixels tell is left out.
 *
 * @returns the findings, and whether all pixels may tell more
 */
export function firstLook(image: Pixels, job: ArtJob): { findings: Finding[]; isFirstLook: boolean } {
  const factor = firstLookFactor(image, job);
  const seen = finish(openArt(everyNth(image, factor)).judging(job));
  return factor === 1
    ? { findings: seen, isFirstLook: false }
    : { findings: ofWhole(seen, image, job.widthMm, factor), isFirstLook: true };
}

/** Findings of a small picture as they are of the whole one: its resolution, and where things are in its pixels. */
function ofWhole(inSmall: readonly Finding[], image: Pixels, widthMm: number, factor: number): Finding[] {
  if (inSmall.some(({ code }) => code === 'empty')) return [...inSmall];
  const px: [number, number] = [image.width, image.height];
  const src = { nnScale: 1, trueDpi: 0 }; // whether its pixels were doubled is not seen in small
  const ofAll = resolutionFindings({ dpi: (25.4 * image.width) / widthMm, px, src, widthMm });
  const others = inSmall.filter(({ code }) => !code.startsWith('resolution-') && !OF_OWN_PIXELS.has(code));
  return worstFirst([...ofAll, ...others.map((finding) => enlarged(finding, factor))]);
}

const enlarged = (finding: Finding, factor: number): Finding => ({
  ...finding,
  places: finding.places.map((place) => enlargedBox(place, factor)),
  // what counts in pixels waits for those of the picture itself
  fixes: finding.fixes.filter((fix) => !(fix.kind === 'step' && fix.step.kind === 'remove-checkerboard')),
});

const enlargedBox = ({ x, y, w, h }: Box, factor: number): Box => ({
  x: x * factor,
  y: y * factor,
  w: w * factor,
  h: h * factor,
});

/** Every n-th pixel of every n-th row: the middle one of each square. A mean would make colours and softness that are not there. */
function everyNth(image: Pixels, n: number): Pixels {
  if (n === 1) return image;
  const width = Math.floor(image.width / n);
  const height = Math.floor(image.height / n);
  const from = wordsOf(image);
  const to = new Int32Array(width * height);
  const first = Math.floor(n / 2);
  for (let y = 0; y < height; y++) {
    const row = (y * n + first) * image.width + first;
    for (let x = 0; x < width; x++) to[y * width + x] = from[row + x * n] ?? 0; // inside the image
  }
  return { width, height, data: new Uint8Array(to.buffer) };
}
