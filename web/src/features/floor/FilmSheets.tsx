import { t } from '../../words/index.ts';
import { filmOnFloor } from '@saltflat/core/run';
import type { FilmOnFloor } from '@saltflat/core/run';
import { formatClock } from '@saltflat/core/units';
import { codesIn, partOf, titleIn } from './moments.ts';
import { Link } from 'react-router';
import type { LiveRun } from './useRunState.ts';
import { Note, Panel, Rows, styled } from '../../ui/index.ts';

/** Each sheet of film that is under way: what is on it, how far it is, and how long it may wait. */
export function FilmSheets({ live, nowMs }: { live: LiveRun; nowMs: number }) {
  const sheets = filmOnFloor(live.plan, live.state);
  if (sheets.length === 0) return null;
  const { layout } = live.run;
  return (
    <Panel
      title={t('Film')}
      actions={
        layout && (
          <Link to={`/film/${layout.id}`} className="small">
            {t('{code}: files, cutting list', { code: layout.code })}
          </Link>
        )
      }
    >
      <Rows>
        {sheets.map((sheet) => (
          <Sheet key={sheet.printed.id}>
            <strong>{partOf(live, { ...sheet.printed, parts: sheet.parts })}</strong>
            <span className="muted code">{codesIn(live, sheet.printed)}</span>
            <span>{stage(live, sheet)}</span>
            <Guests live={live} sheet={sheet} />
            <Window sheet={sheet} nowMs={nowMs} />
          </Sheet>
        ))}
      </Rows>
    </Panel>
  );
}

/** What a sheet carries for other runs: one tap is for them too. */
function Guests({ live: { run }, sheet }: { live: LiveRun; sheet: FilmOnFloor }) {
  const own = run.sheets.find(({ parts }) => parts.some((id) => sheet.parts.includes(id)));
  const codes = run.guests.flatMap((guest) => (guest.sheet === own?.id ? [guest.code] : []));
  return codes.length === 0 ? null : (
    <span className="small" style={{ gridColumn: '1 / -1' }}>
      {t('and made again: {codes}', { codes: codes.join(', ') })}
    </span>
  );
}

function stage({ run }: LiveRun, { printed, next }: FilmOnFloor): string {
  const title = titleIn(run, printed.line, next?.operation.id ?? printed.operation);
  return next?.isRunning ? `▶ ${title}` : `○ ${title}`;
}

function Window({ sheet: { next }, nowMs }: { sheet: FilmOnFloor; nowMs: number }) {
  if (next?.latestAt == null) return null;
  const leftS = (next.latestAt - nowMs) / 1000;
  return (
    <div style={{ justifySelf: 'end' }}>
      <Note tone={leftS < 0 ? 'alarm' : 'caution'} isSmall>
        {leftS < 0
          ? t('window closed {time} ago', { time: formatClock(-leftS) })
          : t('within {leftS}', { leftS: formatClock(leftS) })}
      </Note>
    </div>
  );
}

const Sheet = styled('li')({
  display: 'grid',
  gridTemplateColumns: '1fr auto',
  gap: '2px 10px',
  padding: '10px 16px',
  '& strong::first-letter': { textTransform: 'uppercase' },
});
