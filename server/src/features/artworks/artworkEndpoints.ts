import { finished, pipeline } from 'node:stream/promises';
import {
  Artwork,
  ArtworkUpload,
  NewPreparation,
  Photo,
  Preparation,
  RightsInput,
  UPLOAD_LIMIT_BYTES,
} from '@saltflat/contract';
import type { Response } from 'express';
import { Type } from 'typebox';
import { endpoint, file } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { ArtworkService, StreamedFile } from './artworkService.ts';

const PICTURE = file('image/png', 'image/jpeg', 'image/tiff', 'image/svg+xml');
/** What browsers call the files that are taken, and a file they do not know. */
const UPLOAD = {
  media: ['image/png', 'image/jpeg', 'image/tiff', 'image/svg+xml', 'application/octet-stream'],
  bytes: UPLOAD_LIMIT_BYTES,
};
/** A large picture on a busy machine: it waits, is read twice and written. */
const PATIENCE_S = 120;
/** Who takes nothing for so long is let go, ms. */
const IDLE_MS = 20_000;
const PixelQuery = Type.Object(
  { maxPx: Type.Optional(Type.Integer({ title: 'Longest side, px', minimum: 16, maximum: 20000 })) },
  { additionalProperties: false },
);

export const artworkEndpoints = (artworks: ArtworkService): Endpoint[] => [
  ...takingIn(artworks),
  ...aboutOne(artworks),
  ...givingOut(artworks),
];

const takingIn = (artworks: ArtworkService): Endpoint[] => [
  endpoint(
    {
      method: 'post',
      path: '/artworks',
      summary: 'Upload an artwork as the raw body',
      query: ArtworkUpload,
      upload: UPLOAD,
      answer: Artwork,
      status: 201,
      patienceS: PATIENCE_S,
    },
    async ({ query, upload, res }) => {
      const { artwork, isNew } = await artworks.add(upload, query.name);
      if (!isNew) res.status(200);
      return artwork;
    },
  ),
  endpoint(
    {
      method: 'post',
      path: '/photos',
      summary: 'Upload a photo of a fault as the raw body',
      query: ArtworkUpload,
      upload: UPLOAD,
      answer: Photo,
      status: 201,
      patienceS: PATIENCE_S,
    },
    ({ query, upload }) => artworks.addPhoto(upload, query.name),
  ),
];

const aboutOne = (artworks: ArtworkService): Endpoint[] => [
  endpoint({ method: 'get', path: '/artworks/:id', summary: 'An artwork', answer: Artwork }, ({ params }) =>
    artworks.get(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'put',
      path: '/artworks/:id/rights',
      summary: 'Say whose image an artwork is',
      body: RightsInput,
      answer: Artwork,
    },
    ({ params, body }) => artworks.setRights(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'get',
      path: '/artworks/:id/preparations',
      summary: 'Ways an artwork has been made ready, newest first',
      answer: Type.Array(Preparation),
    },
    ({ params }) => artworks.preparations(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'post',
      path: '/artworks/:id/preparations',
      summary: 'A way to make an artwork ready, kept under a number; the same one twice is one',
      body: NewPreparation,
      answer: Preparation,
      status: 201,
    },
    ({ params, body }) => artworks.prepare(params.id ?? '', body),
  ),
];

const givingOut = (artworks: ArtworkService): Endpoint[] => [
  endpoint(
    { method: 'get', path: '/photos/:sha256', summary: 'A photo', textParams: true, answer: PICTURE },
    async ({ params, res }) => sendFile(res, await artworks.photo(params.sha256 ?? '')),
  ),
  endpoint(
    {
      method: 'get',
      path: '/artworks/:id/file',
      summary: 'The file: a drawing cleaned, everything else as it came',
      answer: PICTURE,
    },
    async ({ params, res }) => {
      const file = await artworks.file(params.id ?? '');
      res.attachment(file.name); // never shown in place
      await sendFile(res, file);
    },
  ),
  endpoint(
    { method: 'get', path: '/artworks/:id/thumbnail', summary: 'A small PNG', answer: file('image/png') },
    async ({ params, res }) => {
      const thumbnail = await artworks.thumbnail(params.id ?? '');
      forEver(res, 'image/png').end(thumbnail);
    },
  ),
  endpoint(
    {
      method: 'get',
      path: '/artworks/:id/pixels',
      summary: 'Straight sRGB RGBA, 8 bits a channel, row by row',
      query: PixelQuery,
      answer: file('application/octet-stream'),
      patienceS: PATIENCE_S,
    },
    ({ params, query, res }) =>
      artworks.pixels(params.id ?? '', query.maxPx ?? null, async ({ bytes, width, height }) => {
        res.set({ 'X-Width': String(width), 'X-Height': String(height), 'Content-Encoding': 'gzip' });
        forEver(res, 'application/octet-stream').end(bytes);
        res.setTimeout(IDLE_MS, () => res.destroy());
        await finished(res).catch(() => undefined); // whoever asked has gone
      }),
  ),
];

/** A content never changes under its address, so browsers may keep it. */
const forEver = (res: Response, mediaType: string): Response =>
  res.set({
    'Cache-Control': 'private, max-age=31536000, immutable',
    'Content-Type': mediaType,
    'Content-Security-Policy': "default-src 'none'",
  });

async function sendFile(res: Response, { mediaType, sizeBytes, slices }: StreamedFile): Promise<void> {
  forEver(res, mediaType).set('Content-Length', String(sizeBytes));
  res.setTimeout(IDLE_MS, () => res.destroy());
  await pipeline(slices, res).catch((error: unknown) => {
    if (!res.destroyed) throw error;
  });
}
