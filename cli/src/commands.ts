import { mkdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { artJobOf, readArtworkJob, readLineDocument, routeInputOf } from '@saltflat/contract';
import {
  analyseArtwork,
  mirrorPixels,
  mirrorPlane,
  previewOnGarment,
  wholePlane,
} from '@saltflat/core/artwork';
import type { ArtAnalysis, ArtJob, Pixels } from '@saltflat/core/artwork';
import { priceRoute } from '@saltflat/core/cost';
import { planRoute, refusalText } from '@saltflat/core/route';
import sharp from 'sharp';

const USAGE = 'Say what to do: artwork FILE.png JOB.json [--out DIR], or route LINE.json';

/**
 * Runs one command line.
 *
 * @param args command first, then its files
 * @returns the document that goes to standard output
 * @throws Error with one sentence for a person
 */
export async function runCommand([command, ...rest]: readonly string[]): Promise<object> {
  if (command === 'artwork') {
    const { files, out } = readArguments(rest);
    if (files.length === 2) return artwork(files[0] ?? '', files[1] ?? '', out);
  }
  if (command === 'route' && rest.length === 1) return route(rest[0] ?? '');
  throw new Error(USAGE);
}

function readArguments(rest: readonly string[]): { files: string[]; out: string | null } {
  try {
    const { positionals, values } = parseArgs({
      args: [...rest],
      options: { out: { type: 'string' } },
      allowPositionals: true,
    });
    return { files: positionals, out: values.out ?? null };
  } catch (cause) {
    throw new Error(USAGE, { cause });
  }
}

/** Figures and findings of an artwork for a job; with `out`, its planes too, as PNG at the print's resolution. */
async function artwork(imageFile: string, jobFile: string, out: string | null): Promise<object> {
  const job = artJobOf(readArtworkJob(await readJson(jobFile)));
  const analysis = analyseArtwork(await decode(imageFile), job);
  if (out !== null) await writePlanes(analysis, job, out);
  return analysis.figures;
}

async function decode(imageFile: string): Promise<Pixels> {
  const bytes = await readNamed(imageFile);
  try {
    const { data, info } = await sharp(bytes)
      .autoOrient()
      .toColourspace('srgb')
      .ensureAlpha()
      .raw({ depth: 'uchar' })
      .toBuffer({ resolveWithObject: true });
    return { width: info.width, height: info.height, data };
  } catch (cause) {
    throw new Error(`${imageFile} is not a picture that can be read: export it as a PNG.`, { cause });
  }
}

/** Writes the art as printed, its whites, how it will look and, for film, the mirrored pair. */
async function writePlanes(
  { image, scan, whites, figures }: ArtAnalysis,
  job: ArtJob,
  out: string,
): Promise<void> {
  await mkdir(out, { recursive: true });
  const { width, height } = image;
  const save = async (name: string, data: Uint8Array | Uint8ClampedArray, channels: 1 | 4): Promise<void> => {
    const picture = sharp(data, { raw: { width, height, channels }, limitInputPixels: false });
    await (channels === 1 ? picture.toColourspace('b-w') : picture)
      .withDensity(figures.dpi)
      .png()
      .toFile(join(out, `${name}.png`));
  };
  await save('knocked-out', image.data, 4);
  await save(
    'composite',
    previewOnGarment(scan, whites?.underbase ?? null, job.garment, job.process).data,
    4,
  );
  const white = whites && figures.ml.w > 0 ? wholePlane(whites.underbase, width, height) : null;
  if (white) await save('white', white, 1);
  if (whites?.highlight) await save('second-white', wholePlane(whites.highlight, width, height), 1);
  if (job.process !== 'dtf') return;
  await save('film-colour', mirrorPixels(image).data, 4);
  if (white) await save('film-white', mirrorPlane(white, width), 1);
}

/** Route and cost of one line: LINE holds the garment, the print's needs, pieces, process, materials and machines. */
async function route(lineFile: string): Promise<object> {
  const line = readLineDocument(await readJson(lineFile));
  const planned = planRoute(routeInputOf(line));
  if (!planned.ok) throw new Error(refusalText(planned.refusals));
  const { route } = planned;
  return { route, cost: priceRoute(route, line.blankCents, line.pieces, line.rates) };
}

async function readJson(file: string): Promise<unknown> {
  const text = (await readNamed(file)).toString('utf8');
  try {
    return JSON.parse(text);
  } catch (cause) {
    throw new Error(`${file} is not valid JSON.`, { cause });
  }
}

async function readNamed(file: string): Promise<Buffer> {
  try {
    return await readFile(file);
  } catch (cause) {
    throw new Error(`${file} cannot be read.`, { cause });
  }
}
