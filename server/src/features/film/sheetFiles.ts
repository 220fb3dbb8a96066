import { DomainError } from '@saltflat/contract';
import type { FilmLayout } from '@saltflat/contract';
import { codeOf, ownerOf, sheetInputOf } from '@saltflat/contract/filmJob';
import type { ArtFigures, ArtJob } from '@saltflat/core/artwork';
import type { SheetOut, SheetOutInput } from '@saltflat/core/film';
import { MOST_MEGAPIXELS } from '../../pictures/index.ts';
import type { FilmSheet } from '../../pictures/index.ts';
import type { Paper, PaperWords } from '../../pdf/index.ts';
import type { CuttingList } from './cuttingListPdf.ts';
import type { LabelSheet } from './labelsPdf.ts';
import { cropsOf } from './cropsOf.ts';
import { cutSvg, drawingOf, marksSvg } from './sheetDrawing.ts';
import type { SheetsToPrint } from './sheetsPdf.ts';

interface Piece {
  bytes: Buffer;
  colourBytes: number;
  hasWhite: boolean;
}
interface Size {
  widthPx: number;
  heightPx: number;
}

interface Needs {
  get: (id: string) => Promise<FilmLayout>;
  sheetOut: (input: SheetOutInput) => Promise<SheetOut>;
  /** How a print is separated, by a version of its line’s route. */
  artOf: (lineId: string, print: string, version: number) => Promise<{ artworkId: string; job: ArtJob }>;
  figures: (artworkId: string, job: ArtJob) => Promise<ArtFigures>;
  drawPiece: (artworkId: string, job: ArtJob, size: Size) => Promise<Piece>;
  drawSheet: (sheet: FilmSheet & { name: string }, arts: readonly Buffer[]) => Promise<Buffer>;
  writeSheets: (sheets: SheetsToPrint) => Promise<Buffer>;
  writeList: (list: CuttingList, paper: Paper) => Promise<Buffer>;
  writeLabels: (labels: LabelSheet, paper: Paper) => Promise<Buffer>;
  words: () => Promise<PaperWords>;
  now: () => number;
}

interface NamedFile<T extends string | Buffer = Buffer> {
  name: string;
  bytes: T;
}

/** Millimetres to whole pixels. */
const pixelsAt =
  (dpi: number) =>
  (mm: number): number =>
    Math.round((mm / 25.4) * dpi);

/** Files of a kept layout: what is printed, what is cut, what is written on paper. */
export class SheetFiles {
  constructor(private readonly needs: Needs) {}

  /** A sheet as its printer takes it, PNG: mirrored once, here or by the printer’s software, with its resolution written in. */
  async print(
    id: string,
    sheet: number,
    { plane, dpi }: { plane: FilmSheet['plane']; dpi: number },
  ): Promise<NamedFile> {
    const layout = await this.needs.get(id);
    const out = await this.sheetOf(layout, sheet);
    const { isMirroredHere: isMirrored } = layout.document;
    const px = pixelsAt(dpi);
    const size = { widthPx: px(out.widthMm), heightPx: px(out.heightMm) };
    refuseHeavy(size, dpi);
    const name = `${stem(layout, sheet)}-${plane}-${isMirrored ? 'mirrored' : 'not-mirrored'}-${dpi}dpi.png`;
    const items = [...new Set(out.art.map(({ itemId }) => itemId))];
    const arts: Buffer[] = [];
    let hasWhite = false;
    for (const itemId of items) {
      const piece = await this.pieceOf(layout, itemId, px); // one after the other: pictures are large
      hasWhite ||= piece.hasWhite;
      arts.push(planeOf(piece, plane));
    }
    if (plane === 'white' && !hasWhite)
      throw new DomainError('not-now', `Sheet ${sheet} of ${layout.code} is printed without white.`);
    const placed = out.art.map(({ itemId, xMm, yMm, widthMm, turn }) => ({
      art: items.indexOf(itemId),
      left: px(isMirrored ? out.widthMm - xMm - widthMm : xMm),
      top: px(yMm),
      turn,
    }));
    const overlay = plane === 'colour' ? marksSvg(out, { ...size, isMirrored }) : null;
    const bytes = await this.needs.drawSheet(
      { name, ...size, dpi, plane, isMirrored, placed, overlay },
      arts,
    );
    return { name, bytes };
  }

