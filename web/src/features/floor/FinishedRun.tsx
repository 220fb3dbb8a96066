import { t } from '../../words/index.ts';
import { runPlanOf } from '@saltflat/contract/runPlan';
import { filmMade, readiedKey } from '@saltflat/core/run';
import { useDispatch } from 'react-redux';
import { Link } from 'react-router';
import { usePutAwayLeftOverMutation, useRunShelfQuery } from '../../api/shelfApi.ts';
import { useAttempt } from '../../api/useAttempt.ts';
import { useSignature } from '../../person/personSlice.ts';
import { readyWords } from './before/readyWords.ts';
import { codesOf } from './moments.ts';
import { eventHappened, makeEvent } from './outboxSlice.ts';
import type { LiveRun } from './useRunState.ts';
import { Button, Empty, Panel, Refusal, Row, Stack } from '../../ui/index.ts';

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
        <ReadyBefore live={live} />
        <LeftOver live={live} by={by} />
      </Empty>
    </Panel>
  );
}

/** What was noted before each line’s first print; where nothing was, that is said too. */
function ReadyBefore({ live: { run, state } }: { live: LiveRun }) {
  const rows = run.lines.flatMap(({ key, code, route }) =>
    route.operations
      .filter(({ role }) => role === 'print')
      .map(({ id }) => ({
        name: `${code} ${id}`,
        code,
        noted: state.readied[readiedKey({ line: key, operation: id })],
      })),
  );
  const told = rows.filter(({ noted }) => noted === undefined || noted.missed.length > 0);
  if (told.length === 0) return null;
  return (
    <ul aria-label={t('Before printing')} style={{ margin: '10px 0 0', padding: 0, listStyle: 'none' }}>
      {told.map(({ name, code, noted }) => (
        <li key={name} className="small">
          ◆ {run.lines.length > 1 && `${code}: `}
          {noted ? readyWords(noted) : t('Nobody noted what was looked at before printing.')}
        </li>
      ))}
    </ul>
  );
}

/** Spares that no piece needed: they are good, and go on the shelf. */
function LeftOver({ live: { run, state }, by }: { live: LiveRun; by: string }) {
  const plan = runPlanOf(run);
  const count = run.lines
    .flatMap(({ key }) => filmMade(plan, state, key).left)
    .reduce((sum, { slots }) => sum + slots.length, 0);
  const { data } = useRunShelfQuery(run.id, { skip: count === 0 });
  const [putAway] = usePutAwayLeftOverMutation();
  const attempt = useAttempt();
  if (count === 0 || !data) return null;
  const [packet] = data.leftOver;
  return (
    <Stack gap={8} style={{ marginTop: 12, alignItems: 'center' }}>
      {packet ? (
        <Link to={`/film/shelf/${packet.id}`}>
          {t('{count} transfers were to spare: they lie on the shelf in {codes}.', {
            count,
            codes: data.leftOver.map(({ code }) => code).join(', '),
          })}
        </Link>
      ) : (
        <>
          <span>{t('{count} transfers were to spare and are good.', { count })}</span>
          <Button
            isBusy={attempt.isBusy('away')}
            onClick={() => void attempt.make('away', () => putAway({ runId: run.id, by }))}
          >
            {t('Put them on the shelf')}
          </Button>
        </>
      )}
      <Refusal {...attempt.refusal('away')} />
    </Stack>
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
