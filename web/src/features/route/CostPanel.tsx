import type { PieceCost, Quote } from '@saltflat/core/cost';
import type { Route } from '@saltflat/core/route';
import { formatDuration, formatMoney } from '@saltflat/core/units';
import { useState } from 'react';

interface Props {
  route: Route;
  cost: PieceCost;
  pieces: number;
  /** `null` while it is on its way, or where a value is only tried. */
  quote: Quote | null;
  /** Why there is none, where that can be said. */
  noQuote: string;
  /** Addresses of the papers; `null` where nothing is kept to print. */
  papers: { runSheetA4: string; runSheetLetter: string; quoteA4: string; quoteLetter: string };
}

const percent = (share: number): string => `${Math.round(1000 * share) / 10} %`;

/** Minutes, cost per piece by where it goes, and what the line is offered for. */
export function CostPanel({ route, cost, pieces, quote, noQuote, papers }: Props) {
  const [isOpen, setOpen] = useState(false);
  return (
    <section className="panel" aria-label="Time and cost">
      <header>
        <h2>{pieces} pieces</h2>
        <span style={{ flex: 1 }} />
        <a href={papers.runSheetA4} download>
          Run sheet A4
        </a>
        <a href={papers.runSheetLetter} download>
          Letter
        </a>
      </header>
      <table className="dense">
        <tbody>
          <Row name="Hands-on, all pieces" value={formatDuration(route.totals.handsS)} />
          <Row name="Elapsed, one person" value={formatDuration(route.totals.elapsedS)} />
          {route.restBeforeDispatchS > 0 && (
            <Row name="Rest before it leaves" value={formatDuration(route.restBeforeDispatchS)} />
          )}
          {route.usesBlanks && <Row name="Blank, mean of the sizes" value={formatMoney(cost.blankCents)} />}
          {cost.materials.map(({ what, cents, isAssumed }) => (
            <Row key={what} name={what} value={formatMoney(cents)} note={isAssumed ? 'assumed use' : ''} />
          ))}
          <Row name="Labour" value={formatMoney(cost.labourCents)} />
          <Row name="Set-up, spread" value={formatMoney(cost.setUpCents)} />
          <Row name="Machines" value={formatMoney(cost.machineCents)} />
          <Row name="Warming up, this line’s share" value={formatMoney(cost.warmUpCents)} />
          <Row
            name="Spoilage"
            value={formatMoney(cost.spoilageCents)}
            note={`${percent(cost.spoilageShare)}, ${cost.spoilageFrom === 'measured' ? 'measured here' : 'assumed'}`}
          />
          <Row name="Cost per piece" value={formatMoney(cost.totalCents)} isSum />
        </tbody>
      </table>
      {noQuote !== '' && (
        <p className="muted small" style={{ padding: '8px 16px' }}>
          {noQuote}
        </p>
      )}
      {quote && (
        <>
          <button type="button" className="version" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
            <strong>
              Quote {formatMoney(quote.totalCents)} <span className="muted">for all</span>
            </strong>
            <span className="muted small">
              {isOpen ? 'hide how it comes about' : 'show how it comes about'}
            </span>
          </button>
          {isOpen && <QuoteTable quote={quote} />}
          <div className="row" style={{ padding: '8px 16px' }}>
            <a href={papers.quoteA4} download>
              Draft of the quote, A4
            </a>
            <a href={papers.quoteLetter} download>
              Letter
            </a>
          </div>
        </>
      )}
    </section>
  );
}

function QuoteTable({ quote }: { quote: Quote }) {
  const { sizes, offShare, upCharges, marginShare, ladder, assumptions } = quote;
  return (
    <div className="stack" style={{ gap: 8, padding: '0 16px 8px' }}>
      <table className="dense">
        <thead>
          <tr>
            <th>Size</th>
            <th className="number">Pieces</th>
            <th className="number">Cost</th>
            <th className="number">Price</th>
          </tr>
        </thead>
        <tbody>
          {sizes.map(({ size, quantity, costCents, eachCents }) => (
            <tr key={size}>
              <td>{size}</td>
              <td className="number">{quantity}</td>
              <td className="number nowrap">{formatMoney(costCents)}</td>
              <td className="number nowrap">{formatMoney(eachCents)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="small">
        Cost over one minus the margin of {percent(marginShare)}
        {upCharges.map(({ what, cents }) => `, ${formatMoney(cents)} more for ${what}`).join('')}
        {offShare === null ? ', no quantity break.' : `, ${percent(offShare)} off for the quantity.`}
      </p>
      <p className="small">
        <span className="muted">Price each at other quantities:</span>{' '}
        {ladder.map(({ pieces, eachCents }) => `${pieces}: ${formatMoney(eachCents)}`).join(' · ')}
      </p>
      {assumptions.map((text) => (
        <p key={text} className="muted small">
          ○ {text}
        </p>
      ))}
    </div>
  );
}

function Row({
  name,
  value,
  note = '',
  isSum = false,
}: {
  name: string;
  value: string;
  note?: string;
  isSum?: boolean;
}) {
  return (
    <tr style={isSum ? { fontWeight: 650 } : undefined}>
      <td>
        {name} {note !== '' && <span className="muted small">{note}</span>}
      </td>
      <td className="number nowrap">{value}</td>
    </tr>
  );
}
