import { t } from '../../words/index.ts';
import type { LinePrint, OrderLine, Preparation } from '@saltflat/contract';
import type { ArtJob, Finding, Fix, PrintProcess } from '@saltflat/core/artwork';
import { formatQuantity } from '@saltflat/core/units';
import { useDeferredValue, useMemo, useState } from 'react';
import { Overtaken } from '../../form/index.ts';
import { useUnits } from '../../units/writingSlice.ts';
import type { ArtLayer } from '../../worker/artwork.worker.ts';
import { artworkTasks } from '../../worker/artworkClient.ts';
import { ArtPanels } from './ArtPanels.tsx';
import { ArtStage } from './ArtStage.tsx';
import type { PrintPrices } from './FigureTable.tsx';
import type { Pointed } from './Findings.tsx';
import { Filmstrip } from './Filmstrip.tsx';
import { layersFor } from './layers.ts';
import { useArtKeys } from './useArtKeys.ts';
import { useArtDraft } from './useArtDraft.ts';
import type { ArtDraft } from './useArtDraft.ts';
import { useArtwork } from './useArtwork.ts';
import './artwork.css';
import { Button, Failed, FillSplit, Grow, Note, Refusal, Row, SelectField } from '../../ui/index.ts';

interface Props {
  line: OrderLine;
  print: LinePrint;
  /** All lines of the order, for the strip. */
  lines: readonly OrderLine[];
  /** How it is to be printed, as the line and its route say. */
  job: ArtJob;
  prices: PrintPrices;
  by: string;
  /** The route version the line is made by; `null` where there is none. */
  basedOn: number | null;
  /** Has the line printed with what was tried, and says once it is; `null` where the line is closed. */
  onKeep: ((draft: ArtDraft, basedOn: number | null, onKept: () => void) => Promise<void>) | null;
}

