import type { Order, Problem, Run } from '@saltflat/contract';
import { expect } from 'chai';
import { orderInput, plannedOrder, sql, startTestServer } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('a request that is sent again', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  // eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters -- says what the answer is taken for
  const send = async <T>(method: 'post' | 'put', path: string, key: string, body: object = {}) => {
    const answer = await server.api[method](`/api/v1${path}`).set('Idempotency-Key', key).send(body);
    return { status: answer.status, body: answer.body as T };
  };
  const ordersOf = async (customer: string): Promise<number> =>
    (
      (await server.api.get('/api/v1/orders').query({ search: customer }).expect(200)).body as {
        total: number;
      }
    ).total;

  it('counts once and is answered as before, however often and however fast', async () => {
    const input = orderInput(server, null, { customer: 'Twice Told' });
    const answers = await Promise.all(
      Array.from({ length: 6 }, () => send<Order>('post', '/orders', 'key-of-an-order', input)),
    );
    const later = await send<Order>('post', '/orders', 'key-of-an-order', input);
    expect(new Set([...answers, later].map(({ status, body }) => `${status} ${body.code}`)).size).to.equal(1);
    expect(later).to.deep.equal(answers[0]);
    expect(await ordersOf('Twice Told')).to.equal(1);
    await send('post', '/orders', 'key-of-another', input);
    expect(await ordersOf('Twice Told'), 'under another key it is another order').to.equal(2);
  });

  it('is answered from what was written where the answer was lost with its server', async () => {
    const order = await plannedOrder(server, { customer: 'Lost Answer' });
    const run = { lineIds: [order.lines[0]!.id], by: 'Ada' };
    const copied = await send<Order>('post', `/orders/${order.id}/duplicate`, 'key-of-a-copy');
    const started = await send<Run>('post', '/runs', 'key-of-a-run', run);
    expect([copied.status, started.status]).to.deep.equal([201, 201]);
    await sql(server, `update request_key set status = null, answer = null`); // the server ended just before it kept them
    const again = await send<Order>('post', `/orders/${order.id}/duplicate`, 'key-of-a-copy');
    expect([again.status, again.body.code]).to.deep.equal([201, copied.body.code]);
    const runAgain = await send<Run>('post', '/runs', 'key-of-a-run', run);
    expect([runAgain.status, runAgain.body.id]).to.deep.equal([201, started.body.id]);
    expect(await ordersOf('Lost Answer')).to.equal(2);
  });

  it('is an edit that was done, not a stale one', async () => {
    const { body: order } = await send<Order>('post', '/orders', 'key-before-edit', orderInput(server, null));
    const { customer, dueAt, version } = order;
    const change = { customer, dueAt, version, note: 'press twice', lines: orderInput(server, null).lines };
    const first = await send<Order>('put', `/orders/${order.id}`, 'key-of-an-edit', change);
    const second = await send<Order>('put', `/orders/${order.id}`, 'key-of-an-edit', change);
    expect([first.status, second]).to.deep.equal([200, first]);
    const stale = await send<Problem>('put', `/orders/${order.id}`, 'key-of-somebody-else', change);
    expect([stale.status, stale.body.code]).to.deep.equal([409, 'stale-version']);
  });

  it('leaves nothing where it was refused: mended, it goes under the same key', async () => {
    const bad = orderInput(server, null, { dueAt: 'soon' });
    expect((await send('post', '/orders', 'key-of-a-refusal', bad)).status).to.equal(400);
    const foreign = orderInput(server, '7f1d9a54-0b1e-4c5e-9a52-3f6f0b7f3a01');
    expect((await send('post', '/orders', 'key-of-a-refusal', foreign)).status).to.be.within(400, 499);
    expect((await send('post', '/orders', 'key-of-a-refusal', orderInput(server, null))).status).to.equal(
      201,
    );
  });

  it('is another request under the key of one, and is told so', async () => {
    await send('post', '/orders', 'key-of-the-first', orderInput(server, null));
    const other = await send<Problem>(
      'post',
      '/orders',
      'key-of-the-first',
      orderInput(server, null, { note: 'other' }),
    );
    expect([other.status, other.body.code]).to.deep.equal([409, 'key-reused']);
    expect((await send('post', '/orders', 'short', orderInput(server, null))).status).to.equal(400);
  });
});
