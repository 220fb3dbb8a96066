import { useEffect, useRef, useState } from 'react';
import type { UnitSystem } from '@saltflat/core/units';
import { drawArt, fitView, zoomAbout } from './drawArt.ts';
import type { View } from './drawArt.ts';

interface Props {
  bitmap: ImageBitmap;
  /** Of the whole image, px; the bitmap may be a smaller picture of it. */
  image: { width: number; height: number };
  widthMm: number;
  garmentHex: string;
  system: UnitSystem;
  label: string;
  /** Rectangle to point at, px of the image. */
  marked: { x: number; y: number; width: number; height: number } | null;
}

const STEP = 1.25;
const PAN_PX = 40;

/** The art on the garment's colour at its printed size, with rulers: wheel or + and − zoom, drag or arrows pan, 0 fits, 1 shows pixel for pixel. */
export function ArtCanvas({ bitmap, image, widthMm, garmentHex, system, label, marked }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [size, setSize] = useState({ width: 800, height: 560 });
  const [view, setView] = useState<View | null>(null);
  const drag = useRef<{ x: number; y: number } | null>(null);
  const shown = view ?? fitView(image, size);

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
      drawArt(canvas.current, { bitmap, image, view: shown, size, widthMm, garmentHex, system, marked });
  }, [bitmap, image, shown, size, widthMm, garmentHex, system, marked]);
  useEffect(() => {
    const element = canvas.current;
    const wheel = (event: WheelEvent): void => {
      event.preventDefault(); // React listens passively, which could not stop the page from scrolling
      setView((before) =>
        zoomAbout(
          before ?? fitView(image, size),
          event.deltaY < 0 ? STEP : 1 / STEP,
          event.offsetX,
          event.offsetY,
        ),
      );
    };
    element?.addEventListener('wheel', wheel, { passive: false });
    return () => element?.removeEventListener('wheel', wheel);
  });

  const middle = (factor: number): void => setView(zoomAbout(shown, factor, size.width / 2, size.height / 2));
  const keys: Record<string, () => void> = {
    '+': () => middle(STEP),
    '=': () => middle(STEP),
    '-': () => middle(1 / STEP),
    '0': () => setView(null),
    '1': () => middle(1 / shown.scale),
    ArrowLeft: () => setView({ ...shown, x: shown.x + PAN_PX }),
    ArrowRight: () => setView({ ...shown, x: shown.x - PAN_PX }),
    ArrowUp: () => setView({ ...shown, y: shown.y + PAN_PX }),
    ArrowDown: () => setView({ ...shown, y: shown.y - PAN_PX }),
  };
  return (
    <div className="art-canvas">
      <canvas
        ref={canvas}
        width={size.width}
        height={size.height}
        tabIndex={0}
        role="img"
        aria-label={label}
        onKeyDown={(event) => {
          const act = keys[event.key];
          if (!act) return;
          event.preventDefault();
          act();
        }}
        onPointerDown={(event) => {
          drag.current = { x: event.clientX - shown.x, y: event.clientY - shown.y };
          event.currentTarget.setPointerCapture(event.pointerId);
        }}
        onPointerMove={(event) =>
          drag.current &&
          setView({ ...shown, x: event.clientX - drag.current.x, y: event.clientY - drag.current.y })
        }
        onPointerUp={() => (drag.current = null)}
      />
      <div className="zoom-keys">
        <button type="button" onClick={() => middle(1 / STEP)} aria-label="Zoom out">
          −
        </button>
        <span className="small" aria-live="polite">
          {Math.round(shown.scale * 100)} %
        </span>
        <button type="button" onClick={() => middle(STEP)} aria-label="Zoom in">
          +
        </button>
        <button type="button" onClick={() => setView(null)}>
          Fit
        </button>
        <button type="button" onClick={() => middle(1 / shown.scale)}>
          1 : 1
        </button>
      </div>
    </div>
  );
}
