import type { FilmLayoutInput } from '@saltflat/contract';
import { areaOf, nameOf, problemOf } from '@saltflat/contract/filmJob';
import { CUTTING, USUAL_EDGE_MM, turnedPlacement } from '@saltflat/core/film';
import type { FilmLayout, Placement } from '@saltflat/core/film';
import { useMemo, useState } from 'react';
import { useKeyNotes, useKeys } from '../../keys/index.ts';
import {
  Button,
  Empty,
  FillSplit,
  Grow,
  Note,
  Progress,
  Row,
  Scroll,
  Stack,
  styled,
  useNow,
} from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { FiguresPanel } from './FiguresPanel.tsx';
import { MarksPanel } from './MarksPanel.tsx';
import { LaySettingsPanel } from './LaySettingsPanel.tsx';
import { SheetStrip } from './SheetStrip.tsx';
import { SheetView } from './SheetView.tsx';
import { WaitingPanel } from './WaitingPanel.tsx';
import { USUAL_MARKS, keepingOf, lying, masksOf } from './filmJob.ts';
import type { FilmDraft, FilmGroup } from './filmJob.ts';
import { Middle, SheetFrame } from './filmParts.ts';
import { laid } from './laid.ts';
import { swapped } from './swapped.ts';
import { useFilmDraft } from './useFilmDraft.ts';
import { useLayoutSearch } from './useLayoutSearch.ts';
import { useFilmArt } from './useFilmArt.ts';

interface Props {
  group: FilmGroup;
  film: { widthMm: number; heightMm: number | null; centsPerM2: number | null };
  /** What lies flat in the heat at once, mm. */
  usualLongestMm: number;
  by: string;
  /** What is being done with it. */
  busy: 'keep' | 'start' | null;
  /** What became of the last try to keep it or put it on the floor. */
  refusal: React.ReactNode;
  onKeep: (layout: FilmLayoutInput, then: 'look' | 'start') => void;
}

