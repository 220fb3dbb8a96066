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
      label="What changed in the routes"
      title={
        none
          ? 'No route changed'
          : `${changes.length} ${changes.length === 1 ? 'route was' : 'routes were'} planned anew`
      }
      says={`${unchanged} ${unchanged === 1 ? 'draft' : 'drafts'} came out the same; routes on the floor or run stay as they were`}
    >
      <Rows>
        {changes.map(({ lineId, code, customer, problem, number, differences }) => (
          <li key={lineId} style={{ padding: '8px 16px' }}>
            <Link to={`/route/${lineId}`}>
              <span className="code">{code}</span> {customer}
              {number !== null && `, version ${number}`}
            </Link>
            {problem !== null && <Note tone="alarm">■ {problem}</Note>}
            {problem === null && differences.length === 0 && <p className="muted">can be planned again</p>}
            <DifferenceList differences={differences} />
          </li>
        ))}
      </Rows>
    </Panel>
  );
}
