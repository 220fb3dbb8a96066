import { rich, t } from '../words/index.ts';
import type { OpenLine, Run } from '@saltflat/contract';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useOpenLinesQuery } from '../api/linesApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { useAttempt } from '../api/useAttempt.ts';
import {
  FinishedRun,
  FloorView,
  useActiveRunsQuery,
  useLiveRuns,
  useRunQuery,
  useStartRunMutation,
} from '../features/floor/index.ts';
import { shortNames } from '@saltflat/core/route';
import { STATION_NAMES } from '@saltflat/core/work';
import { useSignature } from '../person/personSlice.ts';
import { Button, Empty, Failed, Loading, PageHead, Panel, Refusal, Row, Rows, Swatch } from '../ui/index.ts';

const stationName = (station: string): string =>
  t(STATION_NAMES[station as keyof typeof STATION_NAMES] ?? station);

/** Doing it: the lines on the floor, or the ones that can be put there. */
export function FloorPage() {
  const { runId = null } = useParams();
  const navigate = useNavigate();
  const { data: runs, error, refetch } = useActiveRunsQuery(undefined, { refetchOnMountOrArgChange: true });
  const onFloor = runs?.find(({ id }) => id === runId);
  const asked = useRunQuery(runId ?? '', { skip: runId === null || !runs || onFloor !== undefined }); // what is on the floor is known already
  const own = onFloor ?? (asked.currentData?.id === runId ? asked.currentData : undefined);
  const ownError = onFloor ? undefined : asked.error;
  const live = useLiveRuns(useMemo(() => withOwn(runs ?? [], own), [runs, own]));
  const [chosen] = useLiveRuns(own ? [own] : []);
  const failure = runs ? ownError : (error ?? ownError);
  if (failure) {
    return (
      <Failed
        title={t('The floor cannot be fetched')}
        onRetry={() => void (runs ? asked.refetch() : refetch())}
      >
        {problemMessage(failure)}
      </Failed>
    );
  }
  if (!runs || (runId !== null && !own)) return <Loading what={t('the floor')} />;
  const isFinished = chosen !== undefined && chosen.state.finishedAt !== null;
  const open = live.filter(({ state }) => state.finishedAt === null);
  return (
    <>
      <PageHead
        title={t('Floor')}
        says={
          open.length === 0
            ? t('Nothing on the floor')
            : open.length === 1
              ? t('1 line on the floor')
              : t('{count} lines on the floor', { count: open.length })
        }
      />
      {isFinished && <FinishedRun live={chosen} />}
      {!isFinished && open.length > 0 && (
        <FloorView
          runs={open}
          chosenRunId={runId}
          onChoose={(id) => void navigate(`/floor/${id}`)}
          stationName={stationName}
        />
      )}
      <ReadyLines />
    </>
  );
}

/** The line that is looked at is among those on the floor even where the list does not know it yet: no other takes its place. */
const withOwn = (runs: readonly Run[], own: Run | undefined): readonly Run[] =>
  own && !runs.some(({ id }) => id === own.id) ? [...runs, own] : runs;

const READY_STEP = 30;
const MOST_READY = 180;

/** Lines that can be started, soonest due first. */
function ReadyLines() {
  const [limit, setLimit] = useState(READY_STEP);
  const { currentData: fresh, data = fresh } = useOpenLinesQuery({ state: 'ready', limit });
  if (!data) return null;
  return (
    <Panel title={t('Ready to start')} style={{ marginTop: 16 }}>
      <Rows>
        {data.items.map((line) => (
          <ReadyRow key={line.lineId} line={line} />
        ))}
      </Rows>
      {data.nextCursor !== null && (
        <div style={{ padding: 12 }}>
          {limit < MOST_READY ? (
            <Button onClick={() => setLimit(Math.min(MOST_READY, limit + READY_STEP))}>
              {t('Show more')}
            </Button>
          ) : (
            <span className="muted">
              {rich('These are the {most} due soonest. {link}', {
                most: MOST_READY,
                link: <Link to="/orders?state=ready">{t('All that are ready')}</Link>,
              })}
            </span>
          )}
        </div>
      )}
      {data.items.length === 0 && (
        <Empty title={t('No lines are ready')}>
          {rich('{link}: it can be started once its route is planned.', {
            link: <Link to="/orders/new">{t('Take in an order')}</Link>,
          })}
        </Empty>
      )}
    </Panel>
  );
}

function ReadyRow({ line }: { line: OpenLine }) {
  const [start] = useStartRunMutation();
  const attempt = useAttempt();
  const by = useSignature();
  const navigate = useNavigate();
  const onStart = (): void =>
    void attempt.make(
      'start',
      () => start({ lineIds: [line.lineId], by }),
      (run) => void navigate(`/floor/${run.id}`),
    );
  return (
    <li style={{ padding: '6px 16px' }}>
      <Row>
        <Swatch hex={line.colourHex} />
        <span className="code" style={{ width: 72 }}>
          {line.code}
        </span>
        <span style={{ flex: 1, minWidth: 200 }}>
          {line.customer}{' '}
          <span className="muted">
            {line.pieces} {line.garment}, {shortNames(line.processes, t)}
          </span>
        </span>
        <Button isBusy={attempt.isBusy('start')} onClick={onStart}>
          {rich('Start {code}', { code: line.code })}
        </Button>
      </Row>
      <Refusal {...attempt.refusal('start')} />
    </li>
  );
}