/** Transfers of one film and powder: chosen, laid out, put right by hand, and put on the floor. */
export function FilmView({ group, film, usualLongestMm, by, busy, refusal, onKeep }: Props) {
  const { draft, change, place, undo, redo, canUndo, canRedo } = useFilmDraft(group.key, {
    chosen: group.waiting.map(nameOf),
    first: [],
    placements: [],
    locked: [],
    cutting: 'trimmer',
    gapMm: CUTTING.trimmer.gapMm,
    edgeMm: USUAL_EDGE_MM,
    mayTurn: true,
    longestMm: usualLongestMm,
    offcut: null,
    outlines: 'boxes',
    marks: USUAL_MARKS,
  });
  const read = useFilmArt(group.waiting, draft.chosen);
  const { widthMm, heightMm, centsPerM2 } = film;
  const area = useMemo(() => areaOf({ widthMm, heightMm }, draft), [widthMm, heightMm, draft]);
  const problem = useMemo(() => {
    const masks = masksOf(read.art, draft);
    const locked = lying(draft, draft.placements).filter(({ key }) => draft.locked.includes(key));
    return problemOf(group.waiting, area, { ...draft, masks, locked });
  }, [group, area, draft, read.art]);
  const { search, begin, stop } = useLayoutSearch(({ best }) => change({ placements: best.placements }));
  const isRunning = search.status === 'running';
  /** What is wanted has changed: what was looked for is not, and what there is of it is kept. */
  const wish = (part: Partial<FilmDraft>, kind?: string): void => {
    stop();
    change(part, kind);
  };
  const answer = search.status === 'running' || search.status === 'done' ? search.answer : null;
  const shown = (isRunning && answer?.best.placements) || draft.placements;
  const state = useMemo(
    () => laid(group.waiting, problem, { locked: draft.locked, art: read.art, placements: shown }),
    [group, problem, draft.locked, read.art, shown],
  );
  const [sheet, setSheet] = useState(0);
  const [selected, setSelected] = useState<string | null>(null);
  /** The piece that changes places with the one chosen next. */
  const [swapping, setSwapping] = useState<string | null>(null);
  const select = (key: string | null): void => {
    const [one, other] = [swapping, key].map((own) => draft.placements.find((placed) => placed.key === own));
    setSwapping(null);
    setSelected(key);
    if (one && other && one !== other && !draft.locked.includes(other.key))
      change({ placements: swapped(draft.placements, one, other) });
  };
  const onSheet = Math.min(sheet, Math.max(0, state.layout.sheets - 1));
  const wanted = problem.items.reduce((sum, { count }) => sum + count, 0);
  const left = state.layout.unplaced.reduce((sum, { count }) => sum + count, 0);
  const missing = wanted - left - state.layout.placements.length;
  const own = state.layout.placements.find(({ key }) => key === selected);
  useFilmKeys({
    own: isRunning ? undefined : own,
    isLocked: own !== undefined && draft.locked.includes(own.key),
    onTurn: (placement) => place(turnedPlacement(problem, placement)),
    onLock: ({ key }) => change({ locked: toggled(draft.locked, key) }),
    undo,
    redo,
  });
  const keep = (then: 'look' | 'start'): void => {
    const masks = masksOf(read.art, draft);
    onKeep(keepingOf(group.waiting, draft, { masks, placements: state.layout.placements, by }), then);
  };
  const canKeep = missing === 0 && wanted > 0 && state.faults.length === 0 && !isRunning;
  return (
    <FillSplit columns="minmax(240px, 300px) minmax(0, 1fr) minmax(260px, 320px)" below={1000}>
      <Left>
        <Scroll>
          <WaitingPanel
            waiting={group.waiting}
            chosen={draft.chosen}
            first={draft.first}
            onChoose={(chosen, first) => wish({ chosen, first })}
          />
        </Scroll>
        <LaySettingsPanel settings={draft} film={area} onChange={(part) => wish(part, 'settings')} />
      </Left>
      <Middle>
        <Row gap={8}>
          <Button
            look={canKeep ? 'second' : 'primary'}
            isBusy={isRunning}
            disabled={wanted === 0 || (read.left > 0 && draft.outlines !== 'boxes')}
            onClick={() => begin(problem, lying(draft, draft.placements))}
          >
            {buttonWords(draft)}
          </Button>
          <Button onClick={undo} disabled={!canUndo || isRunning}>
            {t('Undo')}
          </Button>
          <Button onClick={redo} disabled={!canRedo || isRunning}>
            {t('Redo')}
          </Button>
          {own && !isRunning && (
            <>
              <Button onClick={() => place(turnedPlacement(problem, own))}>{t('Turn')}</Button>
              <Button onClick={() => change({ locked: toggled(draft.locked, own.key) })}>
                {draft.locked.includes(own.key) ? t('Unlock') : t('Lock')}
              </Button>
              {!draft.locked.includes(own.key) && (
                <Button
                  isPressed={swapping !== null}
                  onClick={() => setSwapping(swapping === null ? own.key : null)}
                >
                  {t('Swap')}
                </Button>
              )}
            </>
          )}
          <Grow />
          <Keeping isReady={canKeep} busy={busy} onKeep={keep} />
        </Row>
        {swapping !== null && <Note tone="info">{t('Choose the piece it changes places with.')}</Note>}
        {refusal}
        {search.status === 'running' && (
          <Searching since={search.since} layout={answer?.best ?? null} onStop={stop} />
        )}
        {read.left > 0 && <Progress words={t('Reading the art, {n} to go', { n: read.left })} share={null} />}
        {read.why !== null && <Note tone="alarm">{read.why}</Note>}
        {search.status === 'failed' && <Note tone="alarm">{search.why}</Note>}
        {state.pieces.length === 0 ? (
          <Empty title={t('Nothing is on this film yet')}>
            {t(
              'Choose what goes on it at the left, then lay it out. Pieces can be dragged, turned and locked afterwards.',
            )}
          </Empty>
        ) : (
          <SheetFrame aria-label={t('The film')}>
            <SheetView
              problem={problem}
              sheet={onSheet}
              heightMm={state.heightMm}
              cutMm={state.cutMm(onSheet)}
              pieces={state.pieces.filter(({ own: { sheet: on } }) => on === onSheet)}
              selected={selected}
              onSelect={select}
              onFocus={setSelected}
              onMove={isRunning ? null : place}
            />
          </SheetFrame>
        )}
        <SheetStrip
          problem={problem}
          heightMm={state.heightMm}
          pieces={state.pieces}
          sheets={state.layout.sheets}
          shown={onSheet}
          onShow={setSheet}
        />
      </Middle>
      <Scroll>
        <Stack gap={12}>
          {state.pieces.length > 0 && (
            <FiguresPanel
              transfers={group.waiting}
              problem={problem}
              layout={state.layout}
              faults={state.faults}
              missing={missing}
              centsPerM2={centsPerM2}
              answer={answer}
              onTake={({ placements }: FilmLayout) => change({ placements })}
            />
          )}
          <MarksPanel
            marks={draft.marks}
            gapMm={draft.gapMm}
            onMark={(marks) => change({ marks }, 'marks')}
          />
        </Stack>
      </Scroll>
    </FillSplit>
  );
}

