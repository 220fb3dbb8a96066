import { readFile } from 'node:fs/promises';
import { equipmentOf } from '@saltflat/contract/equipment';
import { LineDocument, parse } from '@saltflat/contract';
import { analyseArtwork } from '@saltflat/core/artwork';
import type { ArtJob } from '@saltflat/core/artwork';
import { DEFAULT_RATES, priceRoute } from '@saltflat/core/cost';
import { DEFAULT_HOUSE, planRoute } from '@saltflat/core/route';
import sharp from 'sharp';

const USAGE = 'Say what to do: artwork FILE.png JOB.json, or route LINE.json';

/**
 * Runs one command line.
 *
 * @param args command first, then its files
 * @returns the document that goes to standard output
 * @throws Error with one sentence for a person
 */
export async function runCommand([command, ...files]: readonly string[]): Promise<object> {
  if (command === 'artwork' && files.length === 2) return artwork(files[0] ?? '', files[1] ?? '');
  if (command === 'route' && files.length === 1) return route(files[0] ?? '');
  throw new Error(USAGE);
}

/** Figures and findings of an artwork: JOB holds widthMm, garmentHex, process and, if wanted, underbase and laydown. */
async function artwork(imageFile: string, jobFile: string): Promise<object> {
  const job = (await readJson(jobFile)) as ArtJob; // checked by analyseArtwork
  const { data, info } = await sharp(await readNamed(imageFile))
    .autoOrient()
    .toColourspace('srgb')
    .ensureAlpha()
    .raw({ depth: 'uchar' })
    .toBuffer({ resolveWithObject: true });
  return analyseArtwork({ width: info.width, height: info.height, data }, job).figures;
}

/** Route and cost of one line: LINE holds the garment, the print's needs, pieces, process, materials and machines. */
async function route(lineFile: string): Promise<object> {
  const line = parse(LineDocument, await readJson(lineFile));
  const planned = planRoute({
    process: line.process,
    garment: line.garment,
    print: line.print,
    pieces: line.pieces,
    equipment: equipmentOf(line),
    house: DEFAULT_HOUSE,
    overrides: line.overrides ?? [],
  });
  return { route: planned, cost: priceRoute(planned, line.blankCents, line.pieces, DEFAULT_RATES) };
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
