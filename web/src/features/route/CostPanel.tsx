import { rich, t } from '../../words/index.ts';
import { Money } from '../../units/Written.tsx';
import { useMoney } from '../../units/writingSlice.ts';
import type { RouteVersion } from '@saltflat/contract';
import type { PieceCost, Quote } from '@saltflat/core/cost';
import type { Route } from '@saltflat/core/route';
import { formatDuration } from '@saltflat/core/units';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Chart, Panel, Pressable, Row, SimpleTable, Stack, TwoLines } from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';

interface Props {
  route: Route;
  cost: PieceCost;
  pieces: number;
  /** Layouts that say what film it takes; none where that is reckoned. */
  laid: NonNullable<RouteVersion['laid']>;
  /** `null` while it is on its way, or where a value is only tried. */
  quote: Quote | null;
  /** Why there is none, where that can be said. */
  noQuote: string;
  /** Addresses of the papers; `null` where nothing is kept to print. */
  papers: { runSheetA4: string; runSheetLetter: string; quoteA4: string; quoteLetter: string };
}

const percent = (share: number): string => `${Math.round(1000 * share) / 10} %`;

/** Minutes, cost per piece by where it goes, and what the line is offered for. */
export function CostPanel({ route, cost, pieces, laid, quote, noQuote, papers }: Props) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Panel
      title={t('{pieces} pieces', { pieces })}
      label={t('Time and cost')}
      actions={
        <>
          <a href={papers.runSheetA4} download>
            {t('Run sheet A4')}
          </a>
          <a href={papers.runSheetLetter} download>
            {t('Letter')}
          </a>
        </>
      }
    >
      <SimpleTable
        label={t('Time and cost')}
        isHeadHidden
        columns={COST_COLUMNS}
        rows={costRows(route, cost)}
        keyOf={({ name }) => name}
        isStrong={({ isSum }) => isSum === true}
      />
      {laid.length > 0 && (
        <p className="small" style={{ padding: '8px 16px 0' }}>
          {t('Film as it was laid out:')}{' '}
          {laid.map(({ id, code }) => (
            <Link key={id} to={`/film/${id}`}>
              {code}
            </Link>
          ))}
        </p>
      )}
      {noQuote !== '' && (
        <p className="muted small" style={{ padding: '8px 16px' }}>
          {noQuote}
        </p>
      )}
      {quote && (
        <>
          <Pressable isExpanded={isOpen} onClick={() => setOpen(!isOpen)}>
            <TwoLines>
              <strong>
                {rich('Quote {money}', { money: <Money cents={quote.totalCents} /> })}{' '}
                <span className="muted">{t('for all')}</span>
              </strong>
              <span className="muted small">
                {isOpen ? t('hide how it comes about') : t('show how it comes about')}
              </span>
            </TwoLines>
          </Pressable>
          {isOpen && <QuoteTable quote={quote} />}
          <Row style={{ padding: '8px 16px' }}>
            <a href={papers.quoteA4} download>
              {t('Draft of the quote, A4')}
            </a>
            <a href={papers.quoteLetter} download>
              {t('Letter')}
            </a>
          </Row>
        </>
      )}
    </Panel>
  );
}

function QuoteTable({ quote }: { quote: Quote }) {
  const { sizes, offShare, upCharges, marginShare, assumptions } = quote;
  const money = useMoney();
  const ladder = useMemo(() => ladderOf(quote, money), [quote, money]);
  return (
    <Stack gap={8} pad="0 16px 8px">
      <SimpleTable
        label={t('Price by size')}
        columns={SIZE_COLUMNS}
        rows={sizes}
        keyOf={({ size }) => size}
      />
      <p className="small">
        {[
          t('Cost over one minus the margin of {margin}', { margin: percent(marginShare) }),
          ...upCharges.map(({ what, cents }) =>
            t('{money} more for {what}', { money: money(cents), what: t(what) }),
          ),
          offShare === null
            ? t('no quantity break.')
            : t('{off} off for the quantity.', { off: percent(offShare) }),
        ].join(', ')}
      </p>
      <Chart title={t('Price each by quantity')} data={ladder} heightPx={180} />
      {assumptions.map((text) => (
        <p key={text} className="muted small">
          ○ {text}
        </p>
      ))}
    </Stack>
  );
}

interface CostRow {
  name: string;
  value: React.ReactNode;
  note?: string;
  isSum?: boolean;
}

const ladderOf = ({ ladder }: Quote, money: (cents: number) => string) => ({
  along: { title: t('Pieces'), values: ladder.map(({ pieces }) => String(pieces)) },
  up: { title: t('Each'), write: money },
  series: [
    { name: t('Price each'), kind: 'line' as const, values: ladder.map(({ eachCents }) => eachCents) },
  ],
});

const COST_COLUMNS: TableColumn<CostRow>[] = [
  {
    key: 'name',
    title: t('What'),
    cell: ({ name, note }) => (
      <>
        {name} {note && <span className="muted small">{note}</span>}
      </>
    ),
  },
  { key: 'value', title: t('How much'), isNumber: true, cell: ({ value }) => value },
];

const SIZE_COLUMNS: TableColumn<Quote['sizes'][number]>[] = [
  { key: 'size', title: t('Size'), cell: ({ size }) => size },
  { key: 'pieces', title: t('Pieces'), isNumber: true, cell: ({ quantity }) => quantity },
  { key: 'cost', title: t('Cost'), isNumber: true, cell: ({ costCents }) => <Money cents={costCents} /> },
  { key: 'price', title: t('Price'), isNumber: true, cell: ({ eachCents }) => <Money cents={eachCents} /> },
];

/** Time of the whole line, then what a piece costs by where it goes. */
function costRows(route: Route, cost: PieceCost): CostRow[] {
  const { handsS, elapsedS } = route.totals;
  const share = percent(cost.spoilageShare);
  const spoilage =
    cost.spoilageFrom === 'measured'
      ? t('{share}, measured here', { share })
      : t('{share}, assumed', { share });
  return [
    { name: t('Hands-on, all pieces'), value: formatDuration(handsS) },
    { name: t('Elapsed, one person'), value: formatDuration(elapsedS) },
    ...(route.restBeforeDispatchS > 0
      ? [{ name: t('Rest before it leaves'), value: formatDuration(route.restBeforeDispatchS) }]
      : []),
    ...(route.usesBlanks
      ? [{ name: t('Blank, mean of the sizes'), value: <Money cents={cost.blankCents} /> }]
      : []),
    ...cost.materials.map(({ what, cents, isAssumed }) => ({
      name: what,
      value: <Money cents={cents} />,
      note: isAssumed ? t('assumed use') : '',
    })),
    { name: t('Labour'), value: <Money cents={cost.labourCents} /> },
    { name: t('Set-up, spread'), value: <Money cents={cost.setUpCents} /> },
    { name: t('Machines'), value: <Money cents={cost.machineCents} /> },
    { name: t('Warming up, this line’s share'), value: <Money cents={cost.warmUpCents} /> },
    { name: t('Spoilage'), value: <Money cents={cost.spoilageCents} />, note: spoilage },
    { name: t('Cost per piece'), value: <Money cents={cost.totalCents} />, isSum: true },
  ];
}
