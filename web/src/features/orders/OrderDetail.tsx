import type { LinePrint, Order, OrderLine } from '@saltflat/contract';
import { PLACEMENTS } from '@saltflat/contract/placements';
import { PROCESS_NAMES, isFilmProcess } from '@saltflat/core/route';
import { formatQuantity } from '@saltflat/core/units';
import Button from '@mui/material/Button';
import { Suspense, lazy } from 'react';
import { Link } from 'react-router';
import { StateMark } from '../../ui/StateMark.tsx';
import { useUnits } from '../../units/unitsSlice.ts';
import { ArtThumb } from './ArtThumb.tsx';
import { dueWords } from './dates.ts';
import { Measuring } from './Measuring.tsx';

/** With its fields it weighs as much as the list: it comes when an order is looked at. */
const QuotePanel = lazy(async () => ({ default: (await import('./QuotePanel.tsx')).QuotePanel }));

interface Props {
  order: Order;
  /** Who is working here. */
  by: string;
  nowMs: number;
  onEdit: () => void;
  onDuplicate: () => void;
  onCancel: () => void;
  onRestore: () => void;
  onStart: (lineId: string) => void;
}

/** The selected order: its ticket, its lines, and what can be done with it. */
export function OrderDetail({ order, by, nowMs, onEdit, onDuplicate, onCancel, onRestore, onStart }: Props) {
  const isCancelled = order.state === 'cancelled';
  return (
    <section className="panel" aria-label={`Order ${order.code}`}>
      <header>
        <h2>
          <span className="code">{order.code}</span> {order.customer}
        </h2>
        <StateMark state={order.state} />
      </header>
      <div className="stack" style={{ padding: 16 }}>
        <p>
          Due <strong>{dueWords(order.dueAt)}</strong>
        </p>
        {order.note !== '' && <p className="muted">{order.note}</p>}
        <div className="row">
          {!isCancelled && (
            <Button variant="outlined" size="small" onClick={onEdit}>
              Edit
            </Button>
          )}
          <Button variant="outlined" size="small" onClick={onDuplicate}>
            Duplicate
          </Button>
          {isCancelled ? (
            <Button variant="outlined" size="small" onClick={onRestore}>
              Restore
            </Button>
          ) : (
            order.state !== 'done' && (
              <Button variant="outlined" size="small" onClick={onCancel} disabled={order.state === 'running'}>
                Cancel order
              </Button>
            )
          )}
        </div>
        {order.lines.map((line) => (
          <LineCard key={line.id} line={line} isCancelled={isCancelled} onStart={() => onStart(line.id)} />
        ))}
        <Suspense fallback={<p className="muted small">Working the quote out …</p>}>
          <QuotePanel key={order.id} orderId={order.id} by={by} nowMs={nowMs} isCancelled={isCancelled} />
        </Suspense>
      </div>
    </section>
  );
}

function LineCard({
  line,
  isCancelled,
  onStart,
}: {
  line: OrderLine;
  isCancelled: boolean;
  onStart: () => void;
}) {
  return (
    <article style={{ borderTop: '1px solid var(--hairline)', paddingTop: 12 }}>
      <div className="stack" style={{ gap: 8 }}>
        <div className="row" style={{ gap: 8 }}>
          <h3>
            <span className="code">{line.code}</span> {line.colour.name} {line.styleName}
          </h3>
          <StateMark state={isCancelled ? 'cancelled' : line.state} />
        </div>
        <p>{line.sizes.map(({ size, quantity }) => `${quantity} × ${size}`).join(', ')}</p>
        {line.prints.map((print) => (
          <PrintCard key={print.id} print={print} line={line} isOne={line.prints.length === 1} />
        ))}
      </div>
      {line.state === 'planning' && !isCancelled && <Measuring lineId={line.id} />}
      {line.planProblem && (
        <p className="alarm" style={{ marginTop: 8 }}>
          No route: {line.planProblem}
        </p>
      )}
      {line.proof && (
        <p className="small" style={{ marginTop: 8 }}>
          <span aria-hidden="true">{line.proof.verdict === 'approved' ? '● ' : '◆ '}</span>
          {line.proof.verdict === 'approved' ? 'Proof approved by' : 'Changes to the proof wanted by'}{' '}
          {line.proof.customerName}, {new Date(line.proof.at).toLocaleDateString('en-GB')}
          {line.proof.note !== '' && `: ${line.proof.note}`}
        </p>
      )}
      {rightsCautions(line).map((words) => (
        <p key={words} className="caution small" style={{ marginTop: 8 }}>
          {words}
        </p>
      ))}
      {!isCancelled && (
        <div className="row" style={{ marginTop: 10 }}>
          {line.state === 'ready' && (
            <Button variant="contained" size="small" onClick={onStart}>
              Start on the floor
            </Button>
          )}
          {line.activeRunId && (
            <Button variant="contained" size="small" component={Link} to={`/floor/${line.activeRunId}`}>
              Go on with it on the floor
            </Button>
          )}
          {line.prints.some(({ artwork }) => artwork) && (
            <Link to={`/artwork/${line.id}`}>Look at the artwork</Link>
          )}
          {line.routeNumber !== null && (
            <>
              <Link to={`/route/${line.id}`}>Route, version {line.routeNumber}</Link>
              <a href={`/api/v1/lines/${line.id}/run-sheet.pdf`} download>
                Run sheet
              </a>
            </>
          )}
        </div>
      )}
    </article>
  );
}

/** One print: its art, where it goes and how it is made. */
function PrintCard({ print, line, isOne }: { print: LinePrint; line: OrderLine; isOne: boolean }) {
  const system = useUnits();
  const { artwork, placement, dropMm, widthMm, process } = print;
  const { label, from } = PLACEMENTS[placement];
  return (
    <div className="row" style={{ alignItems: 'flex-start', flexWrap: 'nowrap' }}>
      <ArtThumb
        artworkId={artwork?.id ?? null}
        colourHex={line.colour.hex}
        size={isOne ? 96 : 64}
        alt={artwork?.name ?? ''}
      />
      <div style={{ minWidth: 0 }}>
        <p>
          <strong>{label}</strong>, {formatQuantity(widthMm, 'length', system)} wide
        </p>
        <p className="muted">
          {formatQuantity(dropMm, 'length', system)} below the {from === 'collar' ? 'collar' : 'upper edge'}
        </p>
        <p className="muted">{PROCESS_NAMES[process]}</p>
      </div>
    </div>
  );
}

/** What to mind about the images of a line's transfers, each once. */
const rightsCautions = ({ prints }: OrderLine): string[] => [
  ...new Set(
    prints.flatMap(({ process, artwork }) =>
      artwork && isFilmProcess(process) ? (RIGHTS_CAUTIONS[artwork.rights] ?? []) : [],
    ),
  ),
];

/** What to mind about the image before a transfer of it is sold; nothing where it is settled. */
const RIGHTS_CAUTIONS: Partial<Record<NonNullable<LinePrint['artwork']>['rights'], string>> = {
  unasked: 'Nobody has asked yet whose image this is: ask once, under Out on the artwork.',
  refused: 'This image may not be sold as a transfer.',
};
