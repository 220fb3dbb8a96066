import { t } from '../words/index.ts';
import { When } from '../units/Written.tsx';
import { formatClock } from '@saltflat/core/units';
import dayjs from 'dayjs';
import { Link } from 'react-router';
import { codesIn } from '../features/floor/index.ts';
import type { Moment } from '../features/floor/moments.ts';
import './shiftStrip.css';

const STARTS_AT = 7;
const ENDS_AT = 19;

/** The shift from start to end with the time now, and the next hands-on moments on it. */
export function ShiftStrip({ moments, nowMs }: { moments: readonly Moment[]; nowMs: number }) {
  const startMs = dayjs(nowMs).hour(STARTS_AT).minute(0).second(0).valueOf();
  const at = (ms: number): string =>
    `${Math.min(100, Math.max(0, ((ms - startMs) / ((ENDS_AT - STARTS_AT) * 3_600_000)) * 100))}%`;
  const isInShift = nowMs >= startMs && nowMs <= startMs + (ENDS_AT - STARTS_AT) * 3_600_000;
  const [next] = moments;
  const inS = next ? (next.action.dueAt - nowMs) / 1000 : 0;
  return (
    <section className="shift-strip" aria-label={t('Shift')}>
      <div className="shift-line" aria-hidden="true">
        {Array.from({ length: ENDS_AT - STARTS_AT - 1 }, (_, i) => (
          <span key={i} className="hour" style={{ left: at(startMs + (i + 1) * 3_600_000) }}>
            {String(STARTS_AT + i + 1).padStart(2, '0')}
          </span>
        ))}
        <span className="now" data-outside={!isInShift} style={{ left: at(nowMs) }} />
        {moments.slice(0, 8).map(({ live, action }) => (
          <span
            key={live.run.id + action.step.id}
            className="moment"
            style={{ left: at(Math.max(action.dueAt, nowMs)) }}
          >
            ◆
          </span>
        ))}
      </div>
      <div className="shift-next">
        <When at={nowMs} as="time" />
        {next ? (
          <Link to={`/floor/${next.live.run.id}`}>
            ◆ {inS > 0 ? `${formatClock(Math.ceil(inS))} ` : t('now: ')}
            {next.title.toLowerCase()}, {codesIn(next.live, next.action.step)}
          </Link>
        ) : (
          <span className="muted">{t('no hands needed')}</span>
        )}
      </div>
    </section>
  );
}
