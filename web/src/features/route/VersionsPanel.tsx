import type { RouteVersion } from '@saltflat/contract';
import { compareRoutes } from '@saltflat/core/route';
import { useState } from 'react';
import { DifferenceList } from '../../units/DifferenceList.tsx';

interface Props {
  version: RouteVersion;
  versions: readonly RouteVersion[];
  onShow: (number: number) => void;
}

/** Every version there was, and what one asks for that another does not. */
export function VersionsPanel({ version, versions, onShow }: Props) {
  const [against, setAgainst] = useState<number | null>(null);
  const other = versions.find(({ number }) => number === against && number !== version.number);
  const differences = other ? compareRoutes(other.route, version.route) : [];
  return (
    <section className="panel" aria-label="Versions">
      <header>
        <h2>Versions</h2>
      </header>
      <ul>
        {versions.map((own) => (
          <li key={own.number} className="version-row">
            <button
              type="button"
              className="version"
              aria-current={own.number === version.number}
              onClick={() => onShow(own.number)}
            >
              <strong>Version {own.number}</strong>
              <span className="muted small">
                {new Date(own.createdAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}
                {own.overrides.length > 0 &&
                  `, ${own.overrides.length} changed by ${[...new Set(own.overrides.map(({ who }) => who))].join(', ')}`}
              </span>
            </button>
            {own.number !== version.number && (
              <button
                type="button"
                className="text-button"
                aria-expanded={own.number === against}
                onClick={() => setAgainst(own.number === against ? null : own.number)}
              >
                compare
              </button>
            )}
          </li>
        ))}
      </ul>
      {other && (
        <div
          style={{ padding: '0 16px 12px' }}
          role="region"
          aria-label={`From version ${other.number} to ${version.number}`}
        >
          <h3>
            From version {other.number} to {version.number}
          </h3>
          {differences.length === 0 ? (
            <p className="muted">The floor is asked for the same.</p>
          ) : (
            <DifferenceList differences={differences} />
          )}
        </div>
      )}
    </section>
  );
}
