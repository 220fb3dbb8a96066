import type { Replanned as Change } from '@saltflat/contract';
import { Link } from 'react-router';
import { DifferenceList } from '../../units/DifferenceList.tsx';

/** What a change of the set-up did to the routes that were not run yet. */
export function Replanned({ changes, unchanged }: { changes: readonly Change[]; unchanged: number }) {
  const none = changes.length === 0;
  return (
    <section className="panel replanned" role="status" aria-label="What changed in the routes">
      <header>
        <h2>
          {none
            ? 'No route changed'
            : `${changes.length} ${changes.length === 1 ? 'route was' : 'routes were'} planned anew`}
        </h2>
        <span className="muted small">
          {unchanged} {unchanged === 1 ? 'draft' : 'drafts'} came out the same; routes on the floor or run
          stay as they were
        </span>
      </header>
      {changes.map(({ lineId, code, customer, problem, number, differences }) => (
        <div key={lineId} className="replanned-line">
          <Link to={`/route/${lineId}`}>
            <span className="code">{code}</span> {customer}
            {number !== null && `, version ${number}`}
          </Link>
          {problem !== null && <p className="alarm">■ {problem}</p>}
          {problem === null && differences.length === 0 && <p className="muted">can be planned again</p>}
          <DifferenceList differences={differences} />
        </div>
      ))}
    </section>
  );
}
