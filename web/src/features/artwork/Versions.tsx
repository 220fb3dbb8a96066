import type { Preparation } from '@saltflat/contract';
import type { UnitSystem } from '@saltflat/core/units';
import { useArtworkUsesQuery, usePreparationsQuery } from './preparationsApi.ts';
import { stepWords } from './stepWords.ts';
import { Link } from 'react-router';

interface Props {
  artworkId: string;
  lineId: string;
  keptId: string | null;
  system: UnitSystem;
  /** Number of the version beside which the picture is shown; 0 is the bare file, `null` none. */
  comparedNumber: number | null;
  onTake: (preparation: Preparation) => void;
  onCompare: (preparation: Preparation | null) => void;
}

/** Ways this file has been made ready, and where else it is printed. */
export function Versions({ artworkId, lineId, keptId, system, comparedNumber, onTake, onCompare }: Props) {
  const { data: versions = [] } = usePreparationsQuery(artworkId);
  const { data: uses = [] } = useArtworkUsesQuery(artworkId);
  const others = uses.filter((use) => use.lineId !== lineId);
  return (
    <div className="stack out-panel">
      <section aria-label="Versions">
        <h3>Versions of this artwork</h3>
        {versions.length === 0 && (
          <p className="muted small">None yet: keeping what you try makes the first.</p>
        )}
        <ul className="versions">
          {versions.map((version) => (
            <li key={version.id}>
              <div>
                <strong>Version {version.number}</strong>
                {version.id === keptId && <span className="muted small"> on this line</span>}
                <div className="muted small">
                  {version.byName},{' '}
                  {new Date(version.createdAt).toLocaleString('en-GB', {
                    dateStyle: 'short',
                    timeStyle: 'short',
                  })}
                </div>
                <div className="small">
                  {version.steps.map((step) => stepWords(step, system).title).join(', ') || 'white only'}
                </div>
              </div>
              <button type="button" className="link" onClick={() => onTake(version)}>
                Take it
              </button>
              <button
                type="button"
                className="link"
                aria-pressed={comparedNumber === version.number}
                onClick={() => onCompare(comparedNumber === version.number ? null : version)}
              >
                {comparedNumber === version.number ? 'End comparing' : 'Compare'}
              </button>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Other lines">
        <h3>Also printed on</h3>
        {others.length === 0 && <p className="muted small">No other line uses this file.</p>}
        <ul>
          {others.map((use) => (
            <li key={use.lineId}>
              <Link to={`/artwork/${use.lineId}`}>
                <span className="code">{use.code}</span>
              </Link>{' '}
              {use.customer}
              <span className="muted small">
                {use.preparation === null ? ', as it came' : `, version ${use.preparation}`}
              </span>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
