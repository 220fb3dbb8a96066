import type { ArtFigures, ArtJob } from '@saltflat/core/artwork';
import type { Plane } from './planes.ts';
import type { Look } from './readImage.ts';

export type PlaneFormat = 'png' | 'tiff';

/** A picture as it is kept: how wide it is drawn, and whether it is drawn as it is kept or is of a time when drawings were kept as they came. */
export interface KeptPicture {
  name: string;
  widthPx: number;
  heightPx: number;
  isDrawnAsKept: boolean;
}

/** What is asked of a picture; its bytes come along. */
export type PictureTask =
  | { kind: 'look'; name: string }
  | { kind: 'thumbnail'; name: string; widthPx: number }
  | ({ kind: 'pixels'; maxPx: number | null } & KeptPicture)
  | ({ kind: 'figures'; job: ArtJob } & KeptPicture)
  | ({ kind: 'plane'; job: ArtJob; plane: Plane; format: PlaneFormat } & KeptPicture)
  | ({ kind: 'composite'; job: ArtJob; maxPx: number; isCropped: boolean } & KeptPicture);

/** What comes back with it; the bytes are a file, packed pixels, or a drawing as it is to be kept. */
export interface PictureAnswers {
  look: { look: Look; isAsItCame: boolean };
  thumbnail: object;
  pixels: { width: number; height: number };
  figures: { figures: ArtFigures };
  plane: { figures: ArtFigures };
  composite: { figures: ArtFigures };
}

/** What a process says back: an answer, or why there is none. */
export type Reply = { ok: true; answer: object } | { ok: false; code: string; message: string };
