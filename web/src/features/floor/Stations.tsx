import { countdownS, runsUntil } from '@saltflat/core/run';
import { formatClock } from '@saltflat/core/units';
import type { Moment } from './moments.ts';
import { codesIn, operationOf, partOf, titleOf } from './moments.ts';
import type { LiveRun } from './useRunState.ts';

interface Props {
  runs: readonly LiveRun[];
  nowMs: number;
  stationName: (station: string) => string;
  /** Run and step that are looked at. */
  shown: string;
  onPick: (runId: string, step: string) => void;
}

/** What stands on each machine now, over all lines. */
export function Stations({ runs, nowMs, stationName, shown, onPick }: Props) {
  const busy = runs.flatMap((live) =>
    live.state.steps
      .filter(({ status }) => status === 'running')
      .map((step) => {
        const operation = operationOf(live.run, step);
        const isTimed = operation !== undefined && countdownS(operation, step) > 0;
        const leftS = isTimed ? (runsUntil(operation, step) - nowMs) / 1000 : null;
        return {
          key: `${live.run.id} ${step.id}`,
          pick: () => onPick(live.run.id, step.id),
          station: operation?.station ?? '',
          code: codesIn(live, step),
          part: partOf(live, step),
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
        {busy.map(({ key, pick, station, code, part, leftS }) => (
          <li key={key}>
            <button type="button" className="station-row" aria-pressed={key === shown} onClick={pick}>
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
            </button>
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
                  <span className="muted code">{codesIn(moment.live, moment.action.step)}</span>
                  <span className="muted"> {partOf(moment.live, moment.action.step)}</span>
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
