import { DomainError, PLACEMENTS, ratesOf, routeInputOf } from '@saltflat/contract';
import type { LineDocument, Order, OrderLine, RouteVersion } from '@saltflat/contract';
import type { ArtFigures } from '@saltflat/core/artwork';
import { quoteLine } from '@saltflat/core/cost';
import type { Quote } from '@saltflat/core/cost';
import { PROCESS_MODULES, PROCESS_NAMES, planRoute } from '@saltflat/core/route';
import { formatQuantity } from '@saltflat/core/units';
import { toBuffer } from 'bwip-js/node';
import type { Paper } from '../../pdf/index.ts';
import { quotePdf } from './quotePdf.ts';
import { runSheetPdf } from './runSheetPdf.ts';

interface Needs {
  findLine: (
    lineId: string,
  ) => Promise<{ line: OrderLine; orderId: string; customer: string; dueAt: string }>;
  findOrder: (orderId: string) => Promise<Order>;
  latestRoute: (lineId: string) => Promise<RouteVersion>;
  lineDocument: (lineId: string) => Promise<LineDocument>;
  blankCents: (line: OrderLine) => Promise<Map<string, number>>;
  picture: (lineId: string, maxPx: number) => Promise<{ bytes: Buffer; figures: ArtFigures }>;
  now: () => number;
}

export type PaperService = ReturnType<typeof createPaperService>;

const PICTURE_PX = 700;

/** What leaves the house on paper: the offer for a customer, the sheet for the floor. */
export function createPaperService({
  findLine,
  findOrder,
  latestRoute,
  lineDocument,
  blankCents,
  picture,
  now,
}: Needs) {
  /** What a line is offered for. */
  async function quote(lineId: string): Promise<Quote> {
    const { line } = await findLine(lineId);
    return quoteOf(line, await lineDocument(lineId), await blankCents(line));
  }

  /** The whole order's offer. */
  async function quoteSheet(orderId: string, paper: Paper): Promise<{ name: string; bytes: Buffer }> {
    const order = await findOrder(orderId);
    const planned = order.lines.filter(({ routeNumber }) => routeNumber !== null);
    if (planned.length === 0)
      throw new DomainError('not-now', `${order.code} has no route yet: without one there is no price.`);
    const lines = [];
    for (const line of planned) {
      const document = await lineDocument(line.id);
      const input = routeInputOf(document);
      lines.push({
        what: `${line.pieces} × ${line.colour.name} ${line.styleName}`,
        print: `${line.artwork?.name ?? 'artwork'}, ${PLACEMENTS[line.placement].label.toLowerCase()}, ${formatQuantity(line.widthMm, 'length')} wide`,
        look: `${PROCESS_NAMES[line.process]}: ${PROCESS_MODULES[line.process].look(input).words}.`,
        quote: quoteOf(line, document, await blankCents(line)),
      });
    }
    const bytes = await quotePdf(
      {
        code: order.code,
        customer: order.customer,
        dueAt: order.dueAt,
        madeAt: new Date(now()).toISOString(),
        lines,
      },
      paper,
    );
    return { name: `${order.code}-quote.pdf`, bytes };
  }

  /** A line's newest route on paper, with its bar code. */
  async function runSheet(lineId: string, paper: Paper): Promise<{ name: string; bytes: Buffer }> {
    const { line, orderId, customer, dueAt } = await findLine(lineId);
    const { note } = await findOrder(orderId);
    const version = await latestRoute(lineId);
    const { bytes: drawn } = await picture(lineId, PICTURE_PX);
    const bytes = await runSheetPdf(
      {
        code: line.code,
        customer,
        dueAt,
        garment: `${line.colour.name} ${line.styleName}`,
        kind: line.styleKind,
        note,
        route: version.route,
        routeNumber: version.number,
        pieces: version.pieces,
        picture: drawn,
        barCode: await toBuffer({
          bcid: 'code128',
          text: line.code,
          scale: 3,
          height: 11,
          includetext: false,
        }),
        madeAt: new Date(now()).toISOString(),
      },
      paper,
    );
    return { name: `${line.code.replace('/', '-')}-run-sheet.pdf`, bytes };
  }

  return { quote, quoteSheet, runSheet };
}

function quoteOf(line: OrderLine, document: LineDocument, cents: ReadonlyMap<string, number>): Quote {
  const input = routeInputOf(document);
  return quoteLine({
    routeFor: (pieces) => planRoute({ ...input, pieces }),
    garment: input.garment,
    sizes: line.sizes.map(({ size, quantity }) => ({ size, quantity, blankCents: cents.get(size) ?? 0 })),
    rates: ratesOf(document),
  });
}
