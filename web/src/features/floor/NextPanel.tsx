import { rich, t } from '../../words/index.ts';
import { PLACEMENTS } from '@saltflat/contract/placements';
import { sayOverrule } from '@saltflat/core/artwork';
import { sheetWords } from '@saltflat/core/route';
import { countdownS, driedMeanwhileG, liesBeside, readiedKey, weighedIn } from '@saltflat/core/run';
import type { StepState } from '@saltflat/core/run';
import { plannedMode, timedPhases, traceHeat } from '@saltflat/core/work';
import type { Operation, Role } from '@saltflat/core/work';
import { formatClock, formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import type { Said } from '@saltflat/core/words';
import { HeatTrace } from '../../trace/index.ts';
import { Link } from 'react-router';
import { useUnits } from '../../units/writingSlice.ts';
import { useWords } from '../../units/useWords.ts';
import { BeforePrint } from './before/BeforePrint.tsx';
import { LoadingHere } from './before/LoadingHere.tsx';
import { CheckList } from './CheckList.tsx';
import { FilmCard } from './filmCard/index.ts';
import { Inspection } from './Inspection.tsx';
import type { Judgement } from './Inspection.tsx';
import { codesOf, lineOf, linesIn, operationOf, partOf } from './moments.ts';
import type { Moment } from './moments.ts';
import {
  BigFigure,
  Look,
  NextActions,
  NextBody,
  NextFrame,
  NextHead,
  NextSettings,
  NextTitle,
  NextTrace,
  TimerFrame,
} from './floorParts.tsx';
import { PrinterPanel } from './PrinterPanel.tsx';
import { ShelfTake } from './ShelfTake.tsx';
import { SprayerPanel } from './SprayerPanel.tsx';
import { useRoom } from './useRoom.ts';
import { WeighBack } from './WeighBack.tsx';
import { WeighIn } from './WeighIn.tsx';
import { Button, Note, Stack } from '../../ui/index.ts';

/** Where somebody would stop the piece for what was overruled: as it is printed, and as it is judged. */
const TELLS_OVERRULE: readonly Role[] = ['print', 'inspect'];
/** What is sprayed and dried is judged by the eye: what to look at stands beside it. Film has a card of its own. */
const TELLS_CHECKS: readonly Role[] = ['spray', 'dry'];

/** Where a sprayed garment may go on the scale again. */
const DRIES: readonly Role[] = ['dry', 'flatten'];

interface Props {
  moment: Moment;
  nowMs: number;
  /** What a colleague would point out before it is done. */
  slips: readonly Said[];
  onPrimary: () => void;
  onWeigh: (what: 'before' | 'after', massG: number) => void;
  onReady: React.ComponentProps<typeof BeforePrint>['onReady'];
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
    const next = t(timedPhases(action.operation)[action.step.phase + 1]?.label ?? '');
    return { word: t('Next: {next}', { next }), isDue };
  }
  if (action.kind === 'complete') return { word: timerS > 0 && !isDue ? t('Done early') : t('Done'), isDue };
  return {
    word: timerS > 0 ? (isDue ? t('Start') : t('Start early')) : isDue ? t('Done') : t('Done early'),
    isDue,
  };
}