interface KeepingProps {
  isReady: boolean;
  busy: 'keep' | 'start' | null;
  onKeep: (then: 'look' | 'start') => void;
}

/** What is done with a layout that is right. */
const Keeping = ({ isReady, busy, onKeep }: KeepingProps) => (
  <>
    <Button
      disabled={!isReady || busy !== null}
      isBusy={busy === 'keep'}
      title={t('Kept, it has its files: print, white, cut paths, cutting list, labels.')}
      onClick={() => onKeep('look')}
    >
      {t('Keep, get files')}
    </Button>
    <Button
      look={isReady ? 'primary' : 'second'}
      disabled={!isReady || busy !== null}
      isBusy={busy === 'start'}
      title={t('Starts these lines together, with the sheets as they are laid out.')}
      onClick={() => onKeep('start')}
    >
      {t('Put on the floor')}
    </Button>
  </>
);

const toggled = (list: readonly string[], key: string): string[] =>
  list.includes(key) ? list.filter((own) => own !== key) : [...list, key];

function buttonWords({ placements, locked }: FilmDraft): string {
  if (placements.length === 0) return t('Lay out');
  return locked.length > 0 ? t('Improve round what is locked') : t('Improve');
}

const pageClock = (): number => performance.now();

interface SearchingProps {
  since: number;
  layout: FilmLayout | null;
  onStop: () => void;
}

function Searching({ since, layout, onStop }: SearchingProps) {
  const now = useNow(pageClock, 1000);
  const seconds = Math.max(0, Math.round((now - since) / 1000));
  const words =
    layout === null
      ? t('Laying out')
      : t('Getting better for {seconds} s: {sheets} sheets, {mm} mm of film', {
          seconds,
          sheets: layout.sheets,
          mm: Math.round(layout.lengthMm),
        });
  return <Progress words={words} share={null} onCancel={onStop} />;
}

interface KeysOf {
  own: Placement | undefined;
  isLocked: boolean;
  onTurn: (own: Placement) => void;
  onLock: (own: Placement) => void;
  undo: () => void;
  redo: () => void;
}

/** The chosen piece by the keyboard: r turns it, l locks it; the arrows move it where it has the focus. */
function useFilmKeys({ own, isLocked, onTurn, onLock, undo, redo }: KeysOf): void {
  const free = own !== undefined && !isLocked ? own : undefined;
  useKeys('Film', [
    { key: 'r', does: 'turn the chosen piece a quarter', act: () => free && onTurn(free) },
    { key: 'l', does: 'lock it where it is, or let it go', act: () => own && onLock(own) },
    { key: 'mod+z', shown: 'Ctrl z', does: 'undo', act: undo },
    { key: 'mod+y', shown: 'Ctrl y', does: 'redo', act: redo },
  ]);
  useKeyNotes('Film, once a piece has the focus', NOTES);
}
const NOTES = [{ shown: '← ↑ → ↓', does: 'move it by 1 mm, with Shift by 10' }];

const Left = styled('div')({
  display: 'grid',
  gridTemplateRows: 'minmax(160px, 1fr) auto',
  gap: 12,
  minHeight: 0,
});
