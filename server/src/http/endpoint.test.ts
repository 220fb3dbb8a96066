import { gzipSync } from 'node:zlib';
import { DomainError } from '@saltflat/contract';
import { expect } from 'chai';
import express from 'express';
import { pino } from 'pino';
import supertest from 'supertest';
import { Type } from 'typebox';
import { sendCsv } from './csv.ts';
import { Watch } from '../watch.ts';
import { createTurns, endpoint, file, mount } from './endpoint.ts';
import { describeApi } from './openApi.ts';
import { problemHandler, unknownPath } from './problemHandler.ts';

const Query = Type.Object(
  { limit: Type.Optional(Type.Integer({ title: 'Limit', minimum: 1, maximum: 5 })) },
  { additionalProperties: false },
);
const Limit = Type.Object({ limit: Type.Integer() }, { additionalProperties: false });
const Body = Type.Object(
  { name: Type.String({ title: 'Name', minLength: 1 }) },
  { additionalProperties: false },
);

const endpoints = [
  endpoint({ method: 'get', path: '/things', summary: 'Things', query: Query, answer: Limit }, ({ query }) =>
    Promise.resolve({ limit: query.limit ?? 2 }),
  ),
  endpoint(
    {
      method: 'post',
      path: '/things',
      summary: 'A new one',
      body: Body,
      bodyBytes: 1024,
      answer: Body,
      status: 201,
    },
    ({ body }) => Promise.resolve(body),
  ),
  endpoint(
    { method: 'post', path: '/notes', summary: 'A long one', body: Body, answer: Body, status: 201 },
    ({ body }) => Promise.resolve(body),
  ),
  endpoint({ method: 'post', path: '/press', summary: 'Without a body', answer: Limit }, () =>
    Promise.resolve({ limit: 1 }),
  ),
  endpoint(
    { method: 'get', path: '/picture', summary: 'Drawn elsewhere', answer: Limit, patienceS: 0.05 },
    async () => {
      await Watch.uncounted(() => new Promise((resolve) => setTimeout(resolve, 200)));
      return { limit: 1 };
    },
  ),
  endpoint(
    { method: 'get', path: '/slow', summary: 'Never', answer: Limit, patienceS: 0.05 },
    () => new Promise(() => undefined),
  ),
  endpoint({ method: 'get', path: '/things/:id', summary: 'One', answer: Body }, ({ params }) =>
    params.id?.startsWith('0')
      ? Promise.reject(new RangeError('a secret of the inside'))
      : Promise.reject(new DomainError('not-now', 'Not before noon.')),
  ),
  endpoint({ method: 'get', path: '/odd', summary: 'Answers what it does not say', answer: Limit }, () =>
    Promise.resolve({ limit: 2, more: 'than it says' }),
  ),
  endpoint(
    { method: 'get', path: '/things.csv', summary: 'As a table', answer: file('text/csv') },
    ({ res }) => {
      sendCsv(
        res,
        'things.csv',
        [
          { name: '=1+1', size: 3 },
          { name: 'a "b", c', size: null },
        ],
        ['name', 'size'],
      );
      return Promise.resolve();
    },
  ),
];
const faults = problemHandler(pino({ level: 'silent' }));
const app = express().use(mount(endpoints, createTurns()), unknownPath).use(faults);
const api = supertest(app);
const ID = '7f1d9a54-0b1e-4c5e-9a52-3f6f0b7f3a01';

