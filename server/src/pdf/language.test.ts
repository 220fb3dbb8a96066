import type { Catalogue, Order, OrderQuotes, RouteVersion, ShopWriting } from '@saltflat/contract';
import { leftInEnglish, wordsIn } from '@saltflat/core/language';
import { expect } from 'chai';
import PDFDocument from 'pdfkit';
import type { Doc } from './index.ts';
import { runSheetPdf } from '../features/papers/runSheetPdf.ts';
import { proofPdf } from '../features/prints/proofPdf.ts';
import { quotePdf } from '../features/quotes/quotePdf.ts';
import { discPng, plannedOrder, startTestServer } from '../testing/testServer.ts';
import type { TestServer } from '../testing/testServer.ts';

const MADE_AT = '2031-02-03T08:00:00.000Z';

/** What is set on paper while something is written, each with where it ends and how far that is from the edge of its page, pt. */
async function written(work: () => Promise<Buffer>): Promise<{ text: string; roomPt: number }[]> {
  const found: { text: string; roomPt: number }[] = [];
  const letters = PDFDocument.prototype as { text: (text: string, ...rest: unknown[]) => Doc };
  const { text: set } = letters;
  letters.text = function (this: Doc, text: string, ...rest: unknown[]) {
    const end = Number(rest[0]) + this.widthOfString(text);
    found.push({ text, roomPt: this.page.width - end });
    return set.call(this, text, ...rest);
  };
  try {
    await work();
  } finally {
    letters.text = set;
  }
  return found;
}

describe('papers in another language', () => {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());
  const get = <T>(path: string): Promise<T> => server.get(path);

  it('say nothing in English, and run over no edge, with words half as long again', async () => {
    const was = await get<ShopWriting>('/shop/writing');
    const record = { ...was.document, language: 'made-up' as const };
    const writing = { ...record, zone: 'Etc/UTC' };
    await server.api.put('/api/v1/shop/writing').send({ version: was.version, record }).expect(200);
    const order = await plannedOrder(server);
    const [line] = (await get<Order>(`/orders/${order.id}`)).lines;
    const { route } = await get<RouteVersion>(`/lines/${line!.id}/route`);
    const { styles, materials, machines } = await get<Catalogue>('/catalogue');
    const { draft } = await get<OrderQuotes>(`/orders/${order.id}/quotes`);
    const art = line!.prints[0]!.artwork!.name;
    const names = [order.customer, art, line!.colour.name, line!.styleName];
    const shop = [...styles, ...materials, ...machines].flatMap(({ name, maker }) => [name, maker]);
    const known = new Set([...names, ...shop, 'Ada'].flatMap(wordsIn));

    const { code, pieces, sizes } = line!;
    const { customer, dueAt } = order;
    const picture = await discPng(1);
    const garment = `${line!.colour.name} ${line!.styleName}`;
    const given = { code: 'Q-1', at: MADE_AT, goodUntil: MADE_AT };
    const head = { code, customer, garment, madeAt: MADE_AT };
    const papers: Record<string, () => Promise<Buffer>> = {
      'run sheet': () =>
        runSheetPdf(
          {
            ...head,
            ...{ dueAt, pieces, route, routeNumber: 1, note: '', kind: 'tee', artOverrule: null },
            pictures: [{ print: '1', picture }],
          },
          writing,
          'a4',
        ),
      quote: () => quotePdf({ ...draft, given, madeAt: MADE_AT }, writing, 'a4'),
      'draft of a quote': () => quotePdf({ ...draft, given: null, madeAt: MADE_AT }, writing, 'letter'),
      proof: () =>
        proofPdf(
          {
            ...head,
            sizes,
            prints: [
              {
                ...{ artworkName: art, process: 'dtf', placement: 'full-front', dropMm: 75, picture },
                ...{ widthMm: 200, heightMm: 160, garmentHex: '#1b2a4a' },
                notes: ['Large solid areas can be felt and let less air through.'],
              },
            ],
            answer: { verdict: 'approved', customerName: 'Ada', at: MADE_AT },
          },
          writing,
        ),
    };
    for (const [name, write] of Object.entries(papers)) {
      const set = await written(write);
      expect(set.length, name).to.be.above(10);
      expect(
        set.flatMap(({ text }) => leftInEnglish(text, known)),
        name,
      ).to.deep.equal([]);
      expect(
        set.filter(({ roomPt }) => roomPt < 10),
        `${name}, over the edge`,
      ).to.deep.equal([]);
    }
  });
});
