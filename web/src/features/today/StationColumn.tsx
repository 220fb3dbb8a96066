import { spanOf } from '@saltflat/core/plan';
import type { PicturedOp, StationNow } from '@saltflat/core/plan';
import { formatClock } from '@saltflat/core/units';
import { STATION_NAMES } from '@saltflat/core/work';
import { Link } from 'react-router';
import { Mark, Panel, Stack, TOKENS } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { inHours } from '../../planned/index.ts';
import type { PlanTime } from '../../planned/index.ts';

interface Props {
  own: StationNow;
  codesOf: (op: PicturedOp) => string;
  toOf: (op: PicturedOp) => string;
  time: PlanTime;
  now: number;
}

/** High enough for a thumb. */
const LINK = { display: 'inline-block', padding: '3px 0' } as const;

/** A station: what runs there with the time left (or when it goes on, where its machine stands still), what waits and since when, what rests, what comes next. */
export function StationColumn({ own, codesOf, toOf, time, now }: Props) {
  const { station, running, waiting, resting, next } = own;
  const [oldest] = waiting;
  return (
    <Panel label={t(STATION_NAMES[station])} pad="10px 12px">
      <Stack gap={8}>
        <h2>{t(STATION_NAMES[station])}</h2>
        {running.map((op) => (
          <div key={op.id}>
            <Mark mark="▶" tone="go">
              <Link to={toOf(op)} style={LINK}>
                <span className="code">{codesOf(op)}</span>{' '}
                {op.isFixed
                  ? leftWords(op, now)
                  : t('goes on {when}', { when: time(spanOf(op).from, 'weekday-time') })}
              </Link>
            </Mark>
            {op.isFixed && <Strip op={op} now={now} />}
          </div>
        ))}
        {waiting.length > 0 && oldest && (
          <div>
            <Mark mark="○" tone="calm">
              <Link to={toOf(oldest.op)} style={LINK}>
                {waiting.length === 1 ? t('1 waits') : t('{n} wait', { n: waiting.length })}
              </Link>
            </Mark>
            {oldest.since !== null && now - oldest.since >= 1 && (
              <p className="muted small">
                {t('{code} for {time}', {
                  code: codesOf(oldest.op),
                  time: inHours(Math.floor(now - oldest.since)),
                })}
              </p>
            )}
          </div>
        )}
        {resting[0] && (
          <div>
            <Mark mark="∿" tone="calm">
              {resting.length === 1 ? t('1 rests') : t('{n} rest', { n: resting.length })}
            </Mark>
            <p className="muted small">{t('until {when}', { when: time(resting[0].until, 'time') })}</p>
          </div>
        )}
        {next && (
          <span className="muted small">
            {t('next {time}: {code}', {
              time: time(spanOf(next).from, spanOf(next).from - now > 720 ? 'weekday-time' : 'time'),
              code: codesOf(next),
            })}
          </span>
        )}
      </Stack>
    </Panel>
  );
}

/** Time left of what runs; over it, by how much. */
function leftWords(op: PicturedOp, now: number): string {
  const left = Math.round((spanOf(op).to - now) * 60);
  return left >= 0 ? formatClock(left) : t('over');
}

/** How far work is: hands as a full line, what runs by itself as a dashed one, the time now on it. */
function Strip({ op, now }: { op: PicturedOp; now: number }) {
  const { from, to } = spanOf(op);
  const x = (minute: number): number => (100 * (minute - from)) / Math.max(1, to - from);
  return (
    <svg width="100%" height="10" viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
      {op.phases.map(({ from: a, to: b, people }) => (
        <line
          key={a}
          x1={x(a)}
          x2={x(b)}
          y1="6"
          y2="6"
          stroke={TOKENS.ink}
          strokeWidth={people > 0 ? 4 : 1.5}
          strokeDasharray={people > 0 ? undefined : '3 2'}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      <line
        x1={Math.min(100, x(now))}
        x2={Math.min(100, x(now))}
        y1="0"
        y2="10"
        stroke={TOKENS.rose}
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
