import { t } from '../../words/index.ts';
import type { UnitSystem } from '@saltflat/core/units';
import { useEffect, useMemo, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import type { ArtPicture } from '../../worker/artwork.worker.ts';
import { drawArt, fitView, sizeMm, viewOfPlace, zoomAbout } from './drawArt.ts';
import type { Scene, View } from './drawArt.ts';
import { Pressable, Row, TOKENS, styled } from '../../ui/index.ts';

export interface Place {
  x: number;
  y: number;
  w: number;
  h: number;
}

interface Props {
  picture: ArtPicture;
  before: ArtPicture | null;
  garment: Scene['garment'];
  garmentHex: string;
  system: UnitSystem;
  label: string;
  /** Places to mark, px of the art; the first is gone to. */
  places: readonly Place[];
  /** Told the pixel under the pointer as shares (0–1) of the art's width and height; `null` when it leaves. */
  onHover: (at: { x: number; y: number } | null) => void;
  /** Told where the art was clicked; `null` while nothing is picked. */
  onPick: ((at: { x: number; y: number }) => void) | null;
  /** Where the zoom keys go; `null` until it is there. */
  zoomRoom: HTMLElement | null;
}

const STEP = 1.25;
const PAN_PX = 40;
type Point = { x: number; y: number };

/** The art on the garment's colour at its printed size, with rulers: wheel, pinch or + and − zoom, drag or arrows pan, 0 fits, 1 and 8 show pixels 1 : 1 and 1 : 8. */
export function ArtCanvas(props: Props) {
  const { picture, before, garment, garmentHex, system, label, places, onHover, onPick, zoomRoom } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const [size, setSize] = useState({ width: 800, height: 560 });
  const [view, setView] = useState<View | null>(null);
  const [split, setSplit] = useState(0.5);
  const pointers = useRef(new Map<number, Point>());
  const isSplitting = useRef(false);
  const whole = useMemo(() => fitView({ picture, garment }, size), [picture, garment, size]);
  const shown = view ?? whole;
  const first = places[0];

  useEffect(() => setView(null), [garment]);
  useEffect(() => {
    if (first) setView(viewOfPlace(first, picture, size));
    // going there once, when another place is asked for; not again while the picture under it sharpens
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [first]);
  useEffect(() => {
    const element = canvas.current?.parentElement;
    if (!element) return undefined;
    const observer = new ResizeObserver(
      ([entry]) =>
        entry &&
        setSize({ width: Math.round(entry.contentRect.width), height: Math.round(entry.contentRect.height) }),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  useEffect(() => {
    if (canvas.current)
      drawArt(canvas.current, size, shown, { picture, before, split, garmentHex, system, places, garment });
  }, [picture, before, split, shown, size, garmentHex, system, places, garment]);
  useEffect(() => {
    const element = canvas.current;
    const wheel = (event: WheelEvent): void => {
      event.preventDefault(); // React listens passively, which could not stop the page from scrolling
      const at = { x: event.offsetX, y: event.offsetY };
      setView((now) =>
        zoomAbout(
          now ?? fitView({ picture, garment }, size),
          event.deltaY < 0 ? STEP : 1 / STEP,
          at,
          picture,
        ),
      );
    };
    element?.addEventListener('wheel', wheel, { passive: false });
    return () => element?.removeEventListener('wheel', wheel);
  });

  const artPxPerMm = picture.width / picture.widthMm;
  const middle = (factor: number): void =>
    setView(zoomAbout(shown, factor, { x: size.width / 2, y: size.height / 2 }, picture));
  const magnify = (screenPx: number): void => middle((screenPx * artPxPerMm) / shown.pxPerMm);
  const pan = (dx: number, dy: number) => (): void => setView({ ...shown, x: shown.x + dx, y: shown.y + dy });
  const keys: Record<string, () => void> = {
    '+': () => middle(STEP),
    '=': () => middle(STEP),
    '-': () => middle(1 / STEP),
    '0': () => setView(null),
    '1': () => magnify(1),
    '8': () => magnify(8),
    ArrowLeft: pan(PAN_PX, 0),
    ArrowRight: pan(-PAN_PX, 0),
    ArrowUp: pan(0, PAN_PX),
    ArrowDown: pan(0, -PAN_PX),
  };
  if (before) {
    keys['['] = () => setSplit((now) => Math.max(0, now - 0.05));
    keys[']'] = () => setSplit((now) => Math.min(1, now + 0.05));
  }
  const artAt = (point: Point): Point | null => {
    const art = sizeMm(picture);
    const x = (point.x - shown.x) / shown.pxPerMm / art.width;
    const y = (point.y - shown.y) / shown.pxPerMm / art.height;
    return x >= 0 && y >= 0 && x < 1 && y < 1 ? { x, y } : null;
  };
  const onMove = (now: Point, id: number): void => {
    const was = pointers.current.get(id);
    if (!was) {
      onHover(artAt(now));
      return;
    }
    const others = [...pointers.current.entries()].filter(([other]) => other !== id);
    pointers.current.set(id, now);
    const [, other] = others[0] ?? [];
    if (isSplitting.current) setSplit(Math.min(1, Math.max(0, (now.x - 22) / (size.width - 22))));
    else if (other) setView(pinched(shown, other, [was, now], picture));
    else setView({ ...shown, x: shown.x + now.x - was.x, y: shown.y + now.y - was.y });
  };
  const zoom = (
    <Row gap={2}>
      <ZoomKey look="words" label={t('Zoom out')} onClick={() => middle(1 / STEP)}>
        −
      </ZoomKey>
      <span className="small" aria-live="polite" style={{ minWidth: 48, textAlign: 'center' }}>
        {Math.round((100 * shown.pxPerMm) / artPxPerMm)} %
      </span>
      <ZoomKey look="words" label={t('Zoom in')} onClick={() => middle(STEP)}>
        +
      </ZoomKey>
      <ZoomKey look="words" onClick={() => setView(null)}>
        {t('Fit')}
      </ZoomKey>
      <ZoomKey look="words" label={t('One screen pixel for each')} onClick={() => magnify(1)}>
        1 : 1
      </ZoomKey>
      <ZoomKey look="words" label={t('Eight screen pixels for each')} onClick={() => magnify(8)}>
        1 : 8
      </ZoomKey>
    </Row>
  );
  return (
    <>
      <div className="art-canvas">
        <canvas
          ref={canvas}
          width={size.width * devicePixelRatio}
          height={size.height * devicePixelRatio}
          tabIndex={0}
          role="img"
          aria-label={label}
          style={{ cursor: onPick ? 'crosshair' : 'grab' }}
          onKeyDown={(event) => {
            const act = event.ctrlKey || event.metaKey || event.altKey ? undefined : keys[event.key];
            if (!act) return;
            event.preventDefault();
            act();
          }}
          onPointerDown={(event) => {
            const at = pointOf(event);
            const hit = artAt(at);
            if (onPick && hit) {
              onPick(hit);
              return;
            }
            isSplitting.current = before !== null && Math.abs(at.x - (22 + (size.width - 22) * split)) < 12;
            pointers.current.set(event.pointerId, at);
            event.currentTarget.setPointerCapture(event.pointerId);
          }}
          onPointerMove={(event) => onMove(pointOf(event), event.pointerId)}
          onPointerUp={(event) => pointers.current.delete(event.pointerId)}
          onPointerCancel={(event) => pointers.current.delete(event.pointerId)}
          onPointerLeave={() => onHover(null)}
        />
      </div>
      {zoomRoom && createPortal(zoom, zoomRoom)}
    </>
  );
}

function pointOf({ nativeEvent }: React.PointerEvent): Point {
  return { x: nativeEvent.offsetX, y: nativeEvent.offsetY };
}

/** Two fingers: the distance between them zooms, about the one that rests. */
function pinched(view: View, rests: Point, [was, now]: [Point, Point], picture: ArtPicture): View {
  const before = Math.hypot(was.x - rests.x, was.y - rests.y);
  const after = Math.hypot(now.x - rests.x, now.y - rests.y);
  return before < 1 ? view : zoomAbout(view, after / before, rests, picture);
}

const ZoomKey = styled(Pressable)({
  minWidth: 32,
  height: 28,
  justifyContent: 'center',
  padding: '0 6px',
  fontWeight: 600,
  color: 'inherit',
  textDecoration: 'none',
  '&:hover': { background: TOKENS.brinePale },
});
