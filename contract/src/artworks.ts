import { Type } from 'typebox';
import { RIGHTS } from './rights.ts';
import { Id, Instant, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

export const UPLOAD_LIMIT_BYTES = 64 * 1024 * 1024;
export const UPLOAD_LIMIT_PIXELS = 100_000_000;

export const Artwork = strictObject({
  id: Id,
  name: Type.String(),
  sha256: Type.String(),
  format: Type.Enum(['png', 'jpeg', 'tiff', 'svg']),
  widthPx: Type.Integer(),
  heightPx: Type.Integer(),
  bytes: Type.Integer(),
  /** What was done to the file when it was read: colours converted, turned upright, rasterised. */
  readingNotes: Type.Array(Type.String()),
  /** Whose image it is; `unasked` until somebody has asked. */
  rights: Type.Enum([...RIGHTS]),
  rightsNote: Type.String(),
  createdAt: Instant,
});
export type Artwork = Static<typeof Artwork>;

export const ArtworkUpload = strictObject({
  name: Type.String({ title: 'File name', minLength: 1, maxLength: 200 }),
});

/** A photo of a fault, named by its content. */
export const Photo = strictObject({ sha256: Type.String() });
export type Photo = Static<typeof Photo>;
