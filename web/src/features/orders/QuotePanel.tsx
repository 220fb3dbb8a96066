import type { GivenQuote, OrderQuotes } from '@saltflat/contract';
import { formatMoney } from '@saltflat/core/units';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { useAcceptQuoteMutation, useGiveQuoteMutation, useOrderQuotesQuery } from './quotesApi.ts';
import { quoteStanding } from './quoteStanding.ts';

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
      <p className="alarm row" role="alert">
        The quotes cannot be fetched: {problemMessage(error)}
        <Button size="small" variant="outlined" onClick={() => void refetch()}>
          Try again
        </Button>
      </p>
    );
  if (!data) return <p className="muted small">Working the quote out …</p>;
  return (
    <section aria-label="Quotes" className="stack quotes" style={{ gap: 8 }}>
      <h3>Quotes</h3>
      <Draft orderId={orderId} draft={data.draft} by={by} isCancelled={isCancelled} />
      {data.given.length > 0 && (
        <ul>
          {data.given.map((quote) => (
            <Given key={quote.id} quote={quote} nowMs={nowMs} />
          ))}
        </ul>
      )}
    </section>
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
    <div className="stack" style={{ gap: 6 }}>
      <div className="row">
        <span>
          ○ Draft{' '}
          <strong>{draft.lines.length > 0 ? formatMoney(draft.totalCents) : 'without a price yet'}</strong>
        </span>
        {isWhole && !isCancelled && (
          <>
            <TextField
              label="Good for, days"
              size="small"
              value={days}
              onChange={(event) => setDays(event.target.value)}
              sx={{ width: 116 }}
              slotProps={{ htmlInput: { inputMode: 'numeric' }, inputLabel: { shrink: true } }}
            />
            <Button size="small" variant="outlined" disabled={isLoading} onClick={() => void onGive()}>
              Give this quote
            </Button>
          </>
        )}
        {draft.lines.length > 0 && (
          <a href={`/api/v1/orders/${orderId}/quote.pdf`} download>
            Draft as PDF
          </a>
        )}
      </div>
      {draft.unpriced.map(({ code, why }) => (
        <p key={code} className="muted small">
          {why}
        </p>
      ))}
      {refusal !== '' && (
        <p className="alarm" role="alert">
          {refusal}
        </p>
      )}
    </div>
  );
}

const day = (at: string): string => new Date(at).toLocaleDateString('en-GB', { dateStyle: 'medium' });

function Given({ quote, nowMs }: { quote: GivenQuote; nowMs: number }) {
  const [isAsking, setIsAsking] = useState(false);
  const standing = quoteStanding(quote, nowMs);
  return (
    <li style={{ borderTop: '1px solid var(--hairline)', padding: '6px 0' }}>
      <div className="row">
        <span className="code">{quote.code}</span>
        <strong>{formatMoney(quote.document.totalCents)}</strong>
        <span className="state" data-tone={standing.tone}>
          <span aria-hidden="true">{standing.mark}</span>
          {standing.word}
        </span>
        <span className="muted small">
          {quote.acceptedAt
            ? `${day(quote.acceptedAt)} by ${quote.acceptedBy ?? ''}`
            : `${day(quote.givenAt)}, good until ${day(quote.goodUntil)}`}
        </span>
        <a href={`/api/v1/quotes/${quote.id}/quote.pdf`} download>
          PDF
        </a>
        {standing.canBeAccepted && !isAsking && (
          <Button size="small" variant="outlined" onClick={() => setIsAsking(true)}>
            The customer said yes
          </Button>
        )}
      </div>
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
  const submit = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    if (name.trim() === '') return setRefusal('Who said yes? The name is kept with the quote.');
    const answer = await accept({ quoteId, customerName: name.trim() });
    if (answer.error) setRefusal(problemMessage(answer.error));
    else onDone();
  };
  return (
    <form className="row" style={{ marginTop: 6 }} onSubmit={(event) => void submit(event)}>
      <TextField
        autoFocus
        label="Who said yes"
        size="small"
        value={name}
        error={refusal !== ''}
        helperText={refusal || undefined}
        onChange={(event) => setName(event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Button type="submit" size="small" variant="contained" disabled={isLoading}>
        Note it
      </Button>
      <Button size="small" variant="text" onClick={onDone}>
        Back
      </Button>
    </form>
  );
}
