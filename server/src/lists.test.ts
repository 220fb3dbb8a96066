import type { LedgerPage, Order, OrderPage, Problem, Run } from '@saltflat/contract';
import { expect } from 'chai';
import Papa from 'papaparse';
import { doneEvents, lineInput, orderInput, plannedOrder, startTestServer } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

type Query = Record<string, string | number>;

describe('lists', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  const get = async <T>(path: string, query: Query, status = 200): Promise<T> =>
    (await server.api.get(`/api/v1${path}`).query(query).expect(status)).body as T;
  const text = async (path: string, query: Query): Promise<string> =>
    (await server.api.get(`/api/v1${path}`).query(query).expect(200)).text;
  /** Every page of a list, in its order. */
  async function all<T>(path: string, query: Query): Promise<T[]> {
    const items: T[] = [];
    for (let cursor: string | null = ''; cursor !== null;) {
      const page: { items: T[]; nextCursor: string | null } = await get(path, {
        ...query,
        ...(cursor ? { cursor } : {}),
      });
      items.push(...page.items);
      cursor = page.nextCursor;
    }
    return items;
  }

  describe('of orders', () => {
    const days = ['2031-03-04', '2031-01-09', '2031-02-01', '2031-01-09'];
    before(async () => {
      const colours = ['Navy', 'White', 'Navy', 'Black'];
      const style = server.catalogue.styles.find(({ name }) => name === 'Harbour tee')!;
      for (const [i, day] of days.entries()) {
        const colourId = style.colours.find(({ name }) => name === colours[i])?.id ?? '';
        const line = lineInput(server);
        await server.api
          .post('/api/v1/orders')
          .send(
            orderInput(server, null, {
              customer: ['Bittern Choir', 'avocet Sailing', 'Curlew 50%_off', 'Dunlin Press'][i],
              dueAt: `${day}T15:00:00.000Z`,
              note: i === 2 ? 'hang, do not fold' : '',
              lines: [{ ...line, colourId }],
            }),
          )
          .expect(201);
      }
    });
    const names = (orders: { customer: string }[]): string[] => orders.map(({ customer }) => customer);

    it('sort by due date, code, customer and arrival, up and down, letter case aside', async () => {
      const by = async (sort: string, direction: string): Promise<string[]> =>
        names(await all<Order>('/orders', { sort, direction }));
      expect(await by('customer', 'asc')).to.deep.equal([
        'avocet Sailing',
        'Bittern Choir',
        'Curlew 50%_off',
        'Dunlin Press',
      ]);
      const due = await all<Order>('/orders', { sort: 'due' });
      expect(due.map(({ dueAt }) => dueAt.slice(0, 10))).to.deep.equal([...days].sort());
      for (const sort of ['due', 'code', 'customer', 'created'])
        expect(await by(sort, 'desc'), sort).to.deep.equal((await by(sort, 'asc')).reverse());
    });

    it('give each order once, whatever the size of a page and however many are due at once', async () => {
      for (const sort of ['due', 'code', 'customer', 'created'])
        for (const limit of [1, 2, 3]) {
          const paged = await all<Order>('/orders', { sort, limit });
          expect(names(paged), `${sort}, ${limit} a page`).to.deep.equal(
            names(await all<Order>('/orders', { sort })),
          );
        }
    });

    it('are searched by code, customer, note, garment and colour, wildcards taken as they stand', async () => {
      const found = async (search: string): Promise<string[]> =>
        names(await all<Order>('/orders', { search, sort: 'code' }));
      const [first] = await all<Order>('/orders', { sort: 'code' });
      expect(await found(first!.code.toLowerCase())).to.include(first!.customer);
      expect(await found('CHOIR')).to.deep.equal(['Bittern Choir']);
      expect(await found('do not fold')).to.deep.equal(['Curlew 50%_off']);
      expect(await found('harbour')).to.have.lengthOf(4);
      expect(await found('white')).to.deep.equal(['avocet Sailing']);
      expect(await found('50%_')).to.deep.equal(['Curlew 50%_off']);
      expect(await found('%')).to.deep.equal(['Curlew 50%_off']);
      expect(await found('_')).to.deep.equal(['Curlew 50%_off']);
      expect(await found('nothing of the kind')).to.deep.equal([]);
    });

    it('count what is found, not what is on the page', async () => {
      const page = await get<OrderPage>('/orders', { limit: 1, search: 'harbour' });
      expect([page.items.length, page.total]).to.deep.equal([1, 4]);
    });

    it('are filtered by state; open is neither done nor cancelled', async () => {
      const [gone] = await all<Order>('/orders', { search: 'Dunlin' });
      await server.api.post(`/api/v1/orders/${gone!.id}/cancel`).send({ version: 1 }).expect(200);
      expect(names(await all<Order>('/orders', { state: 'cancelled' }))).to.deep.equal(['Dunlin Press']);
      expect(names(await all<Order>('/orders', { state: 'open' }))).to.not.include('Dunlin Press');
      await get<Problem>('/orders', { state: 'lost' }, 400);
    });

    it('refuse a cursor that is no place in them, in words', async () => {
      const forged = (value: unknown): string => Buffer.from(JSON.stringify(value)).toString('base64url');
      for (const cursor of [
        'x',
        forged(5),
        forged(['tomorrow', '7f1d9a54-0b1e-4c5e-9a52-3f6f0b7f3a01']),
        forged(['2031-01-01', "' or 1=1"]),
      ]) {
        const { detail } = await get<Problem>('/orders', { cursor }, 400);
        expect(detail).to.equal('“Cursor” is no place in this list: leave it out to begin at the start.');
      }
      const [first] = (await get<OrderPage>('/orders', { sort: 'customer', limit: 1 })).items;
      const { nextCursor } = await get<OrderPage>('/orders', { sort: 'customer', limit: 1 });
      expect(first!.customer).to.equal('avocet Sailing');
      await get<Problem>('/orders', { sort: 'code', cursor: nextCursor ?? '' }, 400);
    });

    it('go out as CSV with every order found, whatever the page', async () => {
      const { data } = Papa.parse<Record<string, string>>(
        await text('/orders.csv', { limit: 1, sort: 'customer' }),
        { header: true, skipEmptyLines: true },
      );
      expect(data.map(({ customer }) => customer)).to.deep.equal(
        names(await all<Order>('/orders', { sort: 'customer' })),
      );
      for (const row of data) expect(row.pieces).to.equal('2');
    });
  });

  describe('of what came out', () => {
    let order: Order;
    before(async () => {
      const artworkId = (await plannedOrder(server, { customer: 'Art alone' })).lines[0]!.prints[0]!.artwork!
        .id;
      order = await plannedOrder(server, {
        customer: 'Whimbrel Rowing',
        lines: [
          lineInput(server, { artworkId, sizes: [{ size: 'M', quantity: 3 }] }),
          lineInput(server, { artworkId, sizes: [{ size: 'L', quantity: 1 }] }),
        ],
      });
      const { body: run } = (await server.api
        .post('/api/v1/runs')
        .send({ lineIds: [order.lines[0]!.id], by: 'Ada' })
        .expect(201)) as { body: Run };
      await send(run, doneEvents(run, 0));
      const verdicts = [
        { verdict: 'good' as const, faults: [] },
        { verdict: 'scrap' as const, faults: ['white-rim', 'scorch'], note: 'kept as a sample' },
        { verdict: 'good' as const, faults: [] },
      ];
      for (const [i, inspection] of verdicts.entries()) await send(run, doneEvents(run, i + 1, inspection));
    });
    const send = async (run: Run, events: object[]): Promise<void> => {
      await server.api.post(`/api/v1/runs/${run.id}/events`).send({ events }).expect(200);
    };
    const page = (query: Query): Promise<LedgerPage> => get('/ledger', query);

    it('are filtered by verdict, fault and process, and counted as filtered', async () => {
      expect((await page({})).counts).to.deep.equal({ good: 2, reprint: 0, scrap: 1 });
      const scrapped = await page({ verdict: 'scrap' });
      expect(scrapped.items.map(({ piece, faults }) => [piece, faults])).to.deep.equal([
        [2, ['white-rim', 'scorch']],
      ]);
      expect(scrapped.counts).to.deep.equal({ good: 0, reprint: 0, scrap: 1 });
      expect((await page({ fault: 'scorch' })).total).to.equal(1);
      expect((await page({ fault: 'gritty' })).total).to.equal(0);
      expect((await page({ process: 'dtf' })).total).to.equal(3);
      expect((await page({ process: 'dtg' })).total).to.equal(0);
    });

    it('are searched by line, customer, garment, person and note', async () => {
      const total = async (search: string): Promise<number> => (await page({ search })).total;
      for (const search of [`${order.code}/1`, order.code, 'whimbrel', 'HARBOUR', 'navy', 'ada'])
        expect(await total(search), search).to.equal(3);
      expect(await total('sample')).to.equal(1);
      expect(await total(`${order.code}/2`)).to.equal(0);
      expect(await total('%')).to.equal(0);
    });

    it('come newest first, page by page, each once', async () => {
      const whole = await all<{ piece: number; at: string }>('/ledger', {});
      expect(whole.map(({ piece }) => piece)).to.deep.equal([3, 2, 1]);
      expect(await all('/ledger', { limit: 1 })).to.deep.equal(whole);
      const { fields } = await get<Problem>('/ledger', { cursor: '1e400' }, 400);
      expect(fields?.map(({ path }) => path)).to.deep.equal(['/cursor']);
    });

    it('go out whole as CSV and JSON, faults by the names people use', async () => {
      const { data } = Papa.parse<Record<string, string>>(await text('/ledger.csv', { limit: 1 }), {
        header: true,
        skipEmptyLines: true,
      });
      expect(data).to.have.lengthOf(3);
      const scrapped = data.find(({ verdict }) => verdict === 'scrap');
      expect(scrapped).to.include({
        piece: '2',
        note: 'kept as a sample',
        by: 'Ada',
        code: `${order.code}/1`,
        faults: 'white rim + scorch, shine or platen mark',
      });
      const { outcomes } = JSON.parse(await text('/ledger.json', {})) as { outcomes: LedgerPage['items'] };
      expect(outcomes).to.deep.equal((await page({})).items);
    });
  });
});
