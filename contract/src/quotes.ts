import type { Quote as CoreQuote } from '@saltflat/core/cost';
import { Type } from 'typebox';
import { CostDocument } from './routes.ts';
import { Id, Instant, nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

const Cents = Type.Number();

/** What a line is offered for, and how the price comes about. */
export const LineQuote = Type.Unsafe<CoreQuote>(
  strictObject({
    cost: CostDocument,
    sizes: Type.Array(
      strictObject({
        size: Type.String(),
        quantity: Type.Integer(),
        blankCents: Cents,
        costCents: Cents,
        eachCents: Type.Integer(),
        totalCents: Type.Integer(),
      }),
    ),
    pieces: Type.Integer(),
    offShare: nullable(Type.Number()),
    upCharges: Type.Array(strictObject({ what: Type.String(), cents: Cents })),
    marginShare: Type.Number(),
    totalCents: Type.Integer(),
    ladder: Type.Array(strictObject({ pieces: Type.Integer(), eachCents: Type.Integer() })),
    assumptions: Type.Array(Type.String()),
  }),
);
export type LineQuote = CoreQuote;

/** A line as a quote offers it. */
export const QuotedLine = strictObject({
  lineId: Id,
  code: Type.String(),
  /** Version of the route the price comes from. */
  routeNumber: Type.Integer(),
  what: Type.String(),
  print: Type.String(),
  /** What the look is like, in words. */
  look: Type.String(),
  quote: LineQuote,
});
export type QuotedLine = Static<typeof QuotedLine>;

/** What a quote says to a customer; kept whole with a given one. */
export const QuoteDocument = strictObject({
  format: Type.Literal(1),
  orderCode: Type.String(),
  customer: Type.String(),
  dueAt: Instant,
  lines: Type.Array(QuotedLine),
  /** Lines without a price, each with why. */
  unpriced: Type.Array(strictObject({ code: Type.String(), why: Type.String() })),
  totalCents: Type.Integer(),
});
export type QuoteDocument = Static<typeof QuoteDocument>;

/** Where a quote that left the house stands. A draft has no record: it is what the routes say now. */
export const QUOTE_STATES = ['given', 'accepted'] as const;

/** A quote that was given: its number, date and prices never move. */
export const GivenQuote = strictObject({
  id: Id,
  orderId: Id,
  /** As it stands on paper, for example "Q-1004". */
  code: Type.String(),
  state: Type.Enum([...QUOTE_STATES]),
  givenAt: Instant,
  goodUntil: Instant,
  givenBy: Type.String(),
  acceptedAt: nullable(Instant),
  /** Who said yes for the customer. */
  acceptedBy: nullable(Type.String()),
  document: QuoteDocument,
});
export type GivenQuote = Static<typeof GivenQuote>;

/** An order's quotes: what it would be offered for now, and what it was offered for, newest first. */
export const OrderQuotes = strictObject({ draft: QuoteDocument, given: Type.Array(GivenQuote) });
export type OrderQuotes = Static<typeof OrderQuotes>;

export const QuoteGiving = strictObject({
  by: shortText('Who', 60),
  goodDays: Type.Integer({ title: 'Good for, days', minimum: 1, maximum: 365 }),
  /** The sum the person saw: a draft that moved meanwhile is not given unseen. */
  totalCents: Type.Integer({ title: 'Total, cents', minimum: 0, maximum: 1_000_000_000 }),
});
export type QuoteGiving = Static<typeof QuoteGiving>;
export const QuoteAcceptance = strictObject({
  customerName: shortText('Who said yes', 120, 'Who said yes? The name is kept with the quote.'),
});
export type QuoteAcceptance = Static<typeof QuoteAcceptance>;
