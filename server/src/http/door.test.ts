import { request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import express from 'express';
import { pino } from 'pino';
import { door } from './door.ts';
import { problemHandler } from './problemHandler.ts';

/** What a browser sends with a request, and whether it may come in. */
interface Case {
  what: string;
  headers: Record<string, string>;
  method?: string;
  path?: string;
  status: number;
}

const OWN = { 'sec-fetch-site': 'same-origin' };
const FOREIGN = { origin: 'http://elsewhere.example', 'sec-fetch-site': 'cross-site' };
const LINK = { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' };

describe('the door', () => {
  const app = express()
    .use(door(['print.example']), (_req, res) => void res.json({ in: true }))
    .use(problemHandler(pino({ level: 'silent' })));
  const server = app.listen(0, '127.0.0.1');
  after(() => server.close());
  const port = (): number => (server.address() as AddressInfo).port;

  const status = ({ headers, method = 'GET', path = '/api/v1/orders' }: Case): Promise<number> =>
    new Promise((resolve, reject) => {
      const sent = request(
        { host: '127.0.0.1', port: port(), method, path, headers, setHost: !('host' in headers) },
        (res) => resolve(res.resume().statusCode ?? 0),
      );
      sent.on('error', reject).end();
    });

  it('answers to the names it knows, whatever else is said', async () => {
    const cases: Case[] = [
      { what: 'its address', headers: {}, status: 200 },
      { what: 'localhost', headers: { host: 'LOCALHOST:4680' }, status: 200 },
      { what: 'the address of IPv6', headers: { host: '[::1]:4680' }, status: 200 },
      { what: 'the shop’s own name', headers: { host: 'print.example' }, status: 200 },
      { what: 'a name bound to this machine', headers: { host: 'rebound.example:4680' }, status: 421 },
      { what: 'a name that begins alike', headers: { host: 'localhost.elsewhere.example' }, status: 421 },
      { what: 'a name that ends alike', headers: { host: 'not-print.example' }, status: 421 },
      { what: 'a name within a name', headers: { host: 'localhost:1@elsewhere.example' }, status: 421 },
      { what: 'no name', headers: { host: '' }, status: 421 },
      {
        what: 'a name handed on',
        headers: { host: 'rebound.example', 'x-forwarded-host': 'localhost' },
        status: 421,
      },
    ];
    for (const own of cases) expect(await status(own), own.what).to.equal(own.status);
  });

  it('lets its own pages and command lines in, and no page of anybody else', async () => {
    const origin = `http://127.0.0.1:${port()}`;
    const cases: Case[] = [
      { what: 'own page writes', method: 'POST', headers: { ...OWN, origin }, status: 200 },
      { what: 'own page reads', headers: OWN, status: 200 },
      { what: 'a command line writes', method: 'PUT', headers: {}, status: 200 },
      { what: 'typed address', headers: { 'sec-fetch-site': 'none' }, status: 200 },
      { what: 'foreign page writes', method: 'POST', headers: FOREIGN, status: 403 },
      {
        what: 'foreign page that an old browser names',
        method: 'POST',
        headers: { origin: FOREIGN.origin },
        status: 403,
      },
      {
        what: 'a page that hides where it is from',
        method: 'POST',
        headers: { origin: 'null' },
        status: 403,
      },
      {
        what: 'another port of this machine',
        method: 'POST',
        headers: { origin: 'http://127.0.0.1:1' },
        status: 403,
      },
      {
        what: 'another name of this machine',
        method: 'POST',
        headers: { origin: `http://localhost:${port()}` },
        status: 403,
      },
      {
        what: 'same site, other origin',
        method: 'POST',
        headers: { 'sec-fetch-site': 'same-site' },
        status: 403,
      },
      { what: 'a change out of nowhere', method: 'POST', headers: { 'sec-fetch-site': 'none' }, status: 403 },
      { what: 'foreign page reads', headers: FOREIGN, status: 403 },
      {
        what: 'foreign page shows a picture',
        path: '/api/v1/artworks/1/file',
        headers: { 'sec-fetch-site': 'cross-site' },
        status: 403,
      },
      { what: 'foreign page listens', path: '/api/v1/live', headers: FOREIGN, status: 403 },
      { what: 'foreign page asks first', method: 'OPTIONS', headers: FOREIGN, status: 403 },
      {
        what: 'a link to a page',
        path: '/orders',
        headers: { ...LINK, 'sec-fetch-dest': 'document' },
        status: 200,
      },
      { what: 'a link to the API', headers: { ...LINK, 'sec-fetch-dest': 'document' }, status: 403 },
      {
        what: 'a page in a frame',
        path: '/orders',
        headers: { ...LINK, 'sec-fetch-dest': 'iframe' },
        status: 403,
      },
      {
        what: 'a form sent to a page',
        method: 'POST',
        path: '/orders',
        headers: { ...LINK, 'sec-fetch-dest': 'document' },
        status: 403,
      },
    ];
    for (const own of cases) expect(await status(own), own.what).to.equal(own.status);
  });
});
