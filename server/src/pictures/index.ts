export { MOST_MEGAPIXELS, createPicturePool } from './picturePool.ts';
export type { Pictures } from './picturePool.ts';
export type { FilmSheet } from './filmSheet.ts';
export type { KeptPicture } from './pictureTasks.ts';
export type { PlaneFormat } from './render.ts';
export type { Look } from './readImage.ts';
