import { rich, t } from '../../words/index.ts';
import { When } from '../../units/Written.tsx';
import type { RouteVersion } from '@saltflat/contract';
import { compareRoutes } from '@saltflat/core/route';
import { useState } from 'react';
import { DifferenceList } from '../../units/DifferenceList.tsx';
import { Button, Panel, Pressable, TwoLines } from '../../ui/index.ts';

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
    <Panel title={t('Versions')}>
      <ul>
        {versions.map((own) => (
          <li key={own.number} style={{ display: 'flex', alignItems: 'center' }}>
            <Pressable isCurrent={own.number === version.number} onClick={() => onShow(own.number)}>
              <TwoLines>
                <strong>{rich('Version {number}', { number: own.number })}</strong>
                <span className="muted small">
                  <When at={own.createdAt} as="weekday-time" />
                  {own.overrides.length > 0 &&
                    t(', {length} changed by {join}', {
                      length: own.overrides.length,
                      join: [...new Set(own.overrides.map(({ who }) => who))].join(', '),
                    })}
                </span>
              </TwoLines>
            </Pressable>
            {own.number !== version.number && (
              <Button
                look="quiet"
                size="small"
                isExpanded={own.number === against}
                onClick={() => setAgainst(own.number === against ? null : own.number)}
              >
                {t('compare')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {other && (
        <div
          style={{ padding: '8px 16px 12px' }}
          role="region"
          aria-label={t('From version {number} to {number2}', {
            number: other.number,
            number2: version.number,
          })}
        >
          <h3>
            {rich('From version {number} to {number2}', { number: other.number, number2: version.number })}
          </h3>
          {differences.length === 0 ? (
            <p className="muted">{t('The floor is asked for the same.')}</p>
          ) : (
            <DifferenceList differences={differences} />
          )}
        </div>
      )}
    </Panel>
  );
}
