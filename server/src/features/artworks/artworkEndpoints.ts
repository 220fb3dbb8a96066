import { gzip } from 'node:zlib';
import { promisify } from 'node:util';
import {
  Artwork,
  ArtworkUpload,
  DomainError,
  Photo,
  Preparation,
  RightsInput,
  UPLOAD_LIMIT_BYTES,
} from '@saltflat/contract';
import type { Request, Response } from 'express';
import express from 'express';
import { Type } from 'typebox';
import { endpoint, file } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { ArtworkService } from './artworkService.ts';

const compress = promisify(gzip);
const PICTURE = file('image/png', 'image/jpeg', 'image/tiff', 'image/svg+xml');
const readBody = express.raw({ type: () => true, limit: UPLOAD_LIMIT_BYTES });
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
      answer: Artwork,
      status: 201,
    },
    async ({ query, req, res }) => {
      const { artwork, isNew } = await artworks.add(await uploadOf(req, res, query.name), query.name);
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
      answer: Photo,
      status: 201,
    },
    async ({ query, req, res }) => artworks.addPhoto(await uploadOf(req, res, query.name), query.name),
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
];

const givingOut = (artworks: ArtworkService): Endpoint[] => [
  endpoint(
    { method: 'get', path: '/photos/:sha256', summary: 'A photo', textParams: true, answer: PICTURE },
    async ({ params, res }) => {
      const { bytes, mediaType } = await artworks.photo(params.sha256 ?? '');
      sendForEver(res, mediaType, bytes);
    },
  ),
  endpoint(
    { method: 'get', path: '/artworks/:id/file', summary: 'The original file, untouched', answer: PICTURE },
    async ({ params, res }) => {
      const { bytes, mediaType, name } = await artworks.original(params.id ?? '');
      res.attachment(name); // never shown in place: an SVG could carry a script
      sendForEver(res, mediaType, bytes);
    },
  ),
  endpoint(
    { method: 'get', path: '/artworks/:id/thumbnail', summary: 'A small PNG', answer: file('image/png') },
    async ({ params, res }) => {
      sendForEver(res, 'image/png', await artworks.thumbnail(params.id ?? ''));
    },
  ),
  endpoint(
    {
      method: 'get',
      path: '/artworks/:id/pixels',
      summary: 'Straight sRGB RGBA, 8 bits a channel, row by row',
      query: PixelQuery,
      answer: file('application/octet-stream'),
    },
    async ({ params, query, res }) => {
      const { data, width, height } = await artworks.pixels(params.id ?? '', query.maxPx ?? null);
      res.set({ 'X-Width': String(width), 'X-Height': String(height), 'Content-Encoding': 'gzip' });
      sendForEver(res, 'application/octet-stream', await compress(data, { level: 1 }));
    },
  ),
];

/** A content never changes under its address, so browsers may keep it. */
function sendForEver(res: Response, mediaType: string, bytes: Buffer): void {
  res
    .set({
      'Cache-Control': 'private, max-age=31536000, immutable',
      'Content-Type': mediaType,
      'Content-Security-Policy': "default-src 'none'",
    })
    .end(bytes);
}

async function uploadOf(req: Request, res: Response, name: string): Promise<Buffer> {
  const limitMb = UPLOAD_LIMIT_BYTES / 1024 / 1024;
  await new Promise<void>((resolve, reject) => {
    // Express's request is Node's own object with more on it
    // eslint-disable-next-line @typescript-eslint/no-unsafe-class-instance-assignment
    readBody(req, res, (error?: unknown) => {
      if (!error) resolve();
      else if ((error as { type?: string }).type === 'entity.too.large') {
        reject(
          new DomainError(
            'too-large',
            `“${name}” is larger than ${limitMb} MB. Export it at 300 px per inch of its printed size.`,
          ),
        );
      } else reject(error instanceof Error ? error : new Error('the upload broke off', { cause: error }));
    });
  });
  return Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0);
}