/** The one thing to do next, readable from two metres. */
export function NextPanel({
  moment,
  nowMs,
  slips,
  onPrimary,
  onWeigh,
  onReady,
  onJudge,
  onSpoiled,
  onProblem,
  onUndo,
}: Props) {
  const system = useUnits();
  const words = useWords();
  const room = useRoom();
  const { live, action } = moment;
  const operation = operationOf(live.run, action.step);
  if (!operation) return null;
  const line = lineOf(live.run, action.step.line);
  const lines = linesIn(live, action.step);
  const primary = primaryOf(moment, nowMs);
  const timerS = countdownS(operation, action.step);
  const driedG = (step: StepState): number => {
    const own = operationOf(live.run, step);
    return own ? driedMeanwhileG(own, step, { nowMs, room }) : 0;
  };
  const sprayed = live.state.steps.find(
    (own) =>
      own.afterG !== null &&
      own.parts.some((part) => action.step.parts.includes(part)) &&
      operationOf(live.run, own)?.role === 'spray',
  );
  const isJudged = operation.role === 'inspect';
  const isWeighed =
    operation.weighIn !== null && (action.step.beforeG === null || action.step.afterG === null);
  return (
    <NextFrame isDue={primary.isDue && action.kind !== 'start' && timerS > 0} aria-label={t('Next')}>
      <NextHead>
        <span className="code">{codesOf({ lines })}</span>
        <span>{partOf(live, action.step)}</span>
        <span className="muted">
          {lines
            .map(
              ({ customer, garment, prints }) =>
                `${customer}, ${garment}, ${prints
                  .filter(({ id }) => operation.print === null || operation.print === id)
                  .map(({ placement }) => t(PLACEMENTS[placement].label).toLowerCase())
                  .join(' + ')}`,
            )
            .join(' + ')}
        </span>
      </NextHead>
      <NextBody>
        <Stack gap={10}>
          <NextTitle>{t(operation.title)}</NextTitle>
          <SettingsLine operation={operation} system={system} />
          <Look>{words(operation.look)}</Look>
          {TELLS_CHECKS.includes(operation.role) && (
            <CheckList operation={operation} label={t('What to look at')} />
          )}
          {action.isTaken && (
            <Note tone="caution" role="status">
              {rich(
                liesBeside(operation)
                  ? '◆ {name} is at work: this goes in beside what is there where both lie flat, with a time of its own.'
                  : '◆ {name} is at work for another line.',
                { name: plannedMode(operation).machine?.name },
              )}
            </Note>
          )}
          {slips.map((slip) => (
            <Note tone="alarm" key={slip.code} role="alert">
              ◆ {words(slip)}
            </Note>
          ))}
          {action.step.isAgain && action.kind === 'start' && operation.role === 'print' && (
            <Note tone="info">
              {rich('It can wait for the next film and lie there with others: {film}.', {
                film: <Link to="/film">{t('lay it out')}</Link>,
              })}
            </Note>
          )}
          {line.artOverrule && TELLS_OVERRULE.includes(operation.role) && (
            <Note tone="caution">◆ {words(sayOverrule(line.artOverrule))}</Note>
          )}
          {operation.cautions.map((caution) => (
            <Note tone="caution" key={caution.code}>
              {words(caution)}
            </Note>
          ))}
        </Stack>
        <Timer moment={moment} nowMs={nowMs} />
      </NextBody>
      {isWeighed && operation.weighIn && (
        <WeighIn
          weighIn={operation.weighIn}
          step={action.step}
          driedG={driedG(action.step)}
          before={weighedIn(live.state.steps, (own) => operationOf(live.run, own)?.weighIn ?? null, driedG)}
          onWeigh={onWeigh}
        />
      )}
      {DRIES.includes(operation.role) && sprayed && <WeighBack sprayed={sprayed} />}
      {isJudged && (
        <Inspection
          key={action.step.id}
          route={line.route}
          checks={operation.checks.map(words)}
          onJudge={onJudge}
        />
      )}
      <NextActions>
        {!isJudged && !isWeighed && (
          <Button size="huge" look={primary.isDue ? 'primary' : 'second'} hint="Space" onClick={onPrimary}>
            {primary.word}
          </Button>
        )}
        {!isJudged && (
          <Button hint="x" onClick={onSpoiled}>
            {t('Spoiled')}
          </Button>
        )}
        <Button hint="p" onClick={onProblem}>
          {t('Problem')}
        </Button>
        <Button hint="u" onClick={onUndo ?? undefined} disabled={onUndo === null}>
          {t('Undo last')}
        </Button>
      </NextActions>
      <BeforePrint
        key={`${live.run.id} ${readiedKey(action.step)}`}
        {...{ live, action, operation, nowMs, onReady }}
      />
      <LoadingHere live={live} action={action} operation={operation} />
      <PrinterPanel live={live} action={action} operation={operation} onStart={onPrimary} />
      <SprayerPanel live={live} action={action} operation={operation} />
      <ShelfTake live={live} action={action} operation={operation} nowMs={nowMs} />
      <FilmCard live={live} action={action} operation={operation} nowMs={nowMs} onWeigh={onWeigh} />
      <NextTrace>
        <HeatTrace
          pieces={traceHeat(line.route.operations, line.pieces).map((segment) => ({
            ...segment,
            durationS: segment.toS - segment.fromS,
          }))}
          height={84}
          current={operation.id}
        />
      </NextTrace>
    </NextFrame>
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
    <NextSettings isMany={shown.length > MANY}>
      {shown.map(({ key, label, text }) => (
        <span key={key} className="nowrap">
          <span className="muted">{t(label)}</span> {text}
        </span>
      ))}
      {operation.sheet && <span>{sheetWords(operation.sheet.name, t)}</span>}
    </NextSettings>
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
      <TimerFrame>
        {timerS > 0 && <BigFigure>{formatClock(timerS)}</BigFigure>}
        {closesS !== null && (
          <Note tone={closesS < 0 ? 'alarm' : 'caution'}>
            {closesS < 0
              ? t('window closed {time} ago', { time: formatClock(-closesS) })
              : t('start within {closesS}', { closesS: formatClock(closesS) })}
          </Note>
        )}
      </TimerFrame>
    );
  }
  if (timerS === 0 && !isResting) return <TimerFrame />;
  return (
    <TimerFrame role="timer" aria-label={isResting ? t('Rest left') : t('Time left')}>
      <BigFigure isOver={leftS <= 0}>
        {leftS > 0 ? formatClock(Math.ceil(leftS)) : `+${formatClock(-leftS)}`}
      </BigFigure>
      <span>{isResting ? t('∿ resting') : leftS > 0 ? `▶ ${runningWords(action)}` : t('◆ time is up')}</span>
    </TimerFrame>
  );
}

/** "running", or where it goes in several phases which one: "burst 2, 2 of 4". */
function runningWords({ operation, step }: Moment['action']): string {
  const timed = timedPhases(operation);
  return timed.length > 1
    ? t('{phase}, {number} of {of}', {
        phase: t(timed[step.phase]?.label ?? ''),
        number: step.phase + 1,
        of: timed.length,
      })
    : t('running');
}
