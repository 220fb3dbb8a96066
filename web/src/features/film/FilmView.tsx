import type { FilmLayoutInput } from '@saltflat/contract';
import { areaOf, nameOf, withMore } from '@saltflat/contract/filmJob';
import { turnedPlacement } from '@saltflat/core/film';
import type { FilmLayout, Placement } from '@saltflat/core/film';
import type { Spoilage } from '@saltflat/core/learn';
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
  useNow,
} from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { FiguresPanel } from './FiguresPanel.tsx';
import { PieceTools, RoomNote } from './PieceTools.tsx';
import { MarksPanel } from './MarksPanel.tsx';
import { LaySettingsPanel } from './LaySettingsPanel.tsx';
import { SheetStrip } from './SheetStrip.tsx';
import { SheetView } from './SheetView.tsx';
import { WaitingPanel } from './WaitingPanel.tsx';
import { freshDraft, keepingOf, lying, masksOf, problemOfDraft, rollLeftOf } from './filmJob.ts';
import type { FilmDraft, FilmGroup, RollBegun } from './filmJob.ts';
import { Middle, SheetFrame } from './filmParts.ts';
import { laid } from './laid.ts';
import { swapped } from './swapped.ts';
import { useFilmDraft } from './useFilmDraft.ts';
import { withCount } from './copies.ts';
import { useCopies } from './useCopies.ts';
import { useLayoutSearch } from './useLayoutSearch.ts';
import type { LayoutSearch } from './useLayoutSearch.ts';
import { useFilmArt } from './useFilmArt.ts';
import type { ArtRead } from './useFilmArt.ts';

interface Props {
  group: FilmGroup;
  film: { widthMm: number; heightMm: number | null; centsPerM2: number | null };
  /** What lies flat in the heat at once, mm. */
  usualLongestMm: number;
  /** What the last layout has left on the roll, where somebody said what was on it; what was printed here and lost. */
  counted: { roll: RollBegun | null; spoilage: Spoilage };
  by: string;
  /** What is being done with it. */
  busy: 'keep' | 'start' | null;
  /** What became of the last try to keep it or put it on the floor. */
  refusal: React.ReactNode;
  /** What is to be said above what waits. */
  above: React.ReactNode;
  onKeep: (layout: FilmLayoutInput, then: 'look' | 'start') => void;
}

