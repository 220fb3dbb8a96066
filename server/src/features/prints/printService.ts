import { DomainError, PLACEMENTS } from '@saltflat/contract';
import type { OrderLine, ProofAnswer, ProofAnswerInput } from '@saltflat/contract';
import type { ArtFigures, ArtJob } from '@saltflat/core/artwork';
import { PROCESS_NAMES, isFilmProcess } from '@saltflat/core/route';
import sharp from 'sharp';
import type { Plane, PixelAnswer, Raster } from '../../jobs/pixelTask.ts';
import type { ProofAnswerStore } from './proofAnswerStore.ts';
import { proofPdf } from './proofPdf.ts';

interface Needs {
  answers: ProofAnswerStore;
  /** How a line's print is separated: by a version of its route, or as it is now. */
  printOf: (
    lineId: string,
    version: number | null,
  ) => Promise<{ line: OrderLine; art: { artworkId: string; job: ArtJob }; isAsPlanned: boolean }>;
  findLine: (lineId: string) => Promise<{ line: OrderLine; customer: string }>;
  pixels: (
    artworkId: string,
    maxPx: number | null,
  ) => Promise<{ data: Buffer; width: number; height: number }>;
  work: (
    pixels: { data: Buffer; width: number; height: number },
    job: ArtJob,
    planes: readonly Plane[],
  ) => Promise<PixelAnswer>;
  now: () => number;
}

export type PlaneFormat = 'png' | 'tiff';

/** A picture of a print; `isAsPlanned` where it is drawn from what was kept with its route and so will never change. */
export interface Picture {
  bytes: Buffer;
  figures: ArtFigures;
  isAsPlanned: boolean;
}

const PROOF_PX = 1600; // longest side of the picture on a proof

/** What a print looks like, and what the customer said to it. */
export class PrintService {
  constructor(private readonly needs: Needs) {}

  /** A plane at the print's own resolution, with that resolution written into the file. */
  async plane(lineId: string, which: Plane, format: PlaneFormat): Promise<{ name: string; bytes: Buffer }> {
    const { line, figures, raster } = await this.rendered(lineId, null, which);
    refuseMissing(line, which, figures);
    return { name: `${fileStem(line)}-${which}.${format}`, bytes: await encode(raster, format) };
  }

  /**
   * The print on its garment's colour without the file's empty margins, PNG, no longer than `maxPx` either way.
   *
   * @param version of its route; `null` for the line as it is now
   */
  async picture(lineId: string, version: number | null, maxPx: number): Promise<Picture> {
    const { figures, raster, isAsPlanned } = await this.rendered(lineId, version, 'composite');
    const bytes = await toSharp(raster)
      .extract(inkBox(figures, raster))
      .resize(maxPx, maxPx, { fit: 'inside', withoutEnlargement: true })
      .png()
      .toBuffer();
    return { bytes, figures, isAsPlanned };
  }

  /** One page for the customer. */
  async proof(lineId: string): Promise<{ name: string; bytes: Buffer }> {
    const { line, job, figures, raster } = await this.rendered(lineId, null, 'composite');
    const { customer } = await this.needs.findLine(lineId);
    const picture = await toSharp(raster)
      .resize(PROOF_PX, PROOF_PX, { fit: 'inside', withoutEnlargement: true })
      .png()
      .toBuffer();
    const [answer = null] = await this.needs.answers.ofLine(lineId);
    const bytes = await proofPdf({
      code: line.code,
      customer,
      artworkName: line.artwork?.name ?? '',
      garment: `${line.styleName}, ${line.colour.name}`,
      process: PROCESS_NAMES[line.process],
      placement: `${PLACEMENTS[line.placement].label}, ${line.dropMm} mm below the ${PLACEMENTS[line.placement].from === 'collar' ? 'collar' : 'upper edge'}`,
      widthMm: figures.widthMm,
      heightMm: figures.heightMm,
      sizes: line.sizes,
      garmentHex: job.garment,
      picture,
      notes: notesFor(figures),
      answer,
      madeAt: new Date(this.needs.now()).toISOString(),
    });
    return { name: `${fileStem(line)}-proof.pdf`, bytes };
  }

