import type { PrintStart } from '@saltflat/contract';
import type { ReadyItem } from '@saltflat/core/care';
import { PRINTER_ITEMS, isRoomGood, judgeNozzles, startStanding } from '@saltflat/core/care';
import type { StartStanding } from '@saltflat/core/care';
import type { FloorAction, Readied } from '@saltflat/core/run';
import { readiedKey } from '@saltflat/core/run';
import { plannedMode } from '@saltflat/core/work';
import type { Operation } from '@saltflat/core/work';
import { useState } from 'react';
import { useCareQuery } from '../../../api/careApi.ts';
import { usePrinter } from '../../../api/printersApi.ts';
import { useKept } from '../../../form/index.ts';
import { signedBy } from '../../../person/personSlice.ts';
import { When } from '../../../units/Written.tsx';
import { Button, CheckSet, Fold, Panel, Row, Stack } from '../../../ui/index.ts';
import { rich, t } from '../../../words/index.ts';
import { CheckList } from '../CheckList.tsx';
import { lineOf } from '../moments.ts';
import type { LiveRun } from '../useRunState.ts';
import { missingWords } from './nozzleWords.ts';
import { PlatenGuide } from './PlatenGuide.tsx';
import { PrinterCheck } from './PrinterCheck.tsx';
import { readyWords } from './readyWords.ts';

interface Props {
  live: LiveRun;
  action: FloorAction;
  operation: Operation;
  nowMs: number;
  onReady: (ready: { missed: ReadyItem[]; nozzlesMissing: number | null }) => void;
}

/** What is looked at before the first print of a line: the printer, then the line itself. It holds nothing up. */
export function BeforePrint({ live, action, operation, nowMs, onReady }: Props) {
  const noted = live.state.readied[readiedKey(action.step)];
  const [isAgain, setAgain] = useState(false);
  const machineId = plannedMode(operation).machine?.id;
  if (operation.role !== 'print' || machineId == null) return null;
  if (noted && !isAgain) return <Noted noted={noted} onAgain={() => setAgain(true)} />;
  return (
    <ToNote
      machineId={machineId}
      {...{ live, action, operation, nowMs }}
      onReady={(ready) => {
        setAgain(false);
        onReady(ready);
      }}
    />
  );
}

const Noted = ({ noted, onAgain }: { noted: Readied; onAgain: () => void }) => (
  <Panel label={t('Before the first print')} pad="8px 14px" style={{ margin: '0 20px 14px' }}>
    <Row gap={12} justify="space-between">
      <span>
        {noted.missed.length === 0 ? '● ' : '◆ '}
        {noted.missed.length === 0 ? t('Looked at before printing.') : readyWords(noted)}{' '}
        <span className="muted small">
          {signedBy(noted.by)}, <When at={noted.at} as="time" />
        </span>
      </span>
      <Button size="small" onClick={onAgain}>
        {t('Look again')}
      </Button>
    </Row>
  </Panel>
);

const LINE_ITEMS: readonly { value: Exclude<ReadyItem, (typeof PRINTER_ITEMS)[number]>; label: string }[] = [
  { value: 'mock-up', label: t('The mock-up matches the ticket') },
  { value: 'layers', label: t('Mirror and order of layers are right') },
  { value: 'height', label: t('The platen’s height is right') },
];

