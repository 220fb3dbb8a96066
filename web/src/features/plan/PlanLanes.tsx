import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { t } from '../../words/index.ts';
import { useWidth } from '../../ui/index.ts';
import { AXIS_PX, GUTTER_PX, LOAD_PX, drawLanes, lanesHeight } from './drawLanes.ts';
import type { LanesDrawn, LanesState } from './drawLanes.ts';
import { BAR_PX, barAt, barBeside, laneAt, panned, withBar, zoomed } from './lanes.ts';
import type { Bar, Lane, Sight } from './lanes.ts';

interface Props {
  drawn: LanesDrawn;
  sight: Sight;
  onSight: (sight: Sight) => void;
  picked: string | null;
  /** Lines whose work is lit up. */
  lit: ReadonlySet<string>;
  onPick: (id: string | null) => void;
  /** It was dragged, or moved by keys: to begin at a minute, on the machine of a lane. */
  onMove: (bar: Bar, to: { start: number; machine: string | null }) => void;
  /** What is picked, in words, for who does not see it. */
  pickedWords: string;
}

const WHEEL_ZOOM = 1.0015;
/** A hand that only presses moves no further, px. */
const STILL_PX = 4;
const KEY_MIN = 5;

type Drag =
  | { kind: 'ground'; x: number; from: number }
  | { kind: 'bar'; bar: Bar; x: number; y: number; atX: number; atY: number; isMoving: boolean };

/**
 * The plan: a lane for each machine and each table, hours along it. Blocks are dragged, the ground is dragged to look elsewhere,
 * the wheel looks nearer; the arrows go from block to block and Alt with them moves one.
 */
export function PlanLanes(props: Props) {
  const { drawn, sight, picked, lit, onSight, onPick, onMove, pickedWords } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const widthPx = useWidth(canvas);
  const [drag, setDrag] = useState<Drag | null>(null);
  const [over, setOver] = useState('');
  const heightPx = AXIS_PX + lanesHeight(drawn.lanes) + LOAD_PX;
  const scale = (widthPx - GUTTER_PX) / sight.span;
  const ghost = ghostOf(drag, drawn.lanes, scale);
  const state: LanesState = { sight, picked, lit, ghost };
  const frame = useRef(0);
  useLayoutEffect(() => {
    cancelAnimationFrame(frame.current);
    frame.current = requestAnimationFrame(() => {
      const element = canvas.current;
      const pen = element?.getContext('2d');
      if (!element || !pen) return;
      const ratio = window.devicePixelRatio || 1;
      const [wide, high] = [Math.round(widthPx * ratio), Math.round(heightPx * ratio)];
      if (element.width !== wide) element.width = wide;
      if (element.height !== high) element.height = high;
      pen.setTransform(ratio, 0, 0, ratio, 0, 0);
      drawLanes(pen, widthPx, drawn, state);
    });
  });
  useEffect(() => () => cancelAnimationFrame(frame.current), []);
  useWheel(canvas, { sight, scale, onSight });

  const placeOf = (event: React.PointerEvent): { x: number; y: number; minute: number } => {
    const box = event.currentTarget.getBoundingClientRect();
    const [x, y] = [event.clientX - box.left, event.clientY - box.top - AXIS_PX];
    return { x, y, minute: sight.from + (x - GUTTER_PX) / scale };
  };
  const take = (event: React.PointerEvent): void => {
    if (event.button !== 0) return;
    const { x, y, minute } = placeOf(event);
    event.currentTarget.setPointerCapture(event.pointerId);
    const found = x > GUTTER_PX ? barAt(drawn.lanes, minute, y) : null;
    onPick(found?.bar.op.id ?? null);
    setDrag(
      found
        ? { kind: 'bar', bar: found.bar, x, y, atX: x, atY: y, isMoving: false }
        : { kind: 'ground', x, from: sight.from },
    );
  };
  const move = (event: React.PointerEvent): void => {
    const { x, y, minute } = placeOf(event);
    if (drag === null) {
      const found = x > GUTTER_PX ? barAt(drawn.lanes, minute, y) : null;
      setOver(found ? wordsOf(found.bar) : '');
      return;
    }
    if (drag.kind === 'ground') onSight(panned({ ...sight, from: drag.from }, (drag.x - x) / scale));
    else {
      const isMoving = drag.isMoving || Math.hypot(x - drag.x, y - drag.y) > STILL_PX;
      setDrag({ ...drag, atX: x, atY: y, isMoving });
    }
  };
  const wordsOf = (bar: Bar): string =>
    `${drawn.labelOf(bar)}, ${drawn.timeOf(bar.from)} – ${drawn.timeOf(bar.to)}`;
  const drop = (): void => {
    setDrag(null);
    if (drag?.kind !== 'bar' || !drag.isMoving) return;
    const lane = laneAt(drawn.lanes, drag.atY);
    const start = Math.round(drag.bar.from + (drag.atX - drag.x) / scale);
    onMove(drag.bar, { start, machine: lane ? lane.machine : drag.bar.op.machine });
  };
  const press = (event: React.KeyboardEvent): void => {
    const key = event.key;
    if (key === '+' || key === '-') {
      const bar = barOf(drawn.lanes, picked);
      onSight(zoomed(sight, key === '+' ? 0.7 : 1 / 0.7, bar?.from ?? sight.from + sight.span / 2));
      event.preventDefault();
    }
    if (key === 'Home') onSight({ ...sight, from: Math.max(0, drawn.nowMin - sight.span / 8) });
    if (key !== 'ArrowLeft' && key !== 'ArrowRight' && key !== 'ArrowUp' && key !== 'ArrowDown') return;
    event.preventDefault();
    const bar = barOf(drawn.lanes, picked);
    if (event.altKey && bar && (key === 'ArrowLeft' || key === 'ArrowRight')) {
      const by = (event.shiftKey ? 6 * KEY_MIN : KEY_MIN) * (key === 'ArrowRight' ? 1 : -1);
      onMove(bar, { start: bar.from + by, machine: bar.op.machine });
      return;
    }
    const next = barBeside(drawn.lanes, picked, key);
    if (!next) return;
    onPick(next.op.id);
    onSight(withBar(sight, next));
  };
  return (
    <>
      <canvas
        ref={canvas}
        className="plan-lanes"
        style={{ width: '100%', height: heightPx, display: 'block', touchAction: 'pan-y' }}
        tabIndex={0}
        // a drawing that is worked by keys of its own: its words are in the live region below
        role="application"
        aria-label={t('The plan, machine by machine')}
        title={over}
        onPointerDown={take}
        onPointerMove={move}
        onPointerUp={drop}
        onPointerCancel={() => setDrag(null)}
        onKeyDown={press}
      />
      <p className="visually-hidden" role="status">
        {pickedWords}
      </p>
    </>
  );
}

