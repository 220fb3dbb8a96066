import { useEffect, useRef } from 'react';
import { drawDeposit } from './drawDeposit.ts';
import type { Scene } from './drawDeposit.ts';
import { garmentOf } from './handJob.ts';

interface Props {
  scene: Scene;
  label: string;
  /** The pointer at a place of the garment, mm; left out where nobody sprays here. */
  onMove?: (x: number, y: number, isOn: boolean, atMs: number) => void;
}

/** As high as the page leaves room for, so that nobody scrolls with the trigger held. */
const SHOWN_HIGH = 'clamp(320px, calc(100vh - 410px), 760px)';

/** The garment to scale. A canvas of our own: a chart does not follow a finger thirty times a second. */
export function PracticeCanvas({ scene, label, onMove }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const garment = garmentOf(scene.job);
  useEffect(() => {
    if (canvas.current) drawDeposit(canvas.current, scene);
  }, [scene]);
  const told = (event: React.PointerEvent<HTMLCanvasElement>, isOn: boolean): void => {
    const box = event.currentTarget.getBoundingClientRect();
    const scale = garment.widthMm / box.width;
    // a browser gathers what a pointer did between two frames: all of it is the way
    const all = isOn ? (event.nativeEvent.getCoalescedEvents?.() ?? []) : [];
    for (const own of all.length > 0 ? all : [event.nativeEvent])
      onMove?.(
        garment.x + (own.clientX - box.left) * scale,
        garment.y + (own.clientY - box.top) * scale,
        isOn,
        own.timeStamp,
      );
  };
  const isHeld = (event: React.PointerEvent): boolean => (event.buttons & 1) === 1;
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      width={Math.round(garment.widthMm * 1.5)}
      height={Math.round(garment.heightMm * 1.5)}
      style={{
        display: 'block',
        height: SHOWN_HIGH,
        maxWidth: '100%',
        objectFit: 'contain',
        margin: '0 auto',
        aspectRatio: `${garment.widthMm} / ${garment.heightMm}`,
        touchAction: onMove ? 'none' : 'auto',
        cursor: onMove ? 'crosshair' : 'default',
      }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        told(event, true);
      }}
      onPointerMove={(event) => told(event, isHeld(event))}
      onPointerUp={(event) => told(event, false)}
      onPointerCancel={(event) => told(event, false)}
    />
  );
}
