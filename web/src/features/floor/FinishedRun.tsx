import Button from '@mui/material/Button';
import { useDispatch } from 'react-redux';
import { Link } from 'react-router';
import { usePerson } from '../../person/personSlice.ts';
import { codesOf } from './moments.ts';
import { eventHappened, makeEvent } from './outboxSlice.ts';
import type { LiveRun } from './useRunState.ts';

/** A run that has come to its end: what came out, and the way back if the last verdict was a slip. */
export function FinishedRun({ live }: { live: LiveRun }) {
  const dispatch = useDispatch();
  const by = usePerson().trim() || 'not named';
  const { run, state } = live;
  const count = (verdict: string): number =>
    state.outcomes.filter((outcome) => outcome.verdict === verdict).length;
  return (
    <section className="panel empty" aria-label="Finished run">
      <h2>
        <span className="code">{codesOf(run)}</span> {run.lines.length > 1 ? 'are' : 'is'} done
      </h2>
      <p>
        {count('good')} good, {count('reprint')} reprinted, {count('scrap')} scrapped.{againWords(state)}
      </p>
      <div className="row" style={{ justifyContent: 'center', marginTop: 16 }}>
        <Button
          variant="contained"
          component={Link}
          to={`/ledger?search=${run.lines.length > 1 ? '' : codesOf(run)}`}
        >
          See it in the ledger
        </Button>
        <Button
          variant="outlined"
          disabled={state.lastEventId === null}
          onClick={() =>
            state.lastEventId &&
            dispatch(
              eventHappened({
                runId: run.id,
                event: makeEvent('undone', null, by, { eventId: state.lastEventId }),
              }),
            )
          }
        >
          Undo last
        </Button>
        <Button variant="outlined" component={Link} to="/floor">
          Back to the floor
        </Button>
      </div>
    </section>
  );
}

/** Transfers and patches that were spoiled before they were on a piece. */
function againWords({ losses, outcomes }: LiveRun['state']): string {
  const parts = losses.length - outcomes.filter(({ verdict }) => verdict !== 'good').length;
  if (parts === 0) return '';
  return parts === 1
    ? ' One transfer was made again by itself.'
    : ` ${parts} transfers were made again by themselves.`;
}
