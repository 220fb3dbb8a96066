import { countdownS } from '@saltflat/core/run';
import { formatClock } from '@saltflat/core/units';
import type { Moment } from './moments.ts';
import { partOf, titleOf } from './moments.ts';
import type { LiveRun } from './useRunState.ts';

interface Props {
  runs: readonly LiveRun[];
  nowMs: number;
  stationName: (station: string) => string;
}

/** What stands on each machine now, over all lines. */
export function Stations({ runs, nowMs, stationName }: Props) {
  const busy = runs.flatMap((live) =>
    live.state.steps
      .filter(({ status }) => status === 'running')
      .map((step) => {
        const operation = live.plan.operations[step.index];
        const timerS = operation ? countdownS(operation, step) : 0;
        const leftS =
          timerS > 0 && step.startedAt ? (Date.parse(step.startedAt) + 1000 * timerS - nowMs) / 1000 : null;
        return {
          key: step.id + live.run.id,
          station: operation?.station ?? '',
          code: live.run.code,
          part: partOf(step),
          leftS,
        };
      }),
  );
  return (
    <section className="panel" aria-label="Stations">
      <header>
        <h2>On the machines</h2>
      </header>
      {busy.length === 0 && (
        <p className="muted" style={{ padding: '12px 16px' }}>
          Nothing is running.
        </p>
      )}
      <ul>
        {busy.map(({ key, station, code, part, leftS }) => (
          <li key={key} className="station-row">
            <span className="muted">{stationName(station)}</span>
            <span className="code">{code}</span>
            <span>{part}</span>
            <strong data-over={leftS !== null && leftS <= 0}>
              {leftS === null
                ? '▶'
                : leftS > 0
                  ? `▶ ${formatClock(Math.ceil(leftS))}`
                  : `◆ +${formatClock(-leftS)}`}
            </strong>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What will want hands soon, soonest first. */
export function LinedUp({
  moments,
  nowMs,
  onPick,
}: {
  moments: readonly Moment[];
  nowMs: number;
  onPick: (moment: Moment) => void;
}) {
  return (
    <section className="panel" aria-label="Lined up">
      <header>
        <h2>Lined up</h2>
      </header>
      {moments.length === 0 && (
        <p className="muted" style={{ padding: '12px 16px' }}>
          Nothing else is waiting.
        </p>
      )}
      <ul>
        {moments.map((moment) => {
          const leftS = (moment.action.dueAt - nowMs) / 1000;
          return (
            <li key={`${moment.live.run.id} ${moment.action.step.id}`}>
              <button type="button" className="lined-up" onClick={() => onPick(moment)}>
                <strong>{leftS > 0 ? `◆ ${formatClock(Math.ceil(leftS))}` : '◆ now'}</strong>
                <span>
                  {titleOf(moment.live, moment.action)}{' '}
                  <span className="muted code">{moment.live.run.code}</span>
                  {partOf(moment.action.step) !== 'all' && (
                    <span className="muted"> {partOf(moment.action.step)}</span>
                  )}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
