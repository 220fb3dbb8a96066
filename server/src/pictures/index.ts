export { PLANES } from './planes.ts';
export type { Plane } from './planes.ts';
export { createPicturePool } from './picturePool.ts';
export type { Pictures } from './picturePool.ts';
export type { KeptPicture, PlaneFormat } from './tasks.ts';
export type { Look } from './readImage.ts';
