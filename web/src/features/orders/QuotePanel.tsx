import { rich, t } from '../../words/index.ts';
import { Money } from '../../units/Written.tsx';
import { useDates } from '../../units/writingSlice.ts';
import type { GivenQuote, OrderQuotes, QuoteAcceptance, QuoteGiving } from '@saltflat/contract';
import { useMemo, useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { FilledText, compiled, numberIn, trimmed, useFilled } from '../../form/index.ts';
import { useAcceptQuoteMutation, useGiveQuoteMutation, useOrderQuotesQuery } from './quotesApi.ts';
import { quoteStanding } from './quoteStanding.ts';
import { Button, Form, Mark, Refusal, Row, Stack } from '../../ui/index.ts';

interface Props {
  orderId: string;
  by: string;
  nowMs: number;
  isCancelled: boolean;
}

/** What the order would be offered for now, and what it was offered for: a draft moves with the routes, a given quote never. */
export function QuotePanel({ orderId, by, nowMs, isCancelled }: Props) {
  const { data, error, refetch } = useOrderQuotesQuery(orderId);
  if (error)
    return (
      <Refusal
        words={t('The quotes cannot be fetched: {error}', { error: problemMessage(error) })}
        onRetry={() => void refetch()}
      />
    );
  if (!data) return <p className="muted small">{t('Working the quote out …')}</p>;
  return (
    <Stack as="section" aria-label={t('Quotes')} gap={8}>
      <h3>{t('Quotes')}</h3>
      <Draft orderId={orderId} draft={data.draft} by={by} isCancelled={isCancelled} />
      {data.given.length > 0 && (
        <ul>
          {data.given.map((quote) => (
            <Given key={quote.id} quote={quote} nowMs={nowMs} />
          ))}
        </ul>
      )}
    </Stack>
  );
}

const USUAL_DAYS = '14';

function Draft({
  orderId,
  draft,
  by,
  isCancelled,
}: {
  orderId: string;
  draft: OrderQuotes['draft'];
  by: string;
  isCancelled: boolean;
}) {
  const [give] = useGiveQuoteMutation();
  const isWhole = draft.lines.length > 0 && draft.unpriced.length === 0;
  const { totalCents } = draft; // the sum that is seen: one that moved meanwhile is not given unseen
  const giving = useFilled<{ goodDays: string }, QuoteGiving, unknown>({
    filled: useMemo(
      () => ({
        check: compiled('words', 'quote-given'),
        documentOf: ({ goodDays }: { goodDays: string }) => ({
          by,
          goodDays: numberIn(goodDays),
          totalCents,
        }),
      }),
      [by, totalCents],
    ),
    values: { goodDays: USUAL_DAYS },
    send: (own) => give({ orderId, ...own }),
  });
  return (
    <Stack gap={6}>
      <Form onSubmit={giving.submit}>
        <Row>
          <span>
            {rich('○ Draft {strong}', {
              strong: (
                <strong>
                  {draft.lines.length > 0 ? <Money cents={draft.totalCents} /> : t('without a price yet')}
                </strong>
              ),
            })}
          </span>
          {isWhole && !isCancelled && (
            <>
              <FilledText
                filling={giving}
                name="goodDays"
                label={t('Good for, days')}
                width={140}
                inputMode="numeric"
              />
              <Button type="submit" size="small" isBusy={giving.isSending}>
                {t('Give this quote')}
              </Button>
            </>
          )}
          {draft.lines.length > 0 && (
            <a href={`/api/v1/orders/${orderId}/quote.pdf`} download>
              {t('Draft as PDF')}
            </a>
          )}
        </Row>
      </Form>
      {draft.unpriced.map(({ code, why }) => (
        <p key={code} className="muted small">
          {why}
        </p>
      ))}
      <Refusal words={giving.refusal} />
    </Stack>
  );
}

function Given({ quote, nowMs }: { quote: GivenQuote; nowMs: number }) {
  const [isAsking, setIsAsking] = useState(false);
  const when = useDates();
  const day = (at: string): string => when(at, 'date');
  const standing = quoteStanding(quote, nowMs);
  return (
    <li style={{ borderTop: '1px solid var(--hairline)', padding: '6px 0' }}>
      <Row>
        <span className="code">{quote.code}</span>
        <strong>
          <Money cents={quote.document.totalCents} />
        </strong>
        <Mark mark={standing.mark} tone={standing.tone}>
          {standing.word}
        </Mark>
        <span className="muted small">
          {quote.acceptedAt
            ? t('{at} by {who}', { at: day(quote.acceptedAt), who: quote.acceptedBy ?? '' })
            : t('{givenAt}, good until {goodUntil}', {
                givenAt: day(quote.givenAt),
                goodUntil: day(quote.goodUntil),
              })}
        </span>
        <a href={`/api/v1/quotes/${quote.id}/quote.pdf`} download>
          {t('PDF')}
        </a>
        {standing.canBeAccepted && !isAsking && (
          <Button size="small" onClick={() => setIsAsking(true)}>
            {t('The customer said yes')}
          </Button>
        )}
      </Row>
      {isAsking && standing.canBeAccepted && (
        <Acceptance quoteId={quote.id} onDone={() => setIsAsking(false)} />
      )}
    </li>
  );
}

const ACCEPTED = { check: compiled('words', 'quote-accepted'), documentOf: trimmed };

function Acceptance({ quoteId, onDone }: { quoteId: string; onDone: () => void }) {
  const [accept] = useAcceptQuoteMutation();
  const filling = useFilled<QuoteAcceptance, QuoteAcceptance, unknown>({
    filled: ACCEPTED,
    values: { customerName: '' },
    send: (own) => accept({ quoteId, ...own }),
    onSent: onDone,
  });
  return (
    <Form isRow onSubmit={filling.submit}>
      <FilledText filling={filling} name="customerName" label={t('Who said yes')} autoFocus />
      <Button look="primary" type="submit" size="small" isBusy={filling.isSending}>
        {t('Note it')}
      </Button>
      <Button look="quiet" size="small" onClick={onDone}>
        {t('Back')}
      </Button>
      <Refusal words={filling.refusal} />
    </Form>
  );
}
