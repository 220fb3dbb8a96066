import { rich, t } from '../../words/index.ts';
import { countdownS, floorSlips } from '@saltflat/core/run';
import { useCallback, useState } from 'react';
import { useKeys } from '../../keys/index.ts';
import { useDispatch } from 'react-redux';
import { serverNow } from '../../api/serverClock.ts';
import { useDevice } from '../../api/liveSlice.ts';
import { useSignature } from '../../person/personSlice.ts';
import type { RunEventKind, RunEventPayload } from '@saltflat/core/run';
import { momentsOf, stepsByLine, titleIn } from './moments.ts';
import type { Moment } from './moments.ts';
import { FloorFrame } from './floorParts.tsx';
import { NextPanel } from './NextPanel.tsx';
import { eventHappened, makeEvent, refusalsSeen, useOutbox } from './outboxSlice.ts';
import { RunTabs } from './RunTabs.tsx';
import { FilmSheets } from './FilmSheets.tsx';
import { FlowChoice } from './FlowChoice.tsx';
import { SpoiledDialog } from './SpoiledDialog.tsx';
import { LinedUp, Stations } from './Stations.tsx';
import type { LiveRun } from './useRunState.ts';
import { Button, Dialog, Note, Refusal, Stack, TextField, useNow } from '../../ui/index.ts';

interface Props {
  runs: readonly LiveRun[];
  chosenRunId: string | null;
  onChoose: (runId: string) => void;
  stationName: (station: string) => string;
}

