import { t } from '../../words/index.ts';
import { countdownS, runsUntil } from '@saltflat/core/run';
import { formatClock } from '@saltflat/core/units';
import type { Moment } from './moments.ts';
import { codesIn, operationOf, partOf, titleOf } from './moments.ts';
import type { LiveRun } from './useRunState.ts';
import { Panel, Pressable, Rows, TOKENS, ownProps, styled } from '../../ui/index.ts';

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
    <Panel title={t('On the machines')} label={t('Stations')}>
      {busy.length === 0 && (
        <p className="muted" style={{ padding: '12px 16px' }}>
          {t('Nothing is running.')}
        </p>
      )}
      <Rows>
        {busy.map(({ key, pick, station, code, part, leftS }) => (
          <li key={key}>
            <Pressable isPressed={key === shown} onClick={pick} sx={TALL}>
              <span className="muted" style={{ flex: 1 }}>
                {stationName(station)}
              </span>
              <span className="code">{code}</span>
              <span>{part}</span>
              <Left isOver={leftS !== null && leftS <= 0}>
                {leftS === null
                  ? '▶'
                  : leftS > 0
                    ? `▶ ${formatClock(Math.ceil(leftS))}`
                    : `◆ +${formatClock(-leftS)}`}
              </Left>
            </Pressable>
          </li>
        ))}
      </Rows>
    </Panel>
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
    <Panel title={t('Lined up')}>
      {moments.length === 0 && (
        <p className="muted" style={{ padding: '12px 16px' }}>
          {t('Nothing else is waiting.')}
        </p>
      )}
      <Rows>
        {moments.map((moment) => {
          const leftS = (moment.action.dueAt - nowMs) / 1000;
          return (
            <li key={`${moment.live.run.id} ${moment.action.step.id}`}>
              <Pressable onClick={() => onPick(moment)} sx={TALL}>
                <strong style={{ width: 76, flex: 'none' }}>
                  {leftS > 0 ? `◆ ${formatClock(Math.ceil(leftS))}` : t('◆ now')}
                </strong>
                <span>
                  {titleOf(moment.live, moment.action)}{' '}
                  <span className="muted code">{codesIn(moment.live, moment.action.step)}</span>
                  <span className="muted"> {partOf(moment.live, moment.action.step)}</span>
                </span>
              </Pressable>
            </li>
          );
        })}
      </Rows>
    </Panel>
  );
}

const TALL = { minHeight: 56 } as const;
const Left = styled(
  'strong',
  ownProps('isOver'),
)<{ isOver: boolean }>(({ isOver }) => ({ fontSize: 20, color: isOver ? TOKENS.rose : undefined }));
