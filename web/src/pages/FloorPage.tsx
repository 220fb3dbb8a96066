import type { ReadyLine, Run } from '@saltflat/contract';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { problemMessage } from '../api/problemMessage.ts';
import {
  FinishedRun,
  FloorView,
  useActiveRunsQuery,
  useLiveRuns,
  useReadyLinesQuery,
  useRunQuery,
  useStartRunMutation,
} from '../features/floor/index.ts';
import { shortNames } from '@saltflat/core/route';
import { STATION_NAMES } from '@saltflat/core/work';
import { usePerson } from '../person/personSlice.ts';
import { Loading, Notice } from '../ui/Notice.tsx';

const stationName = (station: string): string =>
  STATION_NAMES[station as keyof typeof STATION_NAMES] ?? station;

/** Doing it: the lines on the floor, or the ones that can be put there. */
export function FloorPage() {
  const { runId = null } = useParams();
  const navigate = useNavigate();
  const { data: runs, error, refetch } = useActiveRunsQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data: own, error: ownError } = useRunQuery(runId ?? '', { skip: runId === null });
  const live = useLiveRuns(useMemo(() => withOwn(runs ?? [], own), [runs, own]));
  const [chosen] = useLiveRuns(own ? [own] : []);
  const failure = runs ? ownError : (error ?? ownError);
  if (failure) {
    return (
      <Notice title="The floor cannot be fetched" onRetry={() => void refetch()}>
        {problemMessage(failure)}
      </Notice>
    );
  }
  if (!runs || (runId !== null && !own)) return <Loading what="the floor" />;
  const isFinished = chosen !== undefined && chosen.state.finishedAt !== null;
  const open = live.filter(({ state }) => state.finishedAt === null);
  return (
    <>
      <div className="page-head" style={{ minHeight: 44, paddingBottom: 0 }}>
        <h1>Floor</h1>
        <span className="muted">
          {open.length === 0
            ? 'Nothing on the floor'
            : `${open.length} ${open.length === 1 ? 'line' : 'lines'} on the floor`}
        </span>
      </div>
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
  const { currentData: fresh, data = fresh } = useReadyLinesQuery(limit);
  const [problem, setProblem] = useState('');
  if (!data) return null;
  return (
    <section className="panel" style={{ marginTop: 16 }} aria-label="Ready to start">
      <header>
        <h2>Ready to start</h2>
      </header>
      {problem !== '' && (
        <p className="alarm" role="alert">
          {problem}
        </p>
      )}
      <ul>
        {data.items.map((line) => (
          <ReadyRow key={line.lineId} line={line} onProblem={setProblem} />
        ))}
      </ul>
      {data.nextCursor !== null && (
        <div className="row" style={{ padding: 12 }}>
          {limit < MOST_READY ? (
            <Button variant="outlined" onClick={() => setLimit(Math.min(MOST_READY, limit + READY_STEP))}>
              Show more
            </Button>
          ) : (
            <span className="muted">
              These are the {MOST_READY} due soonest. <Link to="/orders?state=ready">All that are ready</Link>
            </span>
          )}
        </div>
      )}
      {data.items.length === 0 && (
        <Notice title="No lines are ready">
          <Link to="/orders/new">Take in an order</Link>: it can be started once its route is planned.
        </Notice>
      )}
    </section>
  );
}

function ReadyRow({ line, onProblem }: { line: ReadyLine; onProblem: (text: string) => void }) {
  const [start, { isLoading }] = useStartRunMutation();
  const by = usePerson().trim() || 'not named';
  const navigate = useNavigate();
  const onStart = async (): Promise<void> => {
    const answer = await start({ lineIds: [line.lineId], by });
    if (answer.error) onProblem(problemMessage(answer.error));
    else void navigate(`/floor/${answer.data.id}`);
  };
  return (
    <li className="row" style={{ padding: '6px 16px', borderBottom: '1px solid #e8eef0' }}>
      <span className="swatch" style={{ background: line.colourHex }} />
      <span className="code" style={{ width: 72 }}>
        {line.code}
      </span>
      <span style={{ flex: 1, minWidth: 200 }}>
        {line.customer}{' '}
        <span className="muted">
          {line.pieces} {line.garment}, {shortNames(line.processes)}
        </span>
      </span>
      <Button variant="outlined" disabled={isLoading} onClick={() => void onStart()} sx={{ minHeight: 44 }}>
        Start {line.code}
      </Button>
    </li>
  );
}
