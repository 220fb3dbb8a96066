import { fromShown, toShown } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';

/** Where the image's top left stands on the canvas, px, and how many screen px one image px takes. */
export interface View {
  x: number;
  y: number;
  scale: number;
}
interface Size {
  width: number;
  height: number;
}

const RULER = 22;
const MARGIN = 28;
const SCALES = { min: 0.02, max: 16 };

/** The whole image, centred beside the rulers. */
export function fitView(image: Size, canvas: Size): View {
  const room = {
    width: Math.max(50, canvas.width - RULER - 2 * MARGIN),
    height: Math.max(50, canvas.height - RULER - 2 * MARGIN),
  };
  const scale = Math.min(room.width / image.width, room.height / image.height);
  return {
    x: RULER + MARGIN + (room.width - image.width * scale) / 2,
    y: RULER + MARGIN + (room.height - image.height * scale) / 2,
    scale,
  };
}

/** Zooms so that the point under the pointer stays where it is. */
export function zoomAbout(view: View, factor: number, atX: number, atY: number): View {
  const scale = Math.min(SCALES.max, Math.max(SCALES.min, view.scale * factor));
  const real = scale / view.scale;
  return { x: atX - (atX - view.x) * real, y: atY - (atY - view.y) * real, scale };
}

interface Drawing {
  bitmap: ImageBitmap;
  image: Size;
  view: View;
  size: Size;
  widthMm: number;
  garmentHex: string;
  system: UnitSystem;
  marked: { x: number; y: number; width: number; height: number } | null;
}

/** Paints ground, art, mark and rulers. */
export function drawArt(
  canvas: HTMLCanvasElement,
  { bitmap, image, view, size, widthMm, garmentHex, system, marked }: Drawing,
): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  context.fillStyle = garmentHex;
  context.fillRect(0, 0, size.width, size.height);
  context.imageSmoothingEnabled = view.scale < 2;
  context.imageSmoothingQuality = 'high';
  context.drawImage(bitmap, view.x, view.y, image.width * view.scale, image.height * view.scale);
  context.setLineDash([5, 4]);
  context.strokeStyle = contrasting(garmentHex);
  context.lineWidth = 1;
  context.strokeRect(view.x - 0.5, view.y - 0.5, image.width * view.scale + 1, image.height * view.scale + 1);
  context.setLineDash([]);
  if (marked) {
    context.strokeStyle = '#C2305A';
    context.lineWidth = 2;
    context.strokeRect(
      view.x + marked.x * view.scale,
      view.y + marked.y * view.scale,
      marked.width * view.scale,
      marked.height * view.scale,
    );
  }
  drawRulers(context, size, view, { pxPerMm: (image.width * view.scale) / widthMm, system });
}

/** A line colour that can be seen on the garment. */
function contrasting(hex: string): string {
  const n = Number.parseInt(hex.slice(1), 16);
  const luma = 0.3 * (n >> 16) + 0.59 * ((n >> 8) & 255) + 0.11 * (n & 255);
  return luma > 128 ? 'rgb(15 42 48 / 55%)' : 'rgb(255 255 255 / 60%)';
}

function drawRulers(
  context: CanvasRenderingContext2D,
  size: Size,
  view: View,
  { pxPerMm, system }: { pxPerMm: number; system: UnitSystem },
): void {
  context.fillStyle = '#FFFFFF';
  context.fillRect(0, 0, size.width, RULER);
  context.fillRect(0, 0, RULER, size.height);
  context.fillStyle = '#0F2A30';
  context.strokeStyle = '#4C646B';
  context.font = "11px 'Archivo Variable', sans-serif";
  context.lineWidth = 1;
  const stepMm = rulerStep(pxPerMm, system);
  context.beginPath();
  for (const [origin, length, isAcross] of [
    [view.x, size.width, true],
    [view.y, size.height, false],
  ] as const) {
    const first = Math.ceil((RULER - origin) / (stepMm * pxPerMm));
    for (let i = first; origin + i * stepMm * pxPerMm < length; i++) {
      const at = Math.round(origin + i * stepMm * pxPerMm) + 0.5;
      const text = String(Math.round(toShown(i * stepMm, 'length', system) * 100) / 100);
      context.moveTo(isAcross ? at : RULER - 6, isAcross ? RULER - 6 : at);
      context.lineTo(isAcross ? at : RULER, isAcross ? RULER : at);
      drawTick(context, text, at, isAcross);
    }
  }
  context.moveTo(RULER + 0.5, 0);
  context.lineTo(RULER + 0.5, size.height);
  context.moveTo(0, RULER + 0.5);
  context.lineTo(size.width, RULER + 0.5);
  context.stroke();
  context.fillRect(0, 0, RULER, RULER);
  context.fillStyle = '#FFFFFF';
  context.fillText(system.length, 3, 15);
}

function drawTick(context: CanvasRenderingContext2D, text: string, at: number, isAcross: boolean): void {
  if (isAcross) {
    context.fillText(text, at + 3, 12);
    return;
  }
  context.save();
  context.translate(12, at - 3);
  context.rotate(-Math.PI / 2);
  context.fillText(text, 0, 0);
  context.restore();
}

/** A round step of the ruler that leaves its figures room, mm. */
function rulerStep(pxPerMm: number, system: UnitSystem): number {
  const steps = [0.05, 0.1, 0.25, 0.5, 1, 2, 5, 10, 20, 50, 100, 200].map((step) =>
    fromShown(step, 'length', system),
  );
  return steps.find((stepMm) => stepMm * pxPerMm >= 46) ?? 200;
}
