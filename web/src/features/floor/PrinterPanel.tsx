import type { FilmPrinter, PrinterJob, PrinterJobInput } from '@saltflat/contract';
import type { FloorAction } from '@saltflat/core/run';
import { plannedMode } from '@saltflat/core/work';
import type { Operation } from '@saltflat/core/work';
import { formatClock } from '@saltflat/core/units';
import {
  useCancelJobMutation,
  useClearPrinterMutation,
  usePrinter,
  useSendToPrinterMutation,
} from '../../api/printersApi.ts';
import { useAttempt } from '../../api/useAttempt.ts';
import { Button, Note, Panel, Progress, Refusal, Row, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { lineOf } from './moments.ts';
import type { LiveRun } from './useRunState.ts';

interface Props {
  live: LiveRun;
  action: FloorAction;
  operation: Operation;
  /** The step begins as its film is sent. */
  onStart: () => void;
}

/** The printer a step’s film goes to: what it prints, and what is to be done at it. */
export function PrinterPanel({ live, action, operation, onStart }: Props) {
  const { route } = lineOf(live.run, action.step.line);
  const lane = route.lanes.find(({ id }) => id === operation.lane);
  const machineId = plannedMode(operation).machine?.id;
  return operation.role === 'print' && machineId != null ? (
    <AtPrinter
      machineId={machineId}
      runId={live.run.id}
      step={action.step.id}
      isDirect={lane?.part === 'blank'}
      onSent={() => action.kind === 'start' && onStart()}
    />
  ) : null;
}

interface AtProps {
  machineId: string;
  runId: string;
  step: string;
  /** Onto a garment: in one job. */
  isDirect: boolean;
  onSent: () => void;
}

function AtPrinter({ machineId, runId, step, isDirect, onSent }: AtProps) {
  const printer = usePrinter(machineId);
  const [send] = useSendToPrinterMutation();
  const [clear] = useClearPrinterMutation();
  const attempt = useAttempt();
  if (!printer) return null;
  const own = printer.jobs.filter((job) => job.runId === runId && job.step === step);
  const last = own.at(-1);
  const next = nextPart(isDirect ? { whiteJobs: 'one' } : printer, last);
  const ahead = printer.jobs.filter(
    ({ state }) => state === 'printing' || state === 'waiting' || state === 'pausing',
  );
  return (
    <Panel label={t('At the printer')} pad={14} style={{ margin: '0 20px 14px' }}>
      <Stack gap={10}>
        <Row gap={12} justify="space-between">
          <strong>{printer.name}</strong>
          <span className="muted small">
            {t('Ink left: colour {colour} ml, white {white} ml', {
              colour: Math.round(printer.colourMl),
              white: Math.round(printer.whiteMl),
            })}
            {ahead.length > (last && ahead.includes(last) ? 1 : 0) &&
              ` · ${t('{n} jobs in its queue', { n: ahead.length })}`}
          </span>
        </Row>
        {last && <JobState printer={printer} job={last} />}
        {printer.isHeld && (
          <Row gap={8}>
            <Button
              size="small"
              isBusy={attempt.isBusy('clear')}
              onClick={() => void attempt.make('clear', () => clear(machineId))}
            >
              {t('Looked at it: let it go on')}
            </Button>
            <Refusal {...attempt.refusal('clear')} />
          </Row>
        )}
        {next && (
          <Row gap={8}>
            <Button
              isBusy={attempt.isBusy('send')}
              onClick={() => void attempt.make('send', () => send({ runId, step, part: next }), onSent)}
            >
              {t(SEND_WORDS[next], { printer: printer.name })}
            </Button>
            <Refusal {...attempt.refusal('send')} />
          </Row>
        )}
      </Stack>
    </Panel>
  );
}

const SEND_WORDS: Record<PrinterJobInput['part'], string> = {
  whole: 'Send to {printer}',
  first: 'Send the colour to {printer}, job 1 of 2',
  second: 'Send the white to {printer}, job 2 of 2',
};

/** What is sent next, if anything: the whole, the first of two jobs, or its second once the first was cancelled in its pause. */
function nextPart(
  { whiteJobs }: Pick<FilmPrinter, 'whiteJobs'>,
  last: PrinterJob | undefined,
): PrinterJobInput['part'] | null {
  const begin = whiteJobs === 'one' ? 'whole' : 'first';
  if (!last || last.state === 'failed') return begin;
  if (last.state !== 'cancelled') return null;
  return last.part === 'first' && last.layer === 'pause' ? 'second' : begin;
}

const LAYER_WORDS: Record<PrinterJob['layer'], string> = {
  colour: t('colour'),
  pause: t('pause'),
  white: t('white'),
  set: t('setting'),
};

function JobState({ printer, job }: { printer: FilmPrinter; job: PrinterJob }) {
  const [cancel] = useCancelJobMutation();
  const attempt = useAttempt();
  const { state, layer, share, leftS, part, mode, areaM2, colourMl, whiteMl, isWet, fault } = job;
  const isOn = state === 'printing' || state === 'pausing' || state === 'waiting';
  const isToCancel = part === 'first' && state === 'pausing';
  return (
    <Stack gap={8}>
      {isOn && (
        <Progress
          words={
            state === 'waiting'
              ? t('Waits in the queue')
              : t('{layer}, {left} left', {
                  layer: LAYER_WORDS[layer],
                  left: formatClock(Math.ceil(leftS / printer.drive.speed)),
                })
          }
          share={share}
        />
      )}
      <span className="muted small">
        {mode === '' ? t('one mode') : mode}
        {areaM2 > 0 && t(', {area} m² of film', { area: areaM2.toFixed(3) })}
        {t(' · laid down: colour {colour} ml, white {white} ml', {
          colour: colourMl.toFixed(1),
          white: whiteMl.toFixed(1),
        })}
      </span>
      {isToCancel && (
        <Note tone="caution" role="status">
          {t(
            'Cancel it now, in the pause: else the white goes on colour that is still wet. The film must not move.',
          )}
        </Note>
      )}
      {part === 'first' && state === 'cancelled' && layer === 'pause' && (
        <Note tone="info">
          {t(
            'The colour lies there. Dry it with warm air until it no longer shines, the film where it is; then send the white.',
          )}
        </Note>
      )}
      {state === 'done' && (
        <Note tone="info">
          {part === 'second'
            ? t(
                'Printed. Look whether the white lies under all of the colour and nowhere beside it: film that moved shows a rim.',
              )
            : areaM2 > 0
              ? t('Printed. Powder comes while it is wet.')
              : t('Printed. Nothing touches the wet ink.')}
        </Note>
      )}
      {isWet && (
        <Note tone="alarm" role="alert">
          {t(
            'The white went on wet colour: look whether it has run, and log the sheet as spoiled where it has.',
          )}
        </Note>
      )}
      {fault !== null && (
        <Note tone="alarm" role="alert">
          ■ {fault}
        </Note>
      )}
      {isOn && (
        <Row gap={8}>
          <Button
            look={isToCancel ? 'primary' : 'second'}
            size="small"
            isBusy={attempt.isBusy('cancel')}
            onClick={() =>
              void attempt.make('cancel', () => cancel({ machineId: printer.machineId, jobId: job.id }))
            }
          >
            {isToCancel ? t('Cancel in the pause') : t('Stop this job')}
          </Button>
          <Refusal {...attempt.refusal('cancel')} />
        </Row>
      )}
    </Stack>
  );
}
