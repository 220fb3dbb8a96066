import { t } from '../../words/index.ts';
import { useDispatch } from 'react-redux';
import { useSignature } from '../../person/personSlice.ts';
import { codesOf } from './moments.ts';
import { eventHappened, makeEvent } from './outboxSlice.ts';
import type { LiveRun } from './useRunState.ts';
import { Button, Empty, Panel, Row } from '../../ui/index.ts';

/** A run that has come to its end: what came out, and the way back if the last verdict was a slip. */
export function FinishedRun({ live }: { live: LiveRun }) {
  const dispatch = useDispatch();
  const by = useSignature();
  const { run, state } = live;
  const count = (verdict: string): number =>
    state.outcomes.filter((outcome) => outcome.verdict === verdict).length;
  return (
    <Panel label={t('Finished run')}>
      <Empty
        title={
          run.lines.length > 1
            ? t('{codes} are done', { codes: codesOf(run) })
            : t('{code} is done', { code: codesOf(run) })
        }
        action={
          <Row justify="center">
            <Button look="primary" to={`/ledger?search=${run.lines.length > 1 ? '' : codesOf(run)}`}>
              {t('See it in the ledger')}
            </Button>
            <Button
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
              {t('Undo last')}
            </Button>
            {run.lines.some(({ route }) => route.operations.some(({ role }) => role === 'shelve')) && (
              <Button to="/film/shelf">{t('On the shelf')}</Button>
            )}
            <Button to="/floor">{t('Back to the floor')}</Button>
          </Row>
        }
      >
        {t('{good} good, {reprinted} reprinted, {scrapped} scrapped.', {
          good: count('good'),
          reprinted: count('reprint'),
          scrapped: count('scrap'),
        })}
        {againWords(state)}
      </Empty>
    </Panel>
  );
}

/** Transfers and patches that were spoiled before they were on a piece. */
function againWords({ losses, outcomes }: LiveRun['state']): string {
  const parts = losses.length - outcomes.filter(({ verdict }) => verdict !== 'good').length;
  if (parts === 0) return '';
  return parts === 1
    ? ` ${t('One transfer was made again by itself.')}`
    : ` ${t('{parts} transfers were made again by themselves.', { parts })}`;
}