describe('an endpoint', () => {
  it('reads its query and body by their schemas, and answers with its own status', async () => {
    expect((await api.get('/things?limit=4').expect(200)).body).to.deep.equal({ limit: 4 });
    expect((await api.post('/things').send({ name: 'x' }).expect(201)).body).to.deep.equal({ name: 'x' });
  });

  it('refuses what does not fit, each field in words', async () => {
    for (const query of ['limit=0', 'limit=six', 'limit=3&page=2'])
      expect((await api.get(`/things?${query}`)).status, query).to.equal(400);
    const { body, headers } = await api.post('/things').send({ name: '', more: 1 }).expect(400);
    expect(headers['content-type']).to.contain('application/problem+json');
    expect((body as { fields: { path: string }[] }).fields.map(({ path }) => path).sort()).to.deep.equal([
      '/more',
      '/name',
    ]);
  });

  it('answers broken and oversized bodies in words', async () => {
    const broken = await api.post('/things').set('content-type', 'application/json').send('{"name":');
    expect([broken.status, (broken.body as { code: string }).code]).to.deep.equal([400, 'invalid-input']);
    const large = await api.post('/things').send({ name: 'x'.repeat(3000) });
    expect([large.status, (large.body as { code: string }).code]).to.deep.equal([413, 'too-large']);
    const latin = await api
      .post('/things')
      .set('content-type', 'application/json')
      .serialize((bytes) => bytes as string)
      .send(Buffer.from('{"name":"Zo\xeb"}', 'latin1'));
    expect((latin.body as { detail: string }).detail).to.contain('not UTF-8');
  });

  it('takes only the types it names, unpacked; and nothing where nothing is to be sent', async () => {
    for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=x'])
      expect(
        (await api.post('/things').set('content-type', type).send('{"name":"x"}')).status,
        type,
      ).to.equal(415);
    const packed = gzipSync(JSON.stringify({ name: 'x' }));
    const { status } = await api
      .post('/things')
      .set({ 'content-type': 'application/json', 'content-encoding': 'gzip' })
      .serialize((bytes) => bytes as string)
      .send(packed);
    expect(status).to.equal(415);
    expect((await api.post('/press').set('content-type', 'text/plain').send('now')).status).to.equal(415);
    expect((await api.post('/press')).status).to.equal(200);
  });

  it('refuses bodies that are large though they are short: nested, or of very many values', async () => {
    const small = express().use(mount(endpoints, createTurns()), unknownPath).use(faults);
    const send = (text: string) =>
      supertest(small).post('/notes').set('content-type', 'application/json').send(text);
    for (const text of [`{"name":${'['.repeat(30)}${']'.repeat(30)}}`, `{"name":[${'1,'.repeat(25_000)}1]}`])
      expect((await send(text)).status).to.equal(400);
    const textual = await send(JSON.stringify({ name: '[{,:'.repeat(20_000) }));
    expect(textual.status, 'what stands inside a text is counted as nothing').to.equal(201);
  });

  it('waits for what has limits of its own', async () => {
    expect((await api.get('/picture')).status).to.equal(200);
  });

  it('answers 503 with when to come again, once it has taken too long', async () => {
    const { status, headers, body } = await api.get('/slow');
    expect([status, (body as { code: string }).code]).to.deep.equal([503, 'too-slow']);
    expect(Number(headers['retry-after'])).to.be.above(0);
  });

  it('knows a refusal from a fault, and tells nobody what broke inside', async () => {
    const refused = await api.get(`/things/${ID}`);
    expect([refused.status, (refused.body as { detail: string }).detail]).to.deep.equal([
      409,
      'Not before noon.',
    ]);
    const broken = await api.get(`/things/0${ID.slice(1)}`);
    expect(broken.status).to.equal(500);
    expect(JSON.stringify(broken.body)).to.not.contain('secret');
    expect((await api.get('/things/not-an-id')).status).to.equal(404);
    expect((await api.get('/elsewhere')).status).to.equal(404);
  });

  it('answers nothing that its schema does not say: that is a fault, with an id to look for', async () => {
    const { status, body } = await api.get('/odd');
    expect([status, (body as { code: string }).code]).to.deep.equal([500, 'internal']);
    expect((body as { detail: string }).detail).to.contain((body as { requestId: string }).requestId);
  });

  it('sends tables that a spreadsheet reads as text', async () => {
    const { text, headers } = await api.get('/things.csv').expect(200);
    expect(headers['content-disposition']).to.contain('things.csv');
    expect(text).to.equal(`name,size\r\n'=1+1,3\r\n"a ""b"", c",\r\n`);
  });

  it('is described with its parameters, body and answers', () => {
    const { paths } = describeApi(endpoints) as {
      paths: Record<
        string,
        Record<
          string,
          { parameters: { name: string; in: string }[]; requestBody?: object; responses: object }
        >
      >;
    };
    expect(paths['/things/{id}']?.get?.parameters).to.deep.include({
      name: 'id',
      in: 'path',
      required: true,
      schema: { type: 'string', format: 'uuid' },
    });
    expect(paths['/things']?.get?.parameters.map(({ name }) => name)).to.deep.equal(['limit']);
    expect(paths['/things']?.post?.requestBody).to.be.an('object');
    expect(Object.keys(paths['/things']?.post?.responses ?? {})).to.deep.equal(['201', 'default']);
  });
});
