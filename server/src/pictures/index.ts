export { createPicturePool } from './picturePool.ts';
export type { Pictures } from './picturePool.ts';
export type { KeptPicture, PlaneFormat } from './pictureTasks.ts';
export type { Look } from './readImage.ts';