/** The file as it will be on the garment: picture on the left, what is to be said and done about it on the right. */
export function ArtworkView({ line, print, lines, job, prices, by, basedOn, onKeep }: Props) {
  const system = useUnits();
  const artworkId = print.artwork?.id ?? '';
  const kept = useMemo(() => draftOf(job), [job]);
  const desk = useArtDraft(`${line.id}/${print.id}`, kept, basedOn);
  const { draft } = desk;
  const [process, setProcess] = useState<PrintProcess>(job.process);
  const [layer, setLayer] = useState<ArtLayer>('composite');
  const [isOnGarment, setIsOnGarment] = useState(false);
  const [isSplit, setIsSplit] = useState(false);
  const [compared, setCompared] = useState<Preparation | null>(null);
  const [pointed, setPointed] = useState<Pointed | null>(null);
  const [picking, setPicking] = useState<number | null>(null);
  const [isCleaning, setIsCleaning] = useState(false);
  const [isKeeping, setIsKeeping] = useState(false);
  const tried = useDeferredValue(useMemo(() => jobOf(job, draft, process), [job, draft, process]));
  const art = useArtwork(artworkId, tried, layer);
  const layers = layersFor(process);
  const hasStrip = lines.some(({ prints }) => prints.length > 1) || lines.length > 1;

  useArtKeys({
    layers,
    onLayer: setLayer,
    onSplit: () => setIsSplit((now) => !now),
    onGarment: () => setIsOnGarment((now) => !now),
    onUndo: desk.undo,
    onRedo: desk.redo,
  });
  const fix = (chosen: Fix): void => {
    setPointed(null);
    if (chosen.kind === 'print-width') desk.change({ widthMm: chosen.widthMm });
    else desk.change({ steps: [...draft.steps, chosen.step] });
  };
  const keep = async (): Promise<void> => {
    setIsKeeping(true);
    await onKeep?.(draft, desk.basedOn, desk.wasKept);
    setIsKeeping(false);
  };
  const clean = async (index: number): Promise<void> => {
    const step = draft.steps[index];
    if (step?.kind !== 'knock-out') return;
    setIsCleaning(true);
    const before = { ...tried, steps: draft.steps.slice(0, index) };
    const asked = artworkTasks.ask('clean-tolerance', { artworkId, job: before, spec: step });
    const tol = await asked.answer.catch(() => step.tol);
    setIsCleaning(false);
    desk.change({ steps: draft.steps.map((own, i) => (i === index ? { ...step, tol } : own)) });
  };
  const pick = async (at: { x: number; y: number }): Promise<void> => {
    const index = picking;
    setPicking(null);
    const step = index === null ? undefined : draft.steps[index];
    if (step?.kind !== 'knock-out') return;
    const before = { ...tried, steps: draft.steps.slice(0, index ?? 0) };
    const { hex } = await artworkTasks.ask('probe', { artworkId, job: before, ...at }).answer;
    desk.change({ steps: draft.steps.map((own, i) => (i === index ? { ...step, hex } : own)) });
  };
  const beforeJob = useMemo(
    () =>
      compared
        ? { ...job, steps: compared.steps, underbase: { ...job.underbase, ...compared.white } }
        : { ...jobOf(job, kept, process), steps: [] },
    [compared, job, kept, process],
  );

  if (art.problem && !art.picture)
    return (
      <Failed title={t('The artwork cannot be shown')} onRetry={art.retry}>
        {art.problem}
      </Failed>
    );
  const point = (finding: Finding, place: number): void => setPointed({ code: finding.code, place });
  return (
    <>
      {desk.isOvertaken && (
        <Overtaken
          what={t('The route of {code}', { code: line.code })}
          onKeepMine={desk.keepMine}
          onStartAgain={desk.reset}
        />
      )}
      <Row style={{ paddingBottom: 8 }}>
        <SelectField
          label={t('Judged for')}
          width={300}
          value={process}
          options={PROCESSES.map(([value, words]) => ({
            value,
            label: value === job.process ? t('{words}, as planned', { words }) : words,
          }))}
          onChange={setProcess}
        />
        {process !== job.process && (
          <Note tone="caution" isSmall>
            {t('Only tried: the line stays as it is planned.')}
          </Note>
        )}
        <Grow />
        <span className="muted small" role="status">
          {statusWords(art, draft.widthMm, system)}
        </span>
        {onKeep && (
          <>
            <Button size="small" disabled={!desk.canUndo} onClick={desk.undo}>
              {t('Undo')}
            </Button>
            <Button size="small" disabled={!desk.canRedo} onClick={desk.redo}>
              {t('Redo')}
            </Button>
            <Button
              look="primary"
              size="small"
              disabled={!desk.isChanged || isKeeping}
              onClick={() => void keep()}
            >
              {isKeeping ? t('Planning …') : desk.isChanged ? t('Keep for this print') : t('Kept')}
            </Button>
          </>
        )}
      </Row>
      <Refusal words={art.problem ?? ''} onRetry={art.retry} />
      <FillSplit columns="minmax(0, 1fr) 384px" below={900} footPx={hasStrip ? 100 : 16}>
        <ArtStage
          {...{ line, print, art, layers, layer, artworkId, system, isOnGarment, pointed }}
          job={tried}
          beforeJob={isSplit || compared ? beforeJob : null}
          beforeName={compared ? `version ${compared.number}` : 'the file as it came'}
          onLayer={setLayer}
          onSplit={() => {
            setCompared(null);
            setIsSplit(!isSplit);
          }}
          onGarment={() => setIsOnGarment(!isOnGarment)}
          onPick={picking === null ? null : (at) => void pick(at)}
        />
        <ArtPanels
          {...{ line, print, art, desk, process, prices, system, by, pointed, compared, isCleaning }}
          onPoint={point}
          onFix={onKeep && fix}
          onClean={(index) => void clean(index)}
          onPick={setPicking}
          onCompare={setCompared}
        />
      </FillSplit>
      <Filmstrip lines={lines} current={{ line, print }} />
    </>
  );
}

const PROCESSES: readonly [PrintProcess, string][] = [
  ['dtf', 'film transfer'],
  ['dtg-dark', 'direct print with white'],
  ['dtg-light', 'direct print without white'],
  ['sub', 'sublimation ink'],
];

function draftOf({ steps = [], underbase = {}, widthMm, process }: ArtJob): ArtDraft {
  const { chokeMm, density, ...white } = underbase;
  return {
    steps: [...steps],
    white,
    chokeMm: chokeMm ?? (process === 'dtf' ? 0.1 : 0.15),
    density: density ?? 1,
    widthMm,
  };
}

/** The job as it is tried; judged for another process it takes that one's laydowns. */
function jobOf(
  job: ArtJob,
  { steps, white, chokeMm, density, widthMm }: ArtDraft,
  process: PrintProcess,
): ArtJob {
  const hasWhite = process === 'dtf' || process === 'dtg-dark';
  const underbase = hasWhite ? { ...white, chokeMm, density } : white;
  return {
    ...job,
    process,
    steps,
    underbase,
    widthMm,
    laydown: process === job.process ? job.laydown : undefined,
  };
}

function statusWords(
  art: ReturnType<typeof useArtwork>,
  widthMm: number,
  system: ReturnType<typeof useUnits>,
): string {
  if (!art.picture) return 'Reading the pixels …';
  if (art.isStale) return `Measuring every pixel … ${Math.round(100 * art.progress)} %`;
  return `Measured. Printed ${formatQuantity(widthMm, 'length', system)} wide`;
}
