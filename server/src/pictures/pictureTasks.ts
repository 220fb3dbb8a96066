import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { firstLook, openArt, renderPlane } from '@saltflat/core/artwork';
import type { ArtAnalysis, ArtFigures, ArtJob, Plane } from '@saltflat/core/artwork';
import { atOnce } from '@saltflat/core/task';
import type { AnswerOf, InputOf, Task, Tasks } from '@saltflat/core/task';
import { cleanSvg } from './cleanSvg.ts';
import { encodeFilmPiece, encodeFilmSheet } from './filmSheet.ts';
import type { FilmPiece, FilmSheet } from './filmSheet.ts';
import { decodePixels, lookAt, thumbnailOf } from './readImage.ts';
import type { Look } from './readImage.ts';
import { encodeComposite, encodePlane } from './render.ts';
import type { PlaneFormat } from './render.ts';

/** A picture as it is kept: how wide it is drawn, and whether it is drawn as it is kept or is of a time when drawings were kept as they came. */
export interface KeptPicture {
  name: string;
  widthPx: number;
  heightPx: number;
  isDrawnAsKept: boolean;
}

/** The bytes of a picture; of an answer, a file, packed pixels, or a drawing as it is to be kept. */
interface Bytes {
  bytes: Buffer;
}
type Kept = KeptPicture & Bytes;

const compress = promisify(gzip);
const NOTHING = Buffer.alloc(0);

interface Analysing<Input, Answer> {
  input: Input;
  steps: Generator<number, ArtAnalysis>;
  answer: Answer | null;
}
type ArtInput = Kept & { job: ArtJob };

const ENCODING = 0.05; // share of the work that is left once all is measured (assumption)

/** An artwork measured whole, step by step, and what is made of that. */
const measured = <Input extends ArtInput, Answer>(
  finish: (analysis: ArtAnalysis, input: Input) => Answer | Promise<Answer>,
): Task<Input, Analysing<Input, Answer>, Answer> => ({
  start: async (input) => {
    const image = await decodePixels(drawnFrom(input), input.widthPx, null);
    return { input, steps: openArt(image).analysing(input.job), answer: null };
  },
  improve: async (state) => {
    const next = state.steps.next();
    if (next.done !== true) return { share: next.value * (1 - ENCODING), isDone: false };
    state.answer = await finish(next.value, state.input);
    return { share: 1, isDone: true };
  },
  answer: ({ answer }) => answer,
});

/** All that is done to pictures apart from the process that answers. */
export const PICTURE_TASKS = {
  look: atOnce(async ({ bytes, name }: Bytes & { name: string }): Promise<Looked> => {
    const { look, drawing } = await lookAt(bytes, name);
    return { look, isAsItCame: drawing === null, bytes: drawing ?? NOTHING };
  }),
  thumbnail: atOnce(
    async ({ bytes, name, widthPx }: Bytes & { name: string; widthPx: number }): Promise<Bytes> => ({
      bytes: await thumbnailOf(bytes, widthPx, name),
    }),
  ),
  pixels: atOnce(async ({ maxPx, ...kept }: Kept & { maxPx: number | null }): Promise<Packed> => {
    const { data, width, height } = await decodePixels(drawnFrom(kept), kept.widthPx, maxPx);
    return { width, height, bytes: await compress(data, { level: 1 }) };
  }),
  firstLook: atOnce(async ({ job, ...kept }: ArtInput): Promise<ReturnType<typeof firstLook> & Bytes> => ({
    ...firstLook(await decodePixels(drawnFrom(kept), kept.widthPx, null), job),
    bytes: NOTHING,
  })),
  figures: measured<ArtInput, Drawn>(({ figures }) => ({ figures, bytes: NOTHING })),
  plane: measured<ArtInput & { plane: Plane; format: PlaneFormat }, Drawn>(
    async (analysis, { job, plane, format }) => ({
      figures: analysis.figures,
      bytes: await encodePlane(renderPlane(plane, analysis, job), format),
    }),
  ),
  composite: measured<ArtInput & { maxPx: number; isCropped: boolean }, Drawn>(
    async (analysis, { job, maxPx, isCropped }) => ({
      figures: analysis.figures,
      bytes: await encodeComposite(renderPlane('composite', analysis, job), analysis.figures, {
        maxPx,
        isCropped,
      }),
    }),
  ),
  filmPiece: measured<ArtInput & { size: { widthPx: number; heightPx: number } }, FilmPieceDrawn>(
    async (analysis, { job, size }) => ({
      hasWhite: analysis.figures.ml.w > 0,
      ...(await encodeFilmPiece(
        { colour: renderPlane('knocked-out', analysis, job), white: renderPlane('white', analysis, job) },
        analysis.figures,
        size,
      )),
    }),
  ),
  filmSheet: atOnce(
    async ({
      bytes,
      lengths,
      ...sheet
    }: Bytes & FilmSheet & { name: string; lengths: number[] }): Promise<Bytes> => {
      let from = 0;
      const arts = lengths.map((length) => bytes.subarray(from, (from += length)));
      return { bytes: await encodeFilmSheet(sheet, arts) };
    },
  ),
} satisfies Tasks;

type FilmPieceDrawn = FilmPiece & { hasWhite: boolean };

interface Looked extends Bytes {
  look: Look;
  isAsItCame: boolean;
}
interface Packed extends Bytes {
  width: number;
  height: number;
}
interface Drawn extends Bytes {
  figures: ArtFigures;
}

export type PictureTasks = typeof PICTURE_TASKS;
export type PictureKind = keyof PictureTasks;
/** What is asked of a picture, but for its bytes. */
export type PictureQuestion<K extends PictureKind> = Omit<InputOf<PictureTasks[K]>, 'bytes'>;
export type PictureAnswer<K extends PictureKind> = AnswerOf<PictureTasks[K]>;

/** Drawings of former versions were kept as they came. */
const drawnFrom = ({ isDrawnAsKept, name, bytes }: Kept): Buffer =>
  isDrawnAsKept ? bytes : (cleanSvg(bytes, name)?.svg ?? bytes);
