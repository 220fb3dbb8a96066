import type { PlanGround } from '@saltflat/contract';
import { Link } from 'react-router';
import { When } from '../../units/Written.tsx';
import { Panel, Rows, StateMark } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

/** Open lines that are in no plan yet, and what they wait for. */
export function UnplacedPanel({ ground: { waiting } }: { ground: PlanGround }) {
  if (waiting.length === 0) return null;
  return (
    <Panel title={t('Not in the plan yet')} label={t('Not in the plan yet')} pad="4px 14px 10px">
      <Rows>
        {waiting.map(({ lineId, orderId, code, customer, dueAt, state }) => (
          <li key={lineId} style={{ display: 'flex', gap: 10, alignItems: 'baseline', flexWrap: 'wrap' }}>
            <Link to={`/orders/${orderId}`} className="code" style={{ padding: '4px 0' }}>
              {code}
            </Link>
            <span style={{ flex: 1 }}>{customer}</span>
            <StateMark state={state} />
            <span className="muted small">
              <When at={dueAt} as="day" />
            </span>
          </li>
        ))}
      </Rows>
    </Panel>
  );
}