  /** All sheets as pages of their own size, with crop marks in the strips that are trimmed off. */
  async pdf(id: string, dpi: number): Promise<NamedFile> {
    const { get, writeSheets, now } = this.needs;
    const layout = await get(id);
    const { document, code } = layout;
    const px = pixelsAt(dpi);
    const outs = await this.allSheets(layout);
    for (const { widthMm, heightMm } of outs)
      refuseHeavy({ widthPx: px(widthMm), heightPx: px(heightMm) }, dpi);
    const pictures: SheetsToPrint['pictures'] = [];
    for (const itemId of new Set(outs.flatMap(({ art }) => art.map((own) => own.itemId))))
      pictures.push({ itemId, picture: planeOf(await this.pieceOf(layout, itemId, px), 'colour') });
    const bytes = await writeSheets({
      title: code,
      madeAt: new Date(now()).toISOString(),
      isMirrored: document.isMirroredHere,
      pictures,
      sheets: outs.map((out) => ({
        widthMm: out.widthMm,
        heightMm: out.heightMm,
        art: out.art,
        drawing: drawingOf(out),
        crops: cropsOf(out, document.settings.edgeMm),
      })),
    });
    return { name: `${code}-${document.isMirroredHere ? 'mirrored' : 'not-mirrored'}.pdf`, bytes };
  }

  /** Paths to cut a sheet’s pieces out along, SVG: as it lies with its printed side up, or as it is read through. */
  async cut(id: string, sheet: number, side: 'printed' | 'through'): Promise<NamedFile<string>> {
    const layout = await this.needs.get(id);
    const out = await this.sheetOf(layout, sheet);
    const bytes = cutSvg(out, {
      title: `${layout.code}.${sheet}`,
      isMirrored: side === 'printed',
      nameOf: (key) => codeOf(layout.document.transfers, key),
    });
    return { name: `${stem(layout, sheet)}-cut-${side}.svg`, bytes };
  }

  /** What lies where and how it is cut apart, a page or more for each sheet. */
  async cuttingList(id: string, paper: Paper): Promise<NamedFile> {
    const { get, writeList, now } = this.needs;
    const layout = await get(id);
    const sheets = await this.allSheets(layout);
    const bytes = await writeList({ layout, sheets, madeAt: new Date(now()).toISOString() }, paper);
    return { name: `${layout.code}-cutting-list.pdf`, bytes };
  }

  /** A label for each line’s transfers, with the code that the floor scans. */
  async labels(id: string, paper: Paper): Promise<NamedFile> {
    const { get, writeLabels, now } = this.needs;
    const layout = await get(id);
    const bytes = await writeLabels({ layout, madeAt: new Date(now()).toISOString() }, paper);
    return { name: `${layout.code}-labels.pdf`, bytes };
  }

  private async allSheets(layout: FilmLayout): Promise<SheetOut[]> {
    const outs: SheetOut[] = [];
    for (let sheet = 1; sheet <= layout.sheets; sheet++) outs.push(await this.sheetOf(layout, sheet));
    return outs;
  }

  /** @param sheet counted from 1 */
  private async sheetOf(layout: FilmLayout, sheet: number): Promise<SheetOut> {
    if (sheet < 1 || sheet > layout.sheets)
      throw new DomainError(
        'not-found',
        `${layout.code} has ${layout.sheets} sheets; there is no sheet ${sheet}.`,
      );
    const { t } = await this.needs.words();
    const head = t('{code}, read through the film', { code: `${layout.code}.${sheet}` });
    return this.needs.sheetOut(sheetInputOf(layout.document, sheet - 1, head));
  }

  /** The art of an item as large as it is printed, by the version of the route that was laid out. */
  private async pieceOf(
    { document }: FilmLayout,
    itemId: string,
    px: (mm: number) => number,
  ): Promise<Piece> {
    const { artOf, figures, drawPiece } = this.needs;
    const found = ownerOf(document.transfers, { itemId, key: `${itemId}#0` });
    if (!found) throw new Error(`no transfer is ${itemId}`); // a layout is kept with its transfers
    const { owner, size } = found;
    const { artworkId, job } = await artOf(owner.lineId, owner.print, owner.routeNumber);
    const { bboxMm } = await figures(artworkId, job);
    // of a line in several sizes the print grows with the garment, and its white with it
    const widthMm = bboxMm === null ? job.widthMm : (job.widthMm * size.widthMm) / bboxMm.w;
    return drawPiece(
      artworkId,
      { ...job, widthMm },
      { widthPx: Math.max(1, px(size.widthMm)), heightPx: Math.max(1, px(size.heightMm)) },
    );
  }
}

const planeOf = ({ bytes, colourBytes }: Piece, plane: FilmSheet['plane']): Buffer =>
  plane === 'colour' ? bytes.subarray(0, colourBytes) : bytes.subarray(colourBytes);

const stem = ({ code }: FilmLayout, sheet: number): string => `${code}-sheet-${sheet}`;

function refuseHeavy({ widthPx, heightPx }: Size, dpi: number): void {
  const megapixels = (widthPx * heightPx) / 1e6;
  if (megapixels <= MOST_MEGAPIXELS) return;
  const most = Math.floor(dpi * Math.sqrt(MOST_MEGAPIXELS / megapixels));
  const message = `At ${dpi} dpi this sheet is ${Math.round(megapixels)} megapixels, and ${MOST_MEGAPIXELS} can be drawn. Ask for ${most} dpi at most, or cut the film in shorter pieces.`;
  throw new DomainError('invalid-input', message, { fields: [{ path: '/dpi', message }] });
}