function ToNote({ machineId, live, action, operation, nowMs, onReady }: Props & { machineId: string }) {
  const { data: care } = useCareQuery();
  const printer = usePrinter(machineId);
  const line = lineOf(live.run, action.step.line);
  const [{ done }, setLooked, forget] = useKept<{ done: readonly string[] }>(
    `before-print ${live.run.id} ${readiedKey(action.step)}`,
    () => ({ done: [] }),
  );
  const setDone = (own: readonly string[]): void => setLooked({ done: own });
  const [isChecking, setChecking] = useState(false);
  const start = care?.starts.find((own) => own.machineId === machineId) ?? null;
  const standing = startStanding(
    start && Date.parse(start.at),
    lastPrintedMs(live, action.step.line, operation.id),
    nowMs,
  );
  const hasPlaten = printer?.platen != null;
  const items = LINE_ITEMS.filter(({ value }) => value !== 'height' || hasPlaten);
  const missed: ReadyItem[] = [
    ...(standing === 'good' && start ? missedOf(start) : PRINTER_ITEMS),
    ...items.map(({ value }) => value).filter((value) => !done.includes(value)),
  ];
  const nozzlesMissing =
    standing === 'good' && start?.input.missing ? judgeNozzles(start.input.missing).count : null;
  return (
    <Panel label={t('Before the first print')} pad={14} style={{ margin: '0 20px 14px' }}>
      <Stack gap={10}>
        <strong>{t('Before the first print')}</strong>
        <Row gap={12} justify="space-between">
          <span>
            {printer?.name ?? plannedMode(operation).machine?.name}:{' '}
            <StartWords start={start} standing={standing} />
          </span>
          {printer && (
            <Button size="small" onClick={() => setChecking(true)}>
              {standing === 'good' ? t('Check it again') : t('Check the printer')}
            </Button>
          )}
        </Row>
        <CheckSet label={t('This line')} options={items} chosen={done} onChange={setDone} />
        {hasPlaten && printer && (
          <PlatenGuide
            printer={printer}
            care={care}
            line={line}
            isOverPocket={line.route.prints.some(
              ({ id, loading }) => id === operation.print && loading?.riserMm != null,
            )}
            onSet={() => setDone([...new Set([...done, 'height'])])}
          />
        )}
        {operation.checks.length > 0 && (
          <Fold level={3} title={t('What else its route says')}>
            <CheckList operation={operation} />
          </Fold>
        )}
        <Row gap={10}>
          <Button
            onClick={() => {
              forget();
              onReady({ missed, nozzlesMissing });
            }}
          >
            {missed.length === 0 ? t('Note that all is right') : t('Note what was looked at')}
          </Button>
          <span className="muted small">
            {t('Nothing is held up: what is left out is shown on the run.')}
          </span>
        </Row>
      </Stack>
      {isChecking && printer && <PrinterCheck printer={printer} onClose={() => setChecking(false)} />}
    </Panel>
  );
}

function StartWords({ start, standing }: { start: PrintStart | null; standing: StartStanding }) {
  if (start === null || standing === 'never') return <>{t('◌ nobody has checked it yet')}</>;
  const at = <When at={start.at} as={standing === 'other-shift' ? 'day-time' : 'time'} />;
  if (standing === 'other-shift') return rich('◌ not checked this shift, last {at}', { at });
  if (standing === 'after-pause') return rich('◌ it stood for over two hours since {at}: look again', { at });
  const { missing } = start.input;
  return rich('{mark} checked {at} by {by}, {nozzles}', {
    mark: missedOf(start).length === 0 ? '●' : '◆',
    at,
    by: signedBy(start.input.by),
    nozzles: missing === null ? t('no pattern printed') : missingWords(missing),
  });
}

/** What a check of the printer left out, or found not right. */
function missedOf({ input: { isAgitated, missing, roomC, humidity } }: PrintStart): ReadyItem[] {
  return [
    ...(isAgitated ? [] : ['agitated' as const]),
    ...(missing !== null && judgeNozzles(missing).count === 0 ? [] : ['nozzles' as const]),
    ...(isRoomGood(roomC, humidity) ? [] : ['room' as const]),
  ];
}

/** When the line last had something printed there, ms. */
function lastPrintedMs({ state }: LiveRun, line: string, operation: string): number | null {
  const ends = state.steps.flatMap((step) =>
    step.line === line && step.operation === operation && step.completedAt !== null
      ? [Date.parse(step.completedAt)]
      : [],
  );
  return ends.length === 0 ? null : Math.max(...ends);
}