/** Transfers of one film and powder: chosen, laid out, put right by hand, and put on the floor. */
export function FilmView({ group, film, usualLongestMm, counted, by, busy, refusal, above, onKeep }: Props) {
  const { draft, change, place, undo, redo, canUndo, canRedo } = useFilmDraft(
    group.key,
    freshDraft(group, usualLongestMm),
  );
  const transfers = useMemo(
    () => group.waiting.map((own) => withMore(own, draft.more[nameOf(own)] ?? 0)),
    [group, draft.more],
  );
  const read = useFilmArt(transfers, draft.chosen);
  const { widthMm, heightMm, centsPerM2 } = film;
  const area = useMemo(() => areaOf({ widthMm, heightMm }, draft), [widthMm, heightMm, draft]);
  const problem = useMemo(
    () => problemOfDraft(transfers, area, draft, read.art),
    [transfers, area, draft, read.art],
  );
  const rollLeftMm = film.heightMm === null && draft.offcut === null ? rollLeftOf(draft, counted.roll) : null;
  const { search, begin, stop } = useLayoutSearch(({ best }) => change({ placements: best.placements }));
  const isRunning = search.status === 'running';
  /** What is wanted has changed: what was looked for is not, and what there is of it is kept. */
  const wish = (part: Partial<FilmDraft>, kind?: string): void => {
    stop();
    forget();
    change(part, kind);
  };
  const answer = search.status === 'running' || search.status === 'done' ? search.answer : null;
  const shown = (isRunning && answer?.best.placements) || draft.placements;
  const state = useMemo(
    () => laid(transfers, problem, { locked: draft.locked, art: read.art, placements: shown }),
    [transfers, problem, draft.locked, read.art, shown],
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
  const { wanted, missing } = state;
  const own = state.layout.placements.find(({ key }) => key === selected);
  const isRight = missing === 0 && state.faults.length === 0 && !isRunning;
  const { spare, room, addCopy, lookForRoom, takeOff, forget } = useCopies({
    ...{ group, transfers, draft, own, isRight, change },
    laid: state.layout.placements,
    problemFor: (wished) => problemOfDraft(wished, area, draft, read.art),
    onAdded: ({ key, sheet: on }) => {
      setSelected(key);
      setSheet(on);
    },
  });
  useFilmKeys({
    own: isRunning ? undefined : own,
    isLocked: own !== undefined && draft.locked.includes(own.key),
    onTurn: (placement) => place(turnedPlacement(problem, placement)),
    onLock: ({ key }) => change({ locked: toggled(draft.locked, key) }),
    onMore: lookForRoom,
    onLess: takeOff,
    undo,
    redo,
  });
  const keep = (then: 'look' | 'start'): void => {
    const laidOut = { masks: masksOf(read.art, draft), placements: state.layout.placements };
    onKeep(keepingOf(transfers, draft, { ...laidOut, rollLeftMm, by }), then);
  };
  const canKeep = isRight && wanted > 0;
  return (
    <FillSplit columns="minmax(240px, 300px) minmax(0, 1fr) minmax(260px, 320px)" below={1000}>
      <Scroll>
        <Stack gap={12}>
          {above}
          <WaitingPanel
            waiting={transfers}
            more={draft.more}
            spoilage={counted.spoilage}
            chosen={draft.chosen}
            first={draft.first}
            onChoose={(chosen, first) => wish({ chosen, first })}
            onMore={(owner, more) => wish(withCount(draft, owner, more))}
          />
        </Stack>
      </Scroll>
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
          <Grow />
          <Keeping isReady={canKeep} busy={busy} onKeep={keep} />
        </Row>
        <Row gap={6} style={{ minHeight: 32 }}>
          {own && spare && !isRunning ? (
            <PieceTools
              {...{ ...spare, itemId: own.itemId }}
              isLocked={draft.locked.includes(own.key)}
              isUpright={draft.upright.includes(nameOf(spare.owner))}
              isSwapping={swapping !== null}
              isLooking={room.status === 'looking'}
              onTurn={() => place(turnedPlacement(problem, own))}
              onLock={() => change({ locked: toggled(draft.locked, own.key) })}
              onUpright={() => wish({ upright: toggled(draft.upright, nameOf(spare.owner)) })}
              onSwap={() => setSwapping(swapping === null ? own.key : null)}
              onMore={lookForRoom}
              onLess={takeOff}
            />
          ) : (
            state.pieces.length > 0 && (
              <span className="muted small">
                {t('Choose a piece to turn it, lock it, swap it, or print one more.')}
              </span>
            )
          )}
        </Row>
        {swapping !== null && <Note tone="info">{t('Choose the piece it changes places with.')}</Note>}
        <RoomNote room={room} onTake={() => room.status === 'longer' && addCopy(room.own)} onLeave={forget} />
        {refusal}
        <GoingOn search={search} read={read} onStop={stop} />
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
              transfers={transfers}
              problem={problem}
              layout={state.layout}
              faults={state.faults}
              missing={missing}
              rollLeftMm={rollLeftMm}
              centsPerM2={centsPerM2}
              answer={answer}
              onTake={({ placements }: FilmLayout) => change({ placements })}
            />
          )}
          <LaySettingsPanel
            settings={{ ...draft, rollLeftMm }}
            film={area}
            onChange={(part) => wish(part, 'settings')}
            onRoll={(left) => change({ rollLeftMm: left, rollAfter: counted.roll?.after ?? '' }, 'roll')}
          />
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

/** What is being read and looked for, and what could not be. */
const GoingOn = ({ search, read, onStop }: { search: LayoutSearch; read: ArtRead; onStop: () => void }) => (
  <>
    {search.status === 'running' && (
      <Searching since={search.since} layout={search.answer?.best ?? null} onStop={onStop} />
    )}
    {read.left > 0 && <Progress words={t('Reading the art, {n} to go', { n: read.left })} share={null} />}
    {read.why !== null && <Note tone="alarm">{read.why}</Note>}
    {search.status === 'failed' && <Note tone="alarm">{search.why}</Note>}
  </>
);

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
  onMore: () => void;
  onLess: () => void;
  undo: () => void;
  redo: () => void;
}

/** The chosen piece by the keyboard: r turns it, l locks it; the arrows move it where it has the focus. */
function useFilmKeys({ own, isLocked, onTurn, onLock, onMore, onLess, undo, redo }: KeysOf): void {
  const free = own !== undefined && !isLocked ? own : undefined;
  useKeys('Film', [
    { key: 'r', does: 'turn the chosen piece a quarter', act: () => free && onTurn(free) },
    { key: 'l', does: 'lock it where it is, or let it go', act: () => own && onLock(own) },
    { key: 'a', does: 'add one more of it, where there is room', act: onMore },
    { key: 'Delete', does: 'take one off that is beyond what is wanted', act: onLess },
    { key: 'mod+z', shown: 'Ctrl z', does: 'undo', act: undo },
    { key: 'mod+y', shown: 'Ctrl y', does: 'redo', act: redo },
  ]);
  useKeyNotes('Film, once a piece has the focus', NOTES);
}
const NOTES = [{ shown: '← ↑ → ↓', does: 'move it by 1 mm, with Shift by 10' }];
