import { PLACEMENTS } from '@saltflat/contract/placements';
import { countdownS } from '@saltflat/core/run';
import { plannedMode, timedPhases, traceHeat } from '@saltflat/core/work';
import type { Operation } from '@saltflat/core/work';
import { formatClock, formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import type { Said } from '@saltflat/core/words';
import Button from '@mui/material/Button';
import { HeatTrace } from '../../trace/index.ts';
import { useUnits } from '../../units/unitsSlice.ts';
import { useWords } from '../../units/useWords.ts';
import { Inspection } from './Inspection.tsx';
import type { Judgement } from './Inspection.tsx';
import { codesOf, lineOf, linesIn, operationOf, partOf } from './moments.ts';
import type { Moment } from './moments.ts';
import { WeighIn } from './WeighIn.tsx';

interface Props {
  moment: Moment;
  nowMs: number;
  /** What a colleague would point out before it is done. */
  slips: readonly Said[];
  onPrimary: () => void;
  onWeigh: (what: 'before' | 'after', massG: number) => void;
  onJudge: (judgement: Judgement) => void;
  onSpoiled: () => void;
  onProblem: () => void;
  onUndo: (() => void) | null;
}

/** What the big button does now, and how urgent it is. */
export function primaryOf({ action }: Moment, nowMs: number): { word: string; isDue: boolean } {
  const isDue = action.dueAt <= nowMs;
  const timerS = countdownS(action.operation, action.step);
  if (action.kind === 'phase') {
    const next = timedPhases(action.operation)[action.step.phase + 1]?.label ?? '';
    return { word: `Next: ${next}`, isDue };
  }
  if (action.kind === 'complete') return { word: timerS > 0 && !isDue ? 'Done early' : 'Done', isDue };
  return { word: timerS > 0 ? (isDue ? 'Start' : 'Start early') : isDue ? 'Done' : 'Done early', isDue };
}

/** The one thing to do next, readable from two metres. */
export function NextPanel({
  moment,
  nowMs,
  slips,
  onPrimary,
  onWeigh,
  onJudge,
  onSpoiled,
  onProblem,
  onUndo,
}: Props) {
  const system = useUnits();
  const words = useWords();
  const { live, action } = moment;
  const operation = operationOf(live.run, action.step);
  if (!operation) return null;
  const line = lineOf(live.run, action.step.line);
  const lines = linesIn(live, action.step);
  const primary = primaryOf(moment, nowMs);
  const timerS = countdownS(operation, action.step);
  const isJudged = operation.role === 'inspect';
  const isWeighed =
    operation.weighIn !== null && (action.step.beforeG === null || action.step.afterG === null);
  return (
    <section
      className="panel next"
      data-due={primary.isDue && action.kind !== 'start' && timerS > 0}
      aria-label="Next"
    >
      <div className="next-head">
        <span className="code">{codesOf({ lines })}</span>
        <span>{partOf(live, action.step)}</span>
        <span className="muted">
          {lines
            .map(
              ({ customer, garment, prints }) =>
                `${customer}, ${garment}, ${prints
                  .filter(({ id }) => operation.print === null || operation.print === id)
                  .map(({ placement }) => PLACEMENTS[placement].label.toLowerCase())
                  .join(' and ')}`,
            )
            .join(' and ')}
        </span>
      </div>
      <div className="next-body">
        <div className="stack" style={{ gap: 10 }}>
          <h2 className="next-title">{operation.title}</h2>
          <SettingsLine operation={operation} system={system} />
          <p className="next-look">{words(operation.look)}</p>
          {action.isTaken && (
            <p className="caution" role="status">
              ◆ {plannedMode(operation).machine?.name} is at work for another line.
            </p>
          )}
          {slips.map((slip) => (
            <p key={slip.code} className="alarm" role="alert">
              ◆ {words(slip)}
            </p>
          ))}
          {operation.cautions.map((caution) => (
            <p key={caution.code} className="caution">
              {words(caution)}
            </p>
          ))}
        </div>
        <Timer moment={moment} nowMs={nowMs} />
      </div>
      {isWeighed && operation.weighIn && (
        <WeighIn weighIn={operation.weighIn} step={action.step} onWeigh={onWeigh} />
      )}
      {isJudged && (
        <Inspection
          key={action.step.id}
          route={line.route}
          checks={operation.checks.map(words)}
          onJudge={onJudge}
        />
      )}
      <div className="next-actions">
        {!isJudged && !isWeighed && (
          <Button className="primary" variant={primary.isDue ? 'contained' : 'outlined'} onClick={onPrimary}>
            {primary.word} <kbd>Space</kbd>
          </Button>
        )}
        {!isJudged && (
          <Button variant="outlined" onClick={onSpoiled}>
            Spoiled <kbd>x</kbd>
          </Button>
        )}
        <Button variant="outlined" onClick={onProblem}>
          Problem <kbd>p</kbd>
        </Button>
        <Button variant="outlined" onClick={onUndo ?? undefined} disabled={onUndo === null}>
          Undo last <kbd>u</kbd>
        </Button>
      </div>
      <div className="next-trace">
        <HeatTrace
          pieces={traceHeat(line.route.operations, line.pieces).map((segment) => ({
            ...segment,
            durationS: segment.toS - segment.fromS,
          }))}
          height={84}
          current={operation.id}
        />
      </div>
    </section>
  );
}

/** More settings than this are written smaller: a print has a dozen, and what to do next must stay in sight. */
const MANY = 6;

function SettingsLine({ operation, system }: { operation: Operation; system: UnitSystem }) {
  const shown = operation.settings.map(({ key, label, value, kind }) => ({
    key,
    label,
    text: formatQuantity(value, kind, system),
  }));
  if (shown.length === 0 && operation.sheet === null) return null;
  return (
    <p className="next-settings" data-many={shown.length > MANY}>
      {shown.map(({ key, label, text }) => (
        <span key={key} className="nowrap">
          <span className="muted">{label}</span> {text}
        </span>
      ))}
      {operation.sheet && <span>{operation.sheet.name}</span>}
    </p>
  );
}

/** Counts down while something runs or rests; derived from the event's time, so it survives a reload. */
function Timer({ moment: { action }, nowMs }: { moment: Moment; nowMs: number }) {
  const timerS = countdownS(action.operation, action.step);
  const leftS = (action.dueAt - nowMs) / 1000;
  const isResting = action.kind === 'start' && leftS > 0;
  if (action.kind === 'start' && !isResting) {
    const closesS = action.latestAt === null ? null : (action.latestAt - nowMs) / 1000;
    return (
      <div className="timer">
        {timerS > 0 && <span className="timer-figure">{formatClock(timerS)}</span>}
        {closesS !== null && (
          <span className={closesS < 0 ? 'alarm' : 'caution'}>
            {closesS < 0
              ? `window closed ${formatClock(-closesS)} ago`
              : `start within ${formatClock(closesS)}`}
          </span>
        )}
      </div>
    );
  }
  if (timerS === 0 && !isResting) return <div className="timer" />;
  return (
    <div className="timer" role="timer" aria-label={isResting ? 'Rest left' : 'Time left'}>
      <span className="timer-figure" data-over={leftS <= 0}>
        {leftS > 0 ? formatClock(Math.ceil(leftS)) : `+${formatClock(-leftS)}`}
      </span>
      <span>{isResting ? '∿ resting' : leftS > 0 ? `▶ ${runningWords(action)}` : '◆ time is up'}</span>
    </div>
  );
}

/** "running", or where it goes in several phases which one: "burst 2, 2 of 4". */
function runningWords({ operation, step }: Moment['action']): string {
  const timed = timedPhases(operation);
  return timed.length > 1
    ? `${timed[step.phase]?.label ?? ''}, ${step.phase + 1} of ${timed.length}`
    : 'running';
}