/** The floor: one big next action of the chosen line, what runs everywhere, and what is lined up. */
export function FloorView({ runs, chosenRunId, onChoose, stationName }: Props) {
  const nowMs = useNow(serverNow);
  const moments = momentsOf(runs, nowMs);
  const chosen = runs.find(({ run }) => run.id === chosenRunId) ?? moments[0]?.live ?? runs[0];
  const own = moments.filter(({ live }) => live.run.id === chosen?.run.id);
  const [pickedStep, setPickedStep] = useState<string | null>(null);
  const moment = own.find(({ action }) => action.step.id === pickedStep) ?? own[0];
  const pick = useCallback(
    (runId: string, step: string | null) => {
      setPickedStep(step);
      onChoose(runId);
    },
    [onChoose],
  );
  const [isTelling, setIsTelling] = useState(false);
  const [isSpoiled, setIsSpoiled] = useState(false);
  const { record, by } = useRecorder();
  const scale = useDevice('scale');
  const { refused, damaged } = useOutbox();
  const dispatch = useDispatch();

  const act = useCallback(() => {
    if (!moment) return;
    const { action, live } = moment;
    const { weighIn, role } = action.operation;
    if (role === 'inspect') return;
    const what = action.step.beforeG === null ? 'before' : 'after';
    if (weighIn !== null && (action.step.beforeG === null || action.step.afterG === null)) {
      const isLess = what === 'after' && (scale?.value ?? 0) < (action.step.beforeG ?? 0);
      if (scale?.isStable && scale.value !== null && !isLess)
        record(live, 'reading-taken', action.step.id, { reading: { what, massG: scale.value } });
    } else if (action.kind === 'phase')
      record(live, 'phase-started', action.step.id, { phase: action.step.phase + 1 });
    else
      record(
        live,
        action.kind === 'start' && countdownS(action.operation, action.step) > 0
          ? 'step-started'
          : 'step-completed',
        action.step.id,
      );
  }, [moment, record, scale]);
  const lastEventId = chosen?.state.lastEventId ?? null;
  const undo = useCallback(() => {
    if (chosen && lastEventId !== null) record(chosen, 'undone', null, { eventId: lastEventId });
  }, [chosen, lastEventId, record]);
  useKeys(t('Floor'), [
    { key: ' ', shown: 'Space', does: t('start or finish the step'), act },
    { key: 'u', does: t('undo the last step'), act: undo },
    { key: 'x', does: t('say what was spoiled'), act: () => setIsSpoiled(true) },
    { key: 'p', does: t('note a problem'), act: () => setIsTelling(true) },
  ]);

  return (
    <FloorFrame>
      <Stack>
        <RunTabs runs={runs} chosenId={chosen?.run.id ?? null} onChoose={(runId) => pick(runId, null)} />
        {refused.length > 0 && (
          <Refusal
            words={
              refused.length === 1
                ? t('The server did not take a step: {reason}', { reason: refused[0]?.reason ?? '' })
                : t('The server did not take {count} steps: {reason}', {
                    count: refused.length,
                    reason: refused[0]?.reason ?? '',
                  })
            }
            onSeen={() => dispatch(refusalsSeen())}
          />
        )}
        {damaged > 0 && (
          <Refusal
            words={
              damaged === 1
                ? t(
                    'A step kept on this device cannot be read any more and was not sent. Look whether the last steps are all there.',
                  )
                : t(
                    '{damaged} steps kept on this device cannot be read any more and were not sent. Look whether the last steps are all there.',
                    { damaged },
                  )
            }
            onSeen={() => dispatch(refusalsSeen())}
          />
        )}
        {chosen?.state.problem && (
          <Note
            tone="alarm"
            role="status"
            actions={
              <Button size="small" onClick={() => record(chosen, 'problem-cleared', null)}>
                {t('Solved')}
              </Button>
            }
          >
            <strong>{t('■ Problem:')}</strong> {chosen.state.problem.text} ({chosen.state.problem.by})
          </Note>
        )}
        {moment && (
          <NextPanel
            moment={moment}
            nowMs={nowMs}
            slips={floorSlips(
              moment.action,
              (id) => titleIn(moment.live.run, moment.action.step.line, id),
              runs.filter(({ run }) => run.id !== moment.live.run.id).flatMap(stepsByLine),
              nowMs,
            )}
            onPrimary={act}
            onWeigh={(what, massG) =>
              record(moment.live, 'reading-taken', moment.action.step.id, { reading: { what, massG } })
            }
            onReady={(ready) => record(moment.live, 'readied', moment.action.step.id, { ready })}
            onJudge={(inspection) =>
              record(moment.live, 'piece-inspected', moment.action.step.id, { inspection })
            }
            onSpoiled={() => setIsSpoiled(true)}
            onProblem={() => setIsTelling(true)}
            onUndo={lastEventId === null ? null : undo}
          />
        )}
      </Stack>
      <Stack>
        <Stations
          runs={runs}
          nowMs={nowMs}
          stationName={stationName}
          shown={moment ? `${moment.live.run.id} ${moment.action.step.id}` : ''}
          onPick={pick}
        />
        <LinedUp
          moments={moments.filter((own) => own !== moment).slice(0, 6)}
          nowMs={nowMs}
          onPick={({ live, action }: Moment) => pick(live.run.id, action.step.id)}
        />
        {chosen && <FilmSheets live={chosen} nowMs={nowMs} />}
        {chosen && (
          <FlowChoice
            flow={chosen.state.flow}
            onChange={(flow) => record(chosen, 'flow-changed', null, { flow })}
          />
        )}
        <p className="muted small">
          {rich('Working as {strong}. Change it at the top right.', { strong: <strong>{by}</strong> })}
        </p>
      </Stack>
      {isSpoiled && moment && (
        <SpoiledDialog
          key={moment.action.step.id}
          moment={moment}
          onClose={() => setIsSpoiled(false)}
          onTell={(losses) => {
            for (const lost of losses) record(moment.live, 'part-lost', null, { lost });
            setIsSpoiled(false);
          }}
        />
      )}
      {isTelling && chosen && (
        <ProblemDialog
          onClose={() => setIsTelling(false)}
          onTell={(text) => {
            record(chosen, 'problem-raised', null, { problem: text });
            setIsTelling(false);
          }}
        />
      )}
    </FloorFrame>
  );
}

/** Puts an event in the outbox as the person at this device. */
function useRecorder() {
  const dispatch = useDispatch();
  const by = useSignature();
  const record = useCallback(
    (live: LiveRun, kind: RunEventKind, step: string | null, payload: RunEventPayload = {}) =>
      dispatch(eventHappened({ runId: live.run.id, event: makeEvent(kind, step, by, payload) })),
    [dispatch, by],
  );
  return { record, by };
}

function ProblemDialog({ onClose, onTell }: { onClose: () => void; onTell: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <Dialog
      title={t('What is the problem?')}
      onClose={onClose}
      onSubmit={() => text.trim() !== '' && onTell(text.trim())}
      actions={
        <>
          <Button onClick={onClose}>{t('Back')}</Button>
          <Button look="primary" type="submit" disabled={text.trim() === ''}>
            {t('Note the problem')}
          </Button>
        </>
      }
    >
      <TextField autoFocus label={t('In a few words')} value={text} onChange={setText} />
    </Dialog>
  );
}
