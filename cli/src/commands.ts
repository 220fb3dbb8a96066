import { mkdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { artJobOf, readArtworkJob, readHeatCase, readLineDocument, routeInputOf } from '@saltflat/contract';
import { openArt, renderPlane } from '@saltflat/core/artwork';
import { simulate } from '@saltflat/core/conduction';
import type { ArtAnalysis, ArtJob, Pixels, Plane } from '@saltflat/core/artwork';
import { priceRoute } from '@saltflat/core/cost';
import { heatAdvice } from '@saltflat/core/heat';
import { planRoute, refusalText } from '@saltflat/core/route';
import { runTask, taskOf } from '@saltflat/core/task';
import sharp from 'sharp';

const USAGE = 'Say what to do: artwork FILE.png JOB.json [--out DIR], route LINE.json, or heat CASE.json';

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
  if (command === 'heat' && rest.length === 1) return heat(rest[0] ?? '');
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
  const analysis = await measured(await decode(imageFile), job);
  if (out !== null) await writePlanes(analysis, job, out);
  return analysis.figures;
}

/** The task that pages and servers run too, here by itself; how far it is goes to the terminal, where there is one. */
async function measured(image: Pixels, job: ArtJob): Promise<ArtAnalysis> {
  const task = taskOf(() => openArt(image).analysing(job));
  const end = await runTask(task, undefined, { onProgress: tellTerminal });
  if (end.how === 'cancelled') throw new Error('The measuring was stopped.');
  return end.answer;
}

function tellTerminal(share: number): void {
  if (process.stderr.isTTY)
    process.stderr.write(`\rMeasured ${Math.round(100 * share)} %${share === 1 ? '\n' : ''}`);
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
async function writePlanes(analysis: ArtAnalysis, job: ArtJob, out: string): Promise<void> {
  await mkdir(out, { recursive: true });
  const { whites, figures } = analysis;
  const hasWhite = whites !== null && figures.ml.w > 0;
  const isFilm = job.process === 'dtf';
  const wanted: Plane[] = [
    'knocked-out',
    'composite',
    ...(hasWhite ? (['white'] as const) : []),
    ...(whites?.highlight ? (['second-white'] as const) : []),
    ...(isFilm ? (['film-colour'] as const) : []),
    ...(isFilm && hasWhite ? (['film-white'] as const) : []),
  ];
  for (const plane of wanted) {
    const { data, width, height, channels } = renderPlane(plane, analysis, job);
    const picture = sharp(data, { raw: { width, height, channels }, limitInputPixels: false });
    await (channels === 1 ? picture.toColourspace('b-w') : picture)
      .withDensity(figures.dpi)
      .png()
      .toFile(join(out, `${plane}.png`));
  }
}

/** Route and cost of one line: LINE holds the garment, the print's needs, pieces, process, materials and machines. */
async function route(lineFile: string): Promise<object> {
  const line = readLineDocument(await readJson(lineFile));
  const planned = planRoute(routeInputOf(line), heatAdvice({ presses: line.presses ?? {} }));
  if (!planned.ok) throw new Error(refusalText(planned.refusals));
  const { route } = planned;
  return { route, cost: priceRoute(route, line.blankCents, line.pieces, line.rates) };
}

/** Temperatures, doses and water of one heat case: layers, stacks, phases and what is asked of them. */
async function heat(caseFile: string): Promise<object> {
  const { timesS, probes, doses, water } = simulate(readHeatCase(await readJson(caseFile)));
  return { t: timesS, probes, doses, water };
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