const barOf = (lanes: readonly Lane[], id: string | null): Bar | null =>
  lanes.flatMap(({ bars }) => bars).find(({ op }) => op.id === id) ?? null;

function ghostOf(drag: Drag | null, lanes: readonly Lane[], scale: number): LanesState['ghost'] {
  if (drag?.kind !== 'bar' || !drag.isMoving) return null;
  const lane = laneAt(lanes, drag.atY);
  return {
    bar: drag.bar,
    from: drag.bar.from + (drag.atX - drag.x) / scale,
    topPx: lane ? lane.topPx + (lane.heightPx - BAR_PX) / 2 : drag.bar.topPx,
  };
}

/** The wheel looks nearer and farther, with Shift to the side. A listener of its own: React’s may not keep the page still. */
function useWheel(
  canvas: React.RefObject<HTMLCanvasElement | null>,
  own: { sight: Sight; scale: number; onSight: (sight: Sight) => void },
): void {
  const latest = useRef(own);
  latest.current = own;
  useEffect(() => {
    const element = canvas.current;
    if (!element) return undefined;
    const turn = (event: WheelEvent): void => {
      const { sight, scale, onSight } = latest.current;
      const isZoom = event.ctrlKey || event.metaKey;
      const side = event.shiftKey ? event.deltaY : event.deltaX;
      if (!isZoom && side === 0) return; // the page scrolls
      event.preventDefault();
      const at = sight.from + (event.clientX - element.getBoundingClientRect().left - GUTTER_PX) / scale;
      onSight(isZoom ? zoomed(sight, WHEEL_ZOOM ** event.deltaY, at) : panned(sight, side / scale));
    };
    element.addEventListener('wheel', turn, { passive: false });
    return () => element.removeEventListener('wheel', turn);
  }, [canvas]);
}
