import type { WorkTimes } from '@saltflat/contract';
import { ENOUGH_TIMES } from '@saltflat/core/learn';
import { ASSUMED_SPREAD } from '../../../planned/index.ts';
import { Panel, Sideways, SimpleTable } from '../../../ui/index.ts';
import { rich, t } from '../../../words/index.ts';
import { factorWords } from '../paceWords.ts';

type Kind = WorkTimes['kinds'][number];

/** How long work takes here, by what was tapped on the floor, beside what routes assume. */
export function TimesPanel({ times: { kinds, pace } }: { times: WorkTimes }) {
  const most = ({ hands, machine }: Kind): number => Math.max(hands.count, machine.count);
  const rows = kinds.filter((own) => most(own) > 0).sort((p, q) => most(q) - most(p));
  return (
    <Panel
      title={t('How long work takes here')}
      label={t('How long work takes here')}
      says={t('By the taps on the floor: from ten times on they are planned by, before what routes assume')}
      pad={0}
    >
      {rows.length === 0 ? (
        <p className="muted" style={{ padding: 16 }}>
          {t('Nothing was timed yet: times come from lines that are finished on the floor.')}
        </p>
      ) : (
        <Sideways label={t('Times by kind of work')}>
          <SimpleTable
            label={t('How long work takes here')}
            rows={rows}
            keyOf={({ kind }) => kind}
            isTopAligned
            columns={[
              { key: 'work', title: t('Work'), cell: WorkCell },
              { key: 'hands', title: t('Hands'), cell: ({ hands }) => <TimeCell time={hands} /> },
              {
                key: 'machine',
                title: t('Machine by itself'),
                cell: ({ machine }) => <TimeCell time={machine} />,
              },
            ]}
          />
        </Sideways>
      )}
      <p className="muted small" style={{ padding: '8px 12px' }}>
        {paceOfDays(pace)} {t('What is heated lasts as long as it is told.')}
      </p>
    </Panel>
  );
}

function paceOfDays({ days, spread }: WorkTimes['pace']): string {
  if (spread === null)
    return t(
      'That all work is slower on one day than on another is assumed: by {share} %, until five days with five times each can be compared ({days} so far).',
      { share: Math.round(100 * ASSUMED_SPREAD.pace), days },
    );
  const share = Math.round(100 * spread);
  return share === 0
    ? t('One day is like another here, by {days} of them.', { days })
    : t('On one day all work is slower than on another: by {share} %, by {days} days of this shop.', {
        share,
        days,
      });
}

function WorkCell({ titles, unit }: Kind) {
  return (
    <>
      {titles.join(' · ')} <span className="muted small">{rich('each {unit}', { unit })}</span>
    </>
  );
}

function TimeCell({ time: { count, leftOut, factor, spread } }: { time: Kind['hands'] }) {
  if (count === 0 && leftOut === 0) return '–';
  const notes = [
    factor === null
      ? t('{count} of {enough} times', { count, enough: ENOUGH_TIMES })
      : t('{count} times', { count }),
    ...(spread === null ? [] : [t('they vary by {share} %', { share: Math.round(100 * spread) })]),
    ...(leftOut === 0 ? [] : [t('{leftOut} too far off, left out', { leftOut })]),
  ];
  return (
    <span style={{ display: 'grid' }}>
      <span>{factor === null ? t('as routes assume') : factorWords(factor)}</span>
      <span className="muted small">{notes.join(', ')}</span>
    </span>
  );
}
