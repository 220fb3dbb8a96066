import { rich, t } from '../../words/index.ts';
import type { Preparation } from '@saltflat/contract';
import { PLACEMENTS } from '@saltflat/contract/placements';
import { sayStep } from '@saltflat/core/artwork';
import { useArtworkUsesQuery, usePreparationsQuery } from './preparationsApi.ts';
import { useDates } from '../../units/writingSlice.ts';
import { useWords } from '../../units/useWords.ts';
import { Link } from 'react-router';
import { Pressable, Rows, Stack } from '../../ui/index.ts';

interface Props {
  artworkId: string;
  /** The print that is looked at. */
  current: { lineId: string; print: string };
  keptId: string | null;
  /** Number of the version beside which the picture is shown; 0 is the bare file, `null` none. */
  comparedNumber: number | null;
  onTake: (preparation: Preparation) => void;
  onCompare: (preparation: Preparation | null) => void;
}

/** Ways this file has been made ready, and where else it is printed. */
export function Versions({ artworkId, current, keptId, comparedNumber, onTake, onCompare }: Props) {
  const words = useWords();
  const when = useDates();
  const { data: versions = [] } = usePreparationsQuery(artworkId);
  const { data: uses = [] } = useArtworkUsesQuery(artworkId);
  const others = uses.filter((use) => use.lineId !== current.lineId || use.print !== current.print);
  return (
    <Stack gap={20} pad="14px 16px">
      <section aria-label={t('Versions')}>
        <h3>{t('Versions of this artwork')}</h3>
        {versions.length === 0 && (
          <p className="muted small">{t('None yet: keeping what you try makes the first.')}</p>
        )}
        <Rows>
          {versions.map((version) => (
            <li key={version.id} style={{ display: 'flex', gap: 12, padding: '8px 0' }}>
              <div style={{ flex: 1 }}>
                <strong>{rich('Version {number}', { number: version.number })}</strong>
                {version.id === keptId && <span className="muted small">{t(' on this print')}</span>}
                <div className="muted small">
                  {version.byName}, {when(version.createdAt, 'weekday-time')}
                </div>
                <div className="small">
                  {version.steps.map((step) => words(sayStep(step).title)).join(', ') || t('white only')}
                </div>
              </div>
              <Pressable look="words" onClick={() => onTake(version)}>
                {t('Take it')}
              </Pressable>
              <Pressable
                look="words"
                isPressed={comparedNumber === version.number}
                onClick={() => onCompare(comparedNumber === version.number ? null : version)}
              >
                {comparedNumber === version.number ? t('End comparing') : t('Compare')}
              </Pressable>
            </li>
          ))}
        </Rows>
      </section>
      <section aria-label={t('Other prints')}>
        <h3>{t('Also printed on')}</h3>
        {others.length === 0 && <p className="muted small">{t('No other print uses this file.')}</p>}
        <ul>
          {others.map((use) => (
            <li key={`${use.lineId}/${use.print}`}>
              <Link to={`/artwork/${use.lineId}?print=${use.print}`}>
                <span className="code">{use.code}</span>
              </Link>{' '}
              {use.customer}, {PLACEMENTS[use.placement].label.toLowerCase()}
              <span className="muted small">
                {use.preparation === null
                  ? t(', as it came')
                  : t(', version {preparation}', { preparation: use.preparation })}
              </span>
            </li>
          ))}
        </ul>
      </section>
    </Stack>
  );
}
