import { PrintId, ProofAnswer, ProofAnswerInput } from '@saltflat/contract';
import { PLANES } from '@saltflat/core/artwork';
import type { Response } from 'express';
import { Type } from 'typebox';
import { endpoint, file } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { PrintService } from './printService.ts';

const PlaneQuery = Type.Object(
  {
    print: Type.Optional(PrintId),
    plane: Type.Enum([...PLANES], { title: 'Plane' }),
    format: Type.Enum(['png', 'tiff'], { title: 'Format' }),
  },
  { additionalProperties: false },
);

const PictureQuery = Type.Object(
  {
    print: Type.Optional(PrintId),
    version: Type.Optional(Type.Integer({ title: 'Route version', minimum: 1 })),
  },
  { additionalProperties: false },
);
const PICTURE_PX = 640;
/** A large picture is drawn for that long, and may have to wait for others. */
const DRAWING_S = 120;

export const printEndpoints = (prints: PrintService): Endpoint[] => [
  ...fileEndpoints(prints),
  ...answerEndpoints(prints),
];

const fileEndpoints = (prints: PrintService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/plane',
      summary: 'A plane of a print at its resolution, PNG or TIFF; of the line’s first where none is named',
      query: PlaneQuery,
      answer: file('image/png', 'image/tiff'),
      patienceS: DRAWING_S,
    },
    async ({ params, query, res }) => {
      const { print = null, plane, format } = query;
      const { name, bytes } = await prints.plane({ lineId: params.id ?? '', print }, plane, format);
      sendFile(res, name, `image/${query.format}`, bytes);
    },
  ),
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/picture',
      summary:
        'The print on its garment’s colour without empty margins, PNG: of a version of its route, or as it is now',
      query: PictureQuery,
      answer: file('image/png'),
      patienceS: DRAWING_S,
    },
    async ({ params, query, res }) => {
      const { print = null, version = null } = query;
      const { bytes, isAsPlanned } = await prints.picture(params.id ?? '', print, version, PICTURE_PX);
      // only what is drawn from what was kept with a version stays as it is
      const isForEver = version !== null && isAsPlanned;
      res
        .type('image/png')
        .set('Cache-Control', isForEver ? 'private, max-age=31536000, immutable' : 'no-store')
        .end(bytes);
    },
  ),
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/proof.pdf',
      summary: 'A page for the customer to say yes to',
      answer: file('application/pdf'),
      patienceS: DRAWING_S,
    },
    async ({ params, res }) => {
      const { name, bytes } = await prints.proof(params.id ?? '');
      sendFile(res, name, 'application/pdf', bytes);
    },
  ),
];

const answerEndpoints = (prints: PrintService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/proof-answers',
      summary: 'What the customer said, newest first',
      answer: Type.Array(ProofAnswer),
    },
    ({ params }) => prints.answers(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'post',
      path: '/lines/:id/proof-answers',
      summary: 'Record what the customer said to a proof',
      body: ProofAnswerInput,
      answer: Type.Array(ProofAnswer),
      status: 201,
    },
    ({ params, body }) => prints.answer(params.id ?? '', body),
  ),
];

function sendFile(res: Response, name: string, mediaType: string, bytes: Buffer): void {
  res.attachment(name).type(mediaType).set('Cache-Control', 'no-store').end(bytes);
}
