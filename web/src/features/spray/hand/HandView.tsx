import { handPath } from '@saltflat/core/spray';
import type { HandPattern, PathPoint, PatternPlan } from '@saltflat/core/spray';
import { useMemo, useState } from 'react';
import { useKeys } from '../../../keys/index.ts';
import { sprayTasks } from '../../../worker/sprayClient.ts';
import { useAnswer } from '../../../worker/useAnswer.ts';
import type { ShownDeposit } from '../../../worker/sprayClient.ts';
import { Button, CheckField, Note, Panel, Row, Split, Stack, ToggleField } from '../../../ui/index.ts';
import { useKept } from '../../../form/index.ts';
import { t } from '../../../words/index.ts';
import type { HandGun } from '../sprayers.ts';
import { CHART_STEP_MM } from './depositChart.ts';
import { DepositMap } from './DepositMap.tsx';
import type { Scene } from './drawDeposit.ts';
import { HANDS, USUAL_JOB, ground, gunOf, patternProblem } from './handJob.ts';
import type { HandJob } from './handJob.ts';
import { HandJobForm } from './HandJobForm.tsx';
import type { AreaToSpray } from '../lines/LinesToSpray.tsx';
import { MapFigures } from './MapFigures.tsx';
import { PatternPanel } from './PatternPanel.tsx';
import { PracticeCanvas } from './PracticeCanvas.tsx';
import { useMetronome } from './useMetronome.ts';
import { usePractice } from './usePractice.ts';

const VIEWS = [
  { value: 'bands', label: t('Bands') },
  { value: 'stroke', label: t('One long stroke') },
  { value: 'practise', label: t('Practise') },
] as const;
type View = (typeof VIEWS)[number]['value'];

/**
 * A hand gun: which bands to spray, what a hand makes of them, and practising it.
 *
 * @param area of a line that is practised; `null` for a full front
 */
export function HandView({ gun: own, area }: { gun: HandGun; area: AreaToSpray | null }) {
  const gun = useMemo(() => gunOf(own), [own]);
  const [job, setJob] = useKept<HandJob>(`hand-job ${JSON.stringify(area)}`, () => ({
    ...USUAL_JOB,
    ...area,
  }));
  const [view, setView] = useState<View>('bands');
  const [seed, setSeed] = useState(1);
  const plan = useAnswer<PatternPlan>(
    () => sprayTasks.ask('plan', patternProblem(gun, job)).answer,
    [gun, job],
  );
  const pattern = plan?.pattern ?? null;
  const shown = useMemo(
    () => (pattern === null ? null : view === 'stroke' ? strokeOf(pattern) : pattern),
    [pattern, view],
  );
  const deposit = useAnswer<ShownDeposit | null>(async () => {
    if (shown === null) return null;
    const path = handPath(shown, boxOf(job), { wobble: HANDS[job.hand].wobble, seed });
    return sprayTasks.ask('deposit', { ...ground(gun, job, CHART_STEP_MM), path }).answer;
  }, [gun, job, shown, seed]);
  const practice = usePractice(gun, job);
  const [hasSound, setSound] = useState(true);
  const steadyPath = useMemo(() => (pattern === null ? null : pathOf(pattern, job)), [pattern, job]);
  const metronome = useMetronome(steadyPath, hasSound);
  const isPractising = view === 'practise';
  useKeys('Spray', [
    { key: 'r', does: t('turn the gun'), act: practice.turn },
    { key: 'c', does: t('a clean garment'), act: practice.startAgain },
  ]);
  const scene: Scene = useMemo(
    () => ({
      job,
      deposit: practice.deposit,
      bands: bandsOf(steadyPath ?? []),
      marker: metronome.marker,
    }),
    [job, practice.deposit, steadyPath, metronome.marker],
  );
  return (
    <Split columns="minmax(400px, 1fr) minmax(290px, 330px) minmax(300px, 360px)" below={1000}>
      <Panel label={t('The garment')} pad="12px 16px">
        <Stack gap={10}>
          <Row gap={12} justify="space-between">
            <ToggleField
              label={t('What is shown')}
              isNameHidden
              value={view}
              options={VIEWS}
              onChange={setView}
            />
            {isPractising ? (
              <Row gap={8}>
                <CheckField label={t('Sound')} isChecked={hasSound} onChange={setSound} />
                <Button
                  size="small"
                  onClick={metronome.isRunning ? metronome.stop : metronome.start}
                  disabled={steadyPath === null}
                >
                  {metronome.isRunning ? t('Stop the marker') : t('Show me the pace')}
                </Button>
                <Button size="small" onClick={practice.turn} isPressed={practice.isTurned} hint="r">
                  {t('Gun turned')}
                </Button>
                <Button size="small" onClick={practice.startAgain} hint="c">
                  {t('Clean garment')}
                </Button>
              </Row>
            ) : (
              <Button size="small" onClick={() => setSeed(seed + 1)}>
                {t('Another try of that hand')}
              </Button>
            )}
          </Row>
          {isPractising ? (
            <PracticeCanvas
              scene={scene}
              label={t('The garment: hold and move to spray')}
              onMove={practice.move}
            />
          ) : (
            deposit && <DepositMap deposit={deposit} job={job} />
          )}
          <p className="muted small">
            {isPractising
              ? t(
                  'Hold the button or the finger down to spray, along the dotted lines, from beside the garment to beside it. Pale: too little; deep teal: right; nearly black: too much.',
                )
              : t(
                  'Figures are g/m². Pale: too little; deep teal: right; nearly black: too much. Each try is another of what such a hand does.',
                )}
          </p>
        </Stack>
      </Panel>
      <HandJobForm job={job} gun={gun} onChange={setJob} />
      <Stack gap={12}>
        {view === 'stroke' ? (
          <Note tone="info">
            {t(
              'The same bands without letting the trigger go: what builds up at the turns comes out by itself.',
            )}
          </Note>
        ) : (
          <PatternPanel plan={plan} />
        )}
        <MapFigures deposit={isPractising ? practice.deposit : deposit} wantedGm2={job.gm2} />
        <p className="muted small">
          {t(
            'Prime the gun off to the side: its first drops spoil a shirt. Gloves and eyes; keep the mist off printers and powder.',
          )}
        </p>
      </Stack>
    </Split>
  );
}

const boxOf = ({ widthMm, heightMm }: HandJob) => ({ x0: 0, y0: 0, x1: widthMm, y1: heightMm });
const pathOf = (pattern: HandPattern, job: HandJob): PathPoint[] =>
  handPath(pattern, boxOf(job), { wobble: null, seed: 1 });

/** The same, in one stroke that turns at the area's edge. */
const strokeOf = (pattern: HandPattern): HandPattern => ({
  ...pattern,
  kind: 's',
  horizontal: Math.max(3, pattern.horizontal + pattern.vertical),
  vertical: 0,
  spacingHMm: pattern.spacingHMm ?? pattern.spacingVMm ?? 90,
});

function bandsOf(path: readonly PathPoint[]): Scene['bands'] {
  return path.flatMap((from, i) => {
    const to = path[i + 1];
    return from.on && to ? [{ from: [from.x, from.y] as const, to: [to.x, to.y] as const }] : [];
  });
}
