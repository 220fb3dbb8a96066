import { rich, t } from '../../words/index.ts';
import type { Order, OrderLine } from '@saltflat/contract';
import { Suspense, lazy } from 'react';
import { useDates } from '../../units/writingSlice.ts';
import { LineCard } from './LineCard.tsx';
import type { LineActions } from './LineCard.tsx';
import type { Attempt } from '../../api/useAttempt.ts';
import { Button, Panel, Refusal, Row, Stack, StateMark } from '../../ui/index.ts';

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
  /** What can be done with one of its lines. */
  actionsOf: (line: OrderLine) => LineActions;
  /** What was refused of it: `edit`, `duplicate`, `cancel`, `restore`, or of a line. */
  attempt: Pick<Attempt, 'refusal' | 'isBusy'>;
}

/** The selected order: its ticket, its lines, and what can be done with it. */
export function OrderDetail(props: Props) {
  const { order, by, nowMs, onEdit, onDuplicate, onCancel, onRestore, actionsOf, attempt } = props;
  const when = useDates();
  const isCancelled = order.state === 'cancelled';
  return (
    <Panel
      label={t('Order {code}', { code: order.code })}
      title={
        <>
          <span className="code">{order.code}</span> {order.customer}
        </>
      }
      actions={<StateMark state={order.state} />}
      pad={16}
    >
      <Stack>
        <p>{rich('Due {strong}', { strong: <strong>{when(order.dueAt, 'weekday-time')}</strong> })}</p>
        {order.note !== '' && <p className="muted">{order.note}</p>}
        <Row>
          {!isCancelled && (
            <Button size="small" onClick={onEdit}>
              {t('Edit')}
            </Button>
          )}
          <Button size="small" onClick={onDuplicate} isBusy={attempt.isBusy('duplicate')}>
            {t('Duplicate')}
          </Button>
          {isCancelled ? (
            <Button size="small" onClick={onRestore} isBusy={attempt.isBusy('restore')}>
              {t('Restore')}
            </Button>
          ) : (
            order.state !== 'done' && (
              <Button
                size="small"
                onClick={onCancel}
                disabled={order.state === 'running'}
                isBusy={attempt.isBusy('cancel')}
              >
                {t('Cancel order')}
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
            by={by}
            actions={actionsOf(line)}
            attempt={attempt}
          />
        ))}
        <Suspense fallback={<p className="muted small">{t('Working the quote out …')}</p>}>
          <QuotePanel key={order.id} orderId={order.id} by={by} nowMs={nowMs} isCancelled={isCancelled} />
        </Suspense>
      </Stack>
    </Panel>
  );
}
