import type { LinePrint, Order, OrderLine } from '@saltflat/contract';
import { PLACEMENTS } from '@saltflat/contract/placements';
import { PROCESS_NAMES, isFilmProcess } from '@saltflat/core/route';
import { formatQuantity } from '@saltflat/core/units';
import { Suspense, lazy } from 'react';
import { Link } from 'react-router';
import { useUnits } from '../../units/unitsSlice.ts';
import { ArtThumb } from './ArtThumb.tsx';
import { dueWords } from './dates.ts';
import { Measuring } from './Measuring.tsx';
import type { Attempt, RefusalProps } from '../../api/useAttempt.ts';
import { Button, Note, Panel, Refusal, Row, Stack, StateMark } from '../../ui/index.ts';

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
  /** What was refused of it: `edit`, `duplicate`, `cancel`, `restore`, or a line that could not be started. */
  attempt: Pick<Attempt, 'refusal' | 'isBusy'>;
}

/** The selected order: its ticket, its lines, and what can be done with it. */
export function OrderDetail(props: Props) {
  const { order, by, nowMs, onEdit, onDuplicate, onCancel, onRestore, onStart, attempt } = props;
  const isCancelled = order.state === 'cancelled';
  return (
    <Panel
      label={`Order ${order.code}`}
      title={
        <>
          <span className="code">{order.code}</span> {order.customer}
        </>
      }
      actions={<StateMark state={order.state} />}
      pad={16}
    >
      <Stack>
        <p>
          Due <strong>{dueWords(order.dueAt)}</strong>
        </p>
        {order.note !== '' && <p className="muted">{order.note}</p>}
        <Row>
          {!isCancelled && (
            <Button size="small" onClick={onEdit}>
              Edit
            </Button>
          )}
          <Button size="small" onClick={onDuplicate} isBusy={attempt.isBusy('duplicate')}>
            Duplicate
          </Button>
          {isCancelled ? (
            <Button size="small" onClick={onRestore} isBusy={attempt.isBusy('restore')}>
              Restore
            </Button>
          ) : (
            order.state !== 'done' && (
              <Button
                size="small"
                onClick={onCancel}
                disabled={order.state === 'running'}
                isBusy={attempt.isBusy('cancel')}
              >
                Cancel order
              </Button>
            )
          )}
        </Row>
        {['duplicate', 'restore', 'cancel'].map((at) => (
          <Refusal key={at} {...attempt.refusal(at)} />
        ))}
        {order.lines.map((line) => (
          <LineCard
            key={line.id}
            line={line}
            isCancelled={isCancelled}
            refusal={attempt.refusal(line.id)}
            onStart={() => onStart(line.id)}
          />
        ))}
        <Suspense fallback={<p className="muted small">Working the quote out …</p>}>
          <QuotePanel key={order.id} orderId={order.id} by={by} nowMs={nowMs} isCancelled={isCancelled} />
        </Suspense>
      </Stack>
    </Panel>
  );
}

interface LineProps {
  line: OrderLine;
  isCancelled: boolean;
  refusal: RefusalProps;
  onStart: () => void;
}

function LineCard({ line, isCancelled, refusal, onStart }: LineProps) {
  return (
    <Stack as="article" gap={8} style={{ borderTop: '1px solid var(--hairline)', paddingTop: 12 }}>
      <Row gap={8}>
        <h3>
          <span className="code">{line.code}</span> {line.colour.name} {line.styleName}
        </h3>
        <StateMark state={isCancelled ? 'cancelled' : line.state} />
      </Row>
      <p>{line.sizes.map(({ size, quantity }) => `${quantity} × ${size}`).join(', ')}</p>
      {line.prints.map((print) => (
        <PrintCard key={print.id} print={print} line={line} isOne={line.prints.length === 1} />
      ))}
      {line.state === 'planning' && !isCancelled && <Measuring lineId={line.id} />}
      {line.planProblem && <Note tone="alarm">No route: {line.planProblem}</Note>}
      {line.proof && (
        <p className="small">
          <span aria-hidden="true">{line.proof.verdict === 'approved' ? '● ' : '◆ '}</span>
          {line.proof.verdict === 'approved' ? 'Proof approved by' : 'Changes to the proof wanted by'}{' '}
          {line.proof.customerName}, {new Date(line.proof.at).toLocaleDateString('en-GB')}
          {line.proof.note !== '' && `: ${line.proof.note}`}
        </p>
      )}
      {rightsCautions(line).map((words) => (
        <Note tone="caution" isSmall key={words}>
          {words}
        </Note>
      ))}
      {!isCancelled && (
        <Row>
          {line.state === 'ready' && (
            <Button look="primary" size="small" onClick={onStart}>
              Start on the floor
            </Button>
          )}
          {line.activeRunId && (
            <Button look="primary" size="small" to={`/floor/${line.activeRunId}`}>
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
        </Row>
      )}
      <Refusal {...refusal} />
    </Stack>
  );
}

/** One print: its art, where it goes and how it is made. */
function PrintCard({ print, line, isOne }: { print: LinePrint; line: OrderLine; isOne: boolean }) {
  const system = useUnits();
  const { artwork, placement, dropMm, widthMm, process } = print;
  const { label, from } = PLACEMENTS[placement];
  return (
    <Row align="flex-start" isOneLine>
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
    </Row>
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
