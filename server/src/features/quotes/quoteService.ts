import { DomainError } from '@saltflat/contract';
import type {
  GivenQuote,
  LineDocument,
  LineQuote,
  Order,
  OrderLine,
  OrderQuotes,
  QuoteAcceptance,
  QuoteDocument,
  QuoteGiving,
  QuotedLine,
  RouteVersion,
} from '@saltflat/contract';
import { formatMoney } from '@saltflat/core/units';
import { Memory } from '../../memory.ts';
import { paperWords } from '../../pdf/index.ts';
import type { Paper, PaperWords, PaperWriting } from '../../pdf/index.ts';
import type { QuoteSheet } from './quotePdf.ts';
import { priceVersion, quoteVersion, quotedLine } from './quoteVersion.ts';
import type { PricedVersion } from './quoteVersion.ts';
import type { QuoteStore } from './quoteStore.ts';

interface Needs {
  quotes: QuoteStore;
  findOrder: (orderId: string) => Promise<Order>;
  /** The route a line is made by with what it was planned from. */
  currentRoute: (
    lineId: string,
  ) => Promise<{ version: RouteVersion; input: { document: LineDocument } | null }>;
  /** Layouts its film and that film’s cost are of. */
  laidFilm: (lineId: string, routeNumber: number) => Promise<{ layouts: { code: string }[] } | null>;
  /** How the shop writes measures and money. */
  writing: () => Promise<PaperWriting>;
  writeQuote: (sheet: QuoteSheet, paper: Paper) => Promise<Buffer>;
  now: () => number;
}

const DAY_MS = 86_400_000;
const PRICES_KEPT = 1000; // two kilobytes each

/** What orders are offered for: a draft that follows the routes, and quotes that were given, which never move. */
export class QuoteService {
  /** A version never changes, so neither does its price while its film is not laid out anew: it is worked out once. */
  private readonly prices = new Memory<PricedVersion>(PRICES_KEPT);

  constructor(private readonly needs: Needs) {}

  /** What a line is offered for by the route it is made by. */
  async ofLine(lineId: string): Promise<LineQuote> {
    return quoteVersion(await this.needs.currentRoute(lineId));
  }

  async ofOrder(orderId: string): Promise<OrderQuotes> {
    const order = await this.needs.findOrder(orderId);
    return { draft: await this.draftOf(order), given: await this.needs.quotes.ofOrder(orderId) };
  }

  /** Gives an order's draft to the customer: from now on it stands as it is. */
  async give(orderId: string, { by, goodDays, totalCents }: QuoteGiving): Promise<OrderQuotes> {
    const { quotes, findOrder, now } = this.needs;
    const order = await findOrder(orderId);
    if (order.state === 'cancelled')
      throw new DomainError('not-now', `${order.code} is cancelled. Restore it before it is offered.`);
    const draft = await this.draftOf(order);
    refuseUnpriced(draft);
    if (draft.totalCents !== totalCents)
      throw new DomainError(
        'stale-version',
        `The price has moved to ${formatMoney(draft.totalCents, (await this.needs.writing()).currency)} meanwhile. Look at it, then give the quote.`,
        { current: draft },
      );
    const givenAt = new Date(now());
    const goodUntil = new Date(givenAt.getTime() + goodDays * DAY_MS);
    await quotes.insert(orderId, draft, { givenBy: by, givenAt, goodUntil });
    return this.ofOrder(orderId);
  }

  /** Notes that the customer said yes to a quote that was given. */
  async accept(id: string, { customerName }: QuoteAcceptance): Promise<GivenQuote> {
    const { quotes, now } = this.needs;
    const quote = await this.get(id);
    const at = now();
    if (quote.state === 'given' && Date.parse(quote.goodUntil) < at)
      throw new DomainError(
        'not-now',
        `${quote.code} was good until ${quote.goodUntil.slice(0, 10)}. Give a new one.`,
      );
    if (!(await quotes.accept(id, customerName, new Date(at))))
      throw new DomainError('not-now', `${quote.code} is accepted already.`);
    return this.get(id);
  }

  /** A quote on paper, as it was given. */
  async paperOf(id: string, paper: Paper): Promise<{ name: string; bytes: Buffer }> {
    const { code, document, givenAt, goodUntil } = await this.get(id);
    const bytes = await this.needs.writeQuote(
      { ...document, given: { code, at: givenAt, goodUntil }, madeAt: givenAt },
      paper,
    );
    return { name: `${code}-${document.orderCode}.pdf`, bytes };
  }

  /** The draft on paper: said to be one. */
  async draftPaper(orderId: string, paper: Paper): Promise<{ name: string; bytes: Buffer }> {
    const order = await this.needs.findOrder(orderId);
    const draft = await this.draftOf(order);
    if (draft.lines.length === 0)
      throw new DomainError('not-now', `${order.code} has no route yet: without one there is no price.`);
    const bytes = await this.needs.writeQuote(
      { ...draft, given: null, madeAt: new Date(this.needs.now()).toISOString() },
      paper,
    );
    return { name: `${order.code}-quote-draft.pdf`, bytes };
  }

  private async get(id: string): Promise<GivenQuote> {
    const quote = await this.needs.quotes.find(id);
    if (!quote) throw new DomainError('not-found', `There is no quote ${id.slice(0, 8)}.`);
    return quote;
  }

  private async draftOf({ code, customer, dueAt, lines }: Order): Promise<QuoteDocument> {
    const priced: QuotedLine[] = [];
    const unpriced: QuoteDocument['unpriced'] = [];
    for (const line of lines) {
      const outcome = await this.quotedOr(line);
      if (typeof outcome === 'string') unpriced.push({ code: line.code, why: outcome });
      else priced.push(outcome);
    }
    const totalCents = priced.reduce((sum, { quote }) => sum + quote.totalCents, 0);
    return { format: 1, orderCode: code, customer, dueAt, lines: priced, unpriced, totalCents };
  }

  /** A line's price, or why it has none. */
  private async quotedOr(line: OrderLine): Promise<QuotedLine | string> {
    const words = paperWords(await this.needs.writing());
    if (line.routeNumber === null) return whyUnpriced(line, words.t);
    try {
      return quotedLine(line, await this.priced(line), words);
    } catch (error) {
      if (error instanceof DomainError && error.code !== 'database-away') return error.message;
      throw error;
    }
  }

  private async priced({ id, routeNumber }: OrderLine): Promise<PricedVersion> {
    // what its film costs is known better once it was laid out
    const laid = routeNumber === null ? null : await this.needs.laidFilm(id, routeNumber);
    const by = laid?.layouts.map((layout) => layout.code).join(' ') ?? '';
    const known = this.prices.get(`${id}/${routeNumber ?? 0}/${by}`);
    if (known) return known;
    const priced = priceVersion(await this.needs.currentRoute(id));
    this.prices.put(`${id}/${priced.number}/${by}`, priced);
    return priced;
  }
}

function whyUnpriced({ code, planProblem, state }: OrderLine, t: PaperWords['t']): string {
  if (planProblem !== null) return t('{code} has no route yet: {problem}', { code, problem: planProblem });
  return state === 'needs-art'
    ? t('{code} has no route yet: it has no artwork.', { code })
    : t('{code} has no route yet: it is being planned.', { code });
}

function refuseUnpriced({ orderCode, lines, unpriced }: QuoteDocument): void {
  if (lines.length > 0 && unpriced.length === 0) return;
  const why = unpriced.map((own) => own.why).join(' ');
  throw new DomainError('not-now', `${orderCode} cannot be offered yet. ${why}`);
}
