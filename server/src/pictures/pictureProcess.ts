import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { DomainError } from '@saltflat/contract';
import { analyseArtwork } from '@saltflat/core/artwork';
import type { ArtAnalysis, ArtJob } from '@saltflat/core/artwork';
import sharp from 'sharp';
import { cleanSvg } from './cleanSvg.ts';
import { readFrames, writeFrame } from './frames.ts';
import { drawPlane } from './planes.ts';
import { decodePixels, lookAt, thumbnailOf } from './readImage.ts';
import { encodeComposite, encodePlane } from './render.ts';
import type { KeptPicture, PictureTask, Reply } from './tasks.ts';

const compress = promisify(gzip);
const NOTHING = Buffer.alloc(0);

sharp.cache(false);
sharp.concurrency(1);

async function work(task: PictureTask, bytes: Buffer): Promise<{ reply: Reply; made: Buffer }> {
  try {
    const { answer, made = NOTHING } = await done(task, bytes);
    return { reply: { ok: true, answer }, made };
  } catch (error) {
    const known = error instanceof DomainError;
    const reply: Reply = {
      ok: false,
      code: known ? error.code : 'internal',
      message: known ? error.message : (error as Error).message,
    };
    return { reply, made: NOTHING };
  }
}

async function done(task: PictureTask, bytes: Buffer): Promise<{ answer: object; made?: Buffer }> {
  switch (task.kind) {
    case 'look': {
      const { look, drawing } = await lookAt(bytes, task.name);
      return { answer: { look, isAsItCame: drawing === null }, ...(drawing ? { made: drawing } : {}) };
    }
    case 'thumbnail':
      return { answer: {}, made: await thumbnailOf(bytes, task.widthPx, task.name) };
    case 'pixels': {
      const { data, width, height } = await decodePixels(drawnFrom(task, bytes), task.widthPx, task.maxPx);
      return { answer: { width, height }, made: await compress(data, { level: 1 }) };
    }
    case 'figures': {
      const { figures } = await analysed(task, bytes);
      return { answer: { figures } };
    }
    case 'plane': {
      const analysis = await analysed(task, bytes);
      const made = await encodePlane(drawPlane(task.plane, analysis, task.job), task.format);
      return { answer: { figures: analysis.figures }, made };
    }
    case 'composite': {
      const analysis = await analysed(task, bytes);
      const raster = drawPlane('composite', analysis, task.job);
      const made = await encodeComposite(raster, analysis.figures, task);
      return { answer: { figures: analysis.figures }, made };
    }
  }
}

async function analysed(task: KeptPicture & { job: ArtJob }, bytes: Buffer): Promise<ArtAnalysis> {
  const { data, width, height } = await decodePixels(drawnFrom(task, bytes), task.widthPx, null);
  return analyseArtwork({ width, height, data }, task.job);
}

/** Drawings of former versions were kept as they came. */
const drawnFrom = ({ isDrawnAsKept, name }: KeptPicture, bytes: Buffer): Buffer =>
  isDrawnAsKept ? bytes : (cleanSvg(bytes, name)?.svg ?? bytes);

/** A process of its own: reads pictures handed to it on standard input, one after the other, until there are no more. */
for await (const { said, bytes } of readFrames(process.stdin)) {
  const { reply, made } = await work(said as PictureTask, bytes); // written by the pool
  await writeFrame(process.stdout, { said: reply, bytes: made });
}