  async answer(lineId: string, input: ProofAnswerInput): Promise<ProofAnswer[]> {
    const { answers, findLine, now } = this.needs;
    const { line } = await findLine(lineId);
    if (!line.artwork) throw new DomainError('not-now', `${line.code} has no artwork to answer to.`);
    await answers.insert(lineId, input, new Date(now()));
    return answers.ofLine(lineId);
  }

  async answers(lineId: string): Promise<ProofAnswer[]> {
    await this.needs.findLine(lineId);
    return this.needs.answers.ofLine(lineId);
  }

  private async rendered(lineId: string, version: number | null, plane: Plane) {
    const { printOf, pixels, work } = this.needs;
    const { line, art, isAsPlanned } = await printOf(lineId, version);
    const { rasters, figures } = await work(await pixels(art.artworkId, null), art.job, [plane]);
    const [raster] = rasters;
    if (!raster) throw new Error('the worker made no plane');
    return { line, job: art.job, figures, raster, isAsPlanned };
  }
}

function refuseMissing({ code, process }: OrderLine, which: Plane, figures: ArtFigures): void {
  if (which.startsWith('film-') && !isFilmProcess(process))
    throw new DomainError('not-now', `${code} is printed directly: nothing of it is mirrored for film.`);
  if (which === 'second-white' && figures.ml.h === 0)
    throw new DomainError(
      'not-now',
      `${code} is printed without a second white. Set one on the artwork first.`,
    );
  if ((which === 'white' || which === 'film-white') && figures.ml.w === 0)
    throw new DomainError('not-now', `${code} is printed without white.`);
}

function toSharp({ data, width, height, channels }: Raster) {
  return sharp(data, { raw: { width, height, channels }, limitInputPixels: false });
}

/** Where the ink is, px; the whole picture where there is none. */
function inkBox({ bboxMm }: ArtFigures, { width, height, pitchMm }: Raster) {
  if (bboxMm === null) return { left: 0, top: 0, width, height };
  const left = Math.min(width - 1, Math.max(0, Math.floor(bboxMm.x / pitchMm)));
  const top = Math.min(height - 1, Math.max(0, Math.floor(bboxMm.y / pitchMm)));
  return {
    left,
    top,
    width: Math.max(1, Math.min(width - left, Math.ceil(bboxMm.w / pitchMm))),
    height: Math.max(1, Math.min(height - top, Math.ceil(bboxMm.h / pitchMm))),
  };
}

async function encode(raster: Raster, format: PlaneFormat): Promise<Buffer> {
  const density = 25.4 / raster.pitchMm; // pixels per inch
  const image = raster.channels === 1 ? toSharp(raster).toColourspace('b-w') : toSharp(raster);
  const sized = image.withDensity(density);
  if (format === 'png') return sized.png({ compressionLevel: 6 }).toBuffer();
  const perMm = 1 / raster.pitchMm;
  return sized.tiff({ compression: 'lzw', xres: perMm, yres: perMm, resolutionUnit: 'inch' }).toBuffer();
}

function fileStem({ code, artwork }: OrderLine): string {
  const name = (artwork?.name ?? 'art').replace(/\.[^.]*$/, '');
  return `${code}-${name}`.replace(/[^\p{L}\p{N}-]+/gu, '-').slice(0, 80);
}

function notesFor({ findings }: ArtFigures): string[] {
  const notes = [
    'Fabric, ink and light change colours: the print will be close to this picture, not the same.',
  ];
  if (findings.some(({ code }) => code.startsWith('resolution-')))
    notes.push('The file has fewer pixels than this size wants: fine edges may look soft.');
  if (findings.some(({ code }) => code === 'solid-stiff' || code === 'solid-large'))
    notes.push('Large solid areas can be felt and let less air through.');
  return notes;
}
