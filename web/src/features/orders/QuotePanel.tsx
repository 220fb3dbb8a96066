import { Money } from '../../units/Written.tsx';
import { useDates } from '../../units/writingSlice.ts';
import type { GivenQuote, OrderQuotes } from '@saltflat/contract';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { useAcceptQuoteMutation, useGiveQuoteMutation, useOrderQuotesQuery } from './quotesApi.ts';
import { quoteStanding } from './quoteStanding.ts';
import { Button, Form, Mark, Refusal, Row, Stack, TextField } from '../../ui/index.ts';

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
        words={`The quotes cannot be fetched: ${problemMessage(error)}`}
        onRetry={() => void refetch()}
      />
    );
  if (!data) return <p className="muted small">Working the quote out …</p>;
  return (
    <Stack as="section" aria-label="Quotes" gap={8}>
      <h3>Quotes</h3>
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
  const [days, setDays] = useState(USUAL_DAYS);
  const [refusal, setRefusal] = useState('');
  const [give, { isLoading }] = useGiveQuoteMutation();
  const isWhole = draft.lines.length > 0 && draft.unpriced.length === 0;
  const onGive = async (): Promise<void> => {
    const goodDays = Number(days);
    if (!Number.isInteger(goodDays) || goodDays < 1 || goodDays > 365) {
      setRefusal('Good for how many days? A whole number from 1 to 365.');
      return;
    }
    const answer = await give({ orderId, by, goodDays, totalCents: draft.totalCents });
    setRefusal(answer.error ? problemMessage(answer.error) : '');
  };
  return (
    <Stack gap={6}>
      <Row>
        <span>
          ○ Draft{' '}
          <strong>
            {draft.lines.length > 0 ? <Money cents={draft.totalCents} /> : 'without a price yet'}
          </strong>
        </span>
        {isWhole && !isCancelled && (
          <>
            <TextField
              label="Good for, days"
              value={days}
              onChange={setDays}
              width={116}
              inputMode="numeric"
            />
            <Button size="small" isBusy={isLoading} onClick={() => void onGive()}>
              Give this quote
            </Button>
          </>
        )}
        {draft.lines.length > 0 && (
          <a href={`/api/v1/orders/${orderId}/quote.pdf`} download>
            Draft as PDF
          </a>
        )}
      </Row>
      {draft.unpriced.map(({ code, why }) => (
        <p key={code} className="muted small">
          {why}
        </p>
      ))}
      <Refusal words={refusal} />
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
            ? `${day(quote.acceptedAt)} by ${quote.acceptedBy ?? ''}`
            : `${day(quote.givenAt)}, good until ${day(quote.goodUntil)}`}
        </span>
        <a href={`/api/v1/quotes/${quote.id}/quote.pdf`} download>
          PDF
        </a>
        {standing.canBeAccepted && !isAsking && (
          <Button size="small" onClick={() => setIsAsking(true)}>
            The customer said yes
          </Button>
        )}
      </Row>
      {isAsking && standing.canBeAccepted && (
        <Acceptance quoteId={quote.id} onDone={() => setIsAsking(false)} />
      )}
    </li>
  );
}

function Acceptance({ quoteId, onDone }: { quoteId: string; onDone: () => void }) {
  const [name, setName] = useState('');
  const [refusal, setRefusal] = useState('');
  const [accept, { isLoading }] = useAcceptQuoteMutation();
  const submit = async (): Promise<void> => {
    if (name.trim() === '') return setRefusal('Who said yes? The name is kept with the quote.');
    const answer = await accept({ quoteId, customerName: name.trim() });
    if (answer.error) setRefusal(problemMessage(answer.error));
    else onDone();
  };
  return (
    <Form isRow onSubmit={() => void submit()}>
      <TextField
        autoFocus
        label="Who said yes"
        value={name}
        problem={refusal || undefined}
        onChange={setName}
      />
      <Button look="primary" type="submit" size="small" isBusy={isLoading}>
        Note it
      </Button>
      <Button look="quiet" size="small" onClick={onDone}>
        Back
      </Button>
    </Form>
  );
}
