import { mkdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import {
  artJobOf,
  planDocument,
  readArtworkJob,
  readFilmInstance,
  readHeatCase,
  readLineDocument,
  readPlanInstance,
  routeInputOf,
} from '@saltflat/contract';
import { openArt, renderPlane } from '@saltflat/core/artwork';
import { simulate } from '@saltflat/core/conduction';
import type { ArtAnalysis, ArtJob, Pixels, Plane } from '@saltflat/core/artwork';
import { priceRoute } from '@saltflat/core/cost';
import { layOutFilm } from '@saltflat/core/film';
import { heatAdvice } from '@saltflat/core/heat';
import { Planning } from '@saltflat/core/plan';
import { planRoute, refusalText } from '@saltflat/core/route';
import { runTask, taskOf } from '@saltflat/core/task';
import { inWords } from '@saltflat/core/words';
import sharp from 'sharp';
import { answerSpray } from './answerSpray.ts';

const USAGE =
  'Say what to do: artwork FILE.png JOB.json [--out DIR], film INSTANCE.json [--seconds S] [--seed N], ' +
  'plan INSTANCE.json [--seconds S | --iterations N] [--seed N], route LINE.json, heat CASE.json, or spray JOB.json';

/**
 * Runs one command line.
 *
 * @param args command first, then its files
 * @returns the document that goes to standard output
 * @throws Error with one sentence for a person
 */
export async function runCommand([command, ...rest]: readonly string[]): Promise<object> {
  if (command === 'artwork') {
    const { files, out } = readArguments(rest, ['out']);
    if (files.length === 2) return artwork(files[0] ?? '', files[1] ?? '', out ?? null);
  }
  if (command === 'film') {
    const { files, seconds, seed } = readArguments(rest, ['seconds', 'seed']);
    if (files.length === 1)
      return film(files[0] ?? '', {
        seconds: numberOf('seconds', seconds ?? '5', { least: 0.01, most: 3600 }),
        seed: numberOf('seed', seed ?? '1', { least: 0, most: 2 ** 31, isWhole: true }),
      });
  }
  if (command === 'plan') {
    const { files, seconds, iterations, seed } = readArguments(rest, ['seconds', 'iterations', 'seed']);
    if (files.length === 1 && (seconds === undefined || iterations === undefined))
      return plan(files[0] ?? '', {
        seconds: numberOf('seconds', seconds ?? '5', { least: 0.01, most: 3600 }),
        iterations:
          iterations === undefined
            ? null
            : numberOf('iterations', iterations, { least: 1, most: 1e9, isWhole: true }),
        seed: numberOf('seed', seed ?? '1', { least: 0, most: 2 ** 31, isWhole: true }),
      });
  }
  if (command === 'route' && rest.length === 1) return route(rest[0] ?? '');
  if (command === 'heat' && rest.length === 1) return heat(rest[0] ?? '');
  if (command === 'spray' && rest.length === 1) return answerSpray(await readJson(rest[0] ?? ''));
  throw new Error(USAGE);
}

function readArguments<K extends string>(
  rest: readonly string[],
  names: readonly K[],
): { files: string[] } & Partial<Record<K, string>> {
  try {
    const { positionals, values } = parseArgs({
      args: [...rest],
      options: Object.fromEntries(names.map((name) => [name, { type: 'string' as const }])),
      allowPositionals: true,
    });
    return { ...(values as Partial<Record<K, string>>), files: positionals };
  } catch (cause) {
    throw new Error(USAGE, { cause });
  }
}

/** @throws Error naming the option and what would be right */
function numberOf(
  name: string,
  text: string,
  { least, most, isWhole = false }: { least: number; most: number; isWhole?: boolean },
): number {
  const value = Number(text);
  if (text.trim() !== '' && value >= least && value <= most && (!isWhole || Number.isInteger(value)))
    return value;
  throw new Error(
    `--${name} must be ${isWhole ? 'a whole number' : 'a number'} from ${least} to ${most}, but it is “${text}”.`,
  );
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

/** Layout of an instance, the best that was found in the time given; what fits on no sheet is named as `unplaced`. */
async function film(
  instanceFile: string,
  { seconds, seed }: { seconds: number; seed: number },
): Promise<object> {
  const problem = readFilmInstance(await readJson(instanceFile));
  const until = performance.now() + 1000 * seconds;
  const end = await runTask(
    layOutFilm,
    { problem, seed, rounds: Infinity },
    { wish: () => (performance.now() < until ? 'go-on' : 'stop') },
  );
  if (end.how === 'cancelled') throw new Error('The layout was stopped.');
  const { best, bound } = end.answer;
  const { placements, sheets, lengthMm, unplaced } = best;
  const isRoll = problem.film.kind === 'roll';
  return {
    placements: placements.map(({ key, sheet, xMm, yMm, turn }) => ({
      key,
      sheet,
      x: xMm,
      y: yMm,
      rot: turn,
    })),
    ...(isRoll ? { lengthMm, bound: bound.lengthMm } : { sheets, bound: bound.sheets }),
    ...(unplaced.length > 0 ? { unplaced } : {}),
  };
}

/** The best plan that was found in the time given, or of so many that were tried; what is wrong with the instance goes with it. */
async function plan(
  instanceFile: string,
  { seconds, iterations, seed }: { seconds: number; iterations: number | null; seed: number },
): Promise<object> {
  const instance = readPlanInstance(await readJson(instanceFile));
  const from = performance.now();
  const share = (): number => (performance.now() - from) / (1000 * seconds);
  const planning = new Planning({ instance, seed });
  if (iterations !== null) while (planning.tried < iterations && !planning.isBest) planning.stepOn();
  else for (let own = share(); own < 1 && !planning.isBest; own = share()) planning.step(own);
  const { best, boundSaid, faults } = planning.answer;
  return {
    ...planDocument(instance, best),
    score: best.score,
    tried: planning.tried,
    bound: inWords(boundSaid),
    ...(best.leftOut.length > 0 ? { leftOut: best.leftOut } : {}),
    ...(faults.length > 0 ? { faults: faults.map((fault) => inWords(fault)) } : {}),
  };
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
