import { DomainError } from '@saltflat/contract';
import type { LinePrint, OrderLine, ProofAnswer, ProofAnswerInput } from '@saltflat/contract';
import type { ArtFigures, ArtJob, Plane } from '@saltflat/core/artwork';
import { isFilmProcess } from '@saltflat/core/route';
import type { PlaneFormat } from '../../pictures/index.ts';
import type { ProofAnswerStore } from './proofAnswerStore.ts';
import type { ProofSheet } from './proofPdf.ts';

interface Drawn {
  bytes: Buffer;
  figures: ArtFigures;
}

interface Needs {
  answers: ProofAnswerStore;
  /** How a line's print is separated: by a version of its route, or as it is now. */
  printOf: (
    lineId: string,
    print: string | null,
    version: number | null,
  ) => Promise<{
    line: OrderLine;
    print: LinePrint;
    art: { artworkId: string; job: ArtJob };
    isAsPlanned: boolean;
  }>;
  findLine: (lineId: string) => Promise<{ line: OrderLine; customer: string }>;
  plane: (artworkId: string, job: ArtJob, plane: Plane, format: PlaneFormat) => Promise<Drawn>;
  composite: (artworkId: string, job: ArtJob, how: { maxPx: number; isCropped: boolean }) => Promise<Drawn>;
  writeProof: (sheet: ProofSheet) => Promise<Buffer>;
  now: () => number;
}

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
  async plane(
    of: { lineId: string; print: string | null },
    which: Plane,
    format: PlaneFormat,
  ): Promise<{ name: string; bytes: Buffer }> {
    const { printOf, plane } = this.needs;
    const { line, print, art } = await printOf(of.lineId, of.print, null);
    const { bytes, figures } = await plane(art.artworkId, art.job, which, format);
    refuseMissing(line, print, which, figures);
    return { name: `${fileStem(line, print)}-${which}.${format}`, bytes };
  }

  /**
   * The print on its garment's colour without the file's empty margins, PNG, no longer than `maxPx` either way.
   *
   * @param print its name within the line; `null` for the first
   * @param version of its route; `null` for the line as it is now
   */
  async picture(
    lineId: string,
    print: string | null,
    version: number | null,
    maxPx: number,
  ): Promise<Picture> {
    const { printOf, composite } = this.needs;
    const { art, isAsPlanned } = await printOf(lineId, print, version);
    return { ...(await composite(art.artworkId, art.job, { maxPx, isCropped: true })), isAsPlanned };
  }

  /** A page for each print, for the customer. */
  async proof(lineId: string): Promise<{ name: string; bytes: Buffer }> {
    const { line, customer } = await this.needs.findLine(lineId);
    const prints: ProofSheet['prints'] = [];
    for (const { id } of line.prints) prints.push(await this.proofOf(lineId, id)); // one after the other: pictures are large
    const [answer = null] = await this.needs.answers.ofLine(lineId);
    const bytes = await this.needs.writeProof({
      code: line.code,
      customer,
      garment: `${line.styleName}, ${line.colour.name}`,
      sizes: line.sizes,
      prints,
      answer,
      madeAt: new Date(this.needs.now()).toISOString(),
    });
    const [first] = line.prints;
    return { name: first ? `${fileStem(line, first)}-proof.pdf` : `${line.code}-proof.pdf`, bytes };
  }

  private async proofOf(lineId: string, id: string): Promise<ProofSheet['prints'][number]> {
    const { print, art } = await this.needs.printOf(lineId, id, null);
    const how = { maxPx: PROOF_PX, isCropped: false };
    const { bytes: picture, figures } = await this.needs.composite(art.artworkId, art.job, how);
    return {
      artworkName: print.artwork?.name ?? '',
      process: print.process,
      placement: print.placement,
      dropMm: print.dropMm,
      widthMm: figures.widthMm,
      heightMm: figures.heightMm,
      garmentHex: art.job.garment,
      picture,
      notes: notesFor(figures),
    };
  }

  async answer(lineId: string, input: ProofAnswerInput): Promise<ProofAnswer[]> {
    const { answers, findLine, now } = this.needs;
    const { line } = await findLine(lineId);
    if (line.prints.some(({ artwork }) => artwork === null))
      throw new DomainError('not-now', `${line.code} has no artwork to answer to.`);
    await answers.insert(lineId, input, new Date(now()));
    return answers.ofLine(lineId);
  }

  async answers(lineId: string): Promise<ProofAnswer[]> {
    await this.needs.findLine(lineId);
    return this.needs.answers.ofLine(lineId);
  }
}

function refuseMissing({ code }: OrderLine, { process }: LinePrint, which: Plane, figures: ArtFigures): void {
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

function fileStem({ code }: OrderLine, { artwork }: LinePrint): string {
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
