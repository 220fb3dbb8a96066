import { t } from '../../words/index.ts';
import type { Replanned as Change } from '@saltflat/contract';
import { Link } from 'react-router';
import { DifferenceList } from '../../units/DifferenceList.tsx';
import { Note, Panel, Rows } from '../../ui/index.ts';

/** What a change of the set-up did to the routes that were not run yet. */
export function Replanned({ changes, unchanged }: { changes: readonly Change[]; unchanged: number }) {
  const none = changes.length === 0;
  return (
    <Panel
      role="status"
      label={t('What changed in the routes')}
      title={
        none
          ? t('No route changed')
          : changes.length === 1
            ? t('1 route was planned anew')
            : t('{count} routes were planned anew', { count: changes.length })
      }
      says={
        unchanged === 1
          ? t('1 draft came out the same; routes on the floor or run stay as they were')
          : t('{unchanged} drafts came out the same; routes on the floor or run stay as they were', {
              unchanged,
            })
      }
    >
      <Rows>
        {changes.map(({ lineId, code, customer, problem, number, differences }) => (
          <li key={lineId} style={{ padding: '8px 16px' }}>
            <Link to={`/route/${lineId}`}>
              <span className="code">{code}</span> {customer}
              {number !== null && t(', version {number}', { number })}
            </Link>
            {problem !== null && <Note tone="alarm">■ {problem}</Note>}
            {problem === null && differences.length === 0 && (
              <p className="muted">{t('can be planned again')}</p>
            )}
            <DifferenceList differences={differences} />
          </li>
        ))}
      </Rows>
    </Panel>
  );
}
