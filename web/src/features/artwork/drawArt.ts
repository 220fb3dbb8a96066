import { fromShown, toShown } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import type { ArtPicture } from '../../worker/artwork.worker.ts';
import type { GarmentOutline } from '@saltflat/core/placement';

/** Where the art's top left stands on the canvas, px, and how many screen px one mm takes. */
export interface View {
  x: number;
  y: number;
  pxPerMm: number;
}
interface Size {
  width: number;
  height: number;
}

const RULER = 22;
const MARGIN = 28;

/** How the canvas is to be filled. */
export interface Scene {
  picture: ArtPicture;
  /** The same art before the steps, for the left half of a split view. */
  before: ArtPicture | null;
  /** Share of the canvas's width, 0–1, left of which `before` is shown. */
  split: number;
  garmentHex: string;
  system: UnitSystem;
  /** Rectangles to mark, px of the picture; the first of them strongest. */
  places: readonly { x: number; y: number; w: number; h: number }[];
  /** The garment the print lies on, and where; `null` for the print alone. */
  garment: { outline: GarmentOutline; top: { x: number; y: number } } | null;
}

/** Size of the printed art, mm. */
export const sizeMm = ({ width, height, widthMm }: ArtPicture): Size => ({
  width: widthMm,
  height: (height * widthMm) / width,
});

/** The whole art, or the whole garment, centred beside the rulers. */
export function fitView({ picture, garment }: Pick<Scene, 'picture' | 'garment'>, canvas: Size): View {
  const art = sizeMm(picture);
  const box = garment
    ? {
        x: garment.outline.box.x - garment.top.x + art.width / 2,
        y: garment.outline.box.y - garment.top.y,
        width: garment.outline.box.width,
        height: garment.outline.box.height,
      }
    : { x: 0, y: 0, ...art };
  const room = {
    width: Math.max(50, canvas.width - RULER - 2 * MARGIN),
    height: Math.max(50, canvas.height - RULER - 2 * MARGIN),
  };
  const pxPerMm = Math.min(room.width / box.width, room.height / box.height);
  return {
    x: RULER + MARGIN + (room.width - box.width * pxPerMm) / 2 - box.x * pxPerMm,
    y: RULER + MARGIN + (room.height - box.height * pxPerMm) / 2 - box.y * pxPerMm,
    pxPerMm,
  };
}

/** Zooms so that the point under the pointer stays where it is; from a fiftieth of a pixel to sixteen screen pixels for one of the art's. */
export function zoomAbout(
  view: View,
  factor: number,
  at: { x: number; y: number },
  picture: ArtPicture,
): View {
  const artPxPerMm = picture.width / picture.widthMm;
  const pxPerMm = Math.min(16 * artPxPerMm, Math.max(0.02 * artPxPerMm, view.pxPerMm * factor));
  const real = pxPerMm / view.pxPerMm;
  return { x: at.x - (at.x - view.x) * real, y: at.y - (at.y - view.y) * real, pxPerMm };
}

/** The view in which a rectangle of the art, px, fills about half of the canvas. */
export function viewOfPlace(
  place: { x: number; y: number; w: number; h: number },
  picture: ArtPicture,
  canvas: Size,
): View {
  const pitch = picture.widthMm / picture.width;
  const artPxPerMm = 1 / pitch;
  const wanted = Math.min(
    (0.5 * canvas.width) / (place.w * pitch),
    (0.5 * canvas.height) / (place.h * pitch),
  );
  const whole = fitView({ picture, garment: null }, canvas).pxPerMm;
  const pxPerMm = Math.min(4 * artPxPerMm, Math.max(whole, wanted));
  return {
    x: canvas.width / 2 - (place.x + place.w / 2) * pitch * pxPerMm,
    y: canvas.height / 2 - (place.y + place.h / 2) * pitch * pxPerMm,
    pxPerMm,
  };
}

/** Paints ground, garment, art, marks and rulers. */
export function drawArt(canvas: HTMLCanvasElement, size: Size, view: View, scene: Scene): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  const ratio = canvas.width / size.width; // physical pixels per CSS pixel
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  context.fillStyle = scene.garment ? '#EDF2F3' : scene.garmentHex;
  context.fillRect(0, 0, size.width, size.height);
  if (scene.garment) drawGarment(context, view, scene);
  const splitX = scene.before ? RULER + (size.width - RULER) * scene.split : 0;
  if (scene.before)
    clipped(context, { x: 0, width: splitX, height: size.height }, () =>
      drawPicture(context, scene.before, view, scene.garmentHex),
    );
  clipped(context, { x: splitX, width: size.width - splitX, height: size.height }, () => {
    drawPicture(context, scene.picture, view, scene.garmentHex);
    drawPlaces(context, scene, view);
  });
  if (scene.before) drawSplit(context, splitX, size.height);
  drawRulers(context, size, view, scene.system);
}

function clipped(
  context: CanvasRenderingContext2D,
  { x, width, height }: { x: number; width: number; height: number },
  draw: () => void,
): void {
  context.save();
  context.beginPath();
  context.rect(x, 0, width, height);
  context.clip();
  draw();
  context.restore();
}

function drawPicture(
  context: CanvasRenderingContext2D,
  picture: ArtPicture | null,
  view: View,
  garmentHex: string,
): void {
  if (!picture) return;
  const art = sizeMm(picture);
  const width = art.width * view.pxPerMm;
  const height = art.height * view.pxPerMm;
  const isMagnified = width > 2 * picture.width;
  context.imageSmoothingEnabled = !isMagnified;
  context.imageSmoothingQuality = 'medium';
  context.drawImage(
    width <= picture.small.width ? picture.small : picture.bitmap,
    view.x,
    view.y,
    width,
    height,
  );
  context.setLineDash([5, 4]);
  context.strokeStyle = contrasting(garmentHex);
  context.lineWidth = 1;
  context.strokeRect(view.x - 0.5, view.y - 0.5, width + 1, height + 1);
  context.setLineDash([]);
}

function drawGarment(
  context: CanvasRenderingContext2D,
  view: View,
  { garment, garmentHex, picture }: Scene,
): void {
  if (!garment) return;
  context.save();
  context.translate(view.x, view.y);
  context.scale(view.pxPerMm, view.pxPerMm);
  context.translate(sizeMm(picture).width / 2 - garment.top.x, -garment.top.y);
  context.fillStyle = garmentHex;
  context.strokeStyle = '#4C646B';
  context.lineWidth = 1.5 / view.pxPerMm;
  const body = new Path2D(garment.outline.body);
  context.fill(body);
  context.stroke(body);
  context.strokeStyle = contrasting(garmentHex);
  context.stroke(new Path2D(garment.outline.details));
  context.restore();
}

function drawPlaces(context: CanvasRenderingContext2D, { places, picture }: Scene, view: View): void {
  const scale = (picture.widthMm / picture.width) * view.pxPerMm;
  const least = 10; // a mark smaller than this would not be seen
  for (const [i, place] of [...places.entries()].reverse()) {
    const width = Math.max(least, place.w * scale);
    const height = Math.max(least, place.h * scale);
    const x = view.x + (place.x + place.w / 2) * scale - width / 2;
    const y = view.y + (place.y + place.h / 2) * scale - height / 2;
    context.strokeStyle = '#FFFFFF';
    context.lineWidth = i === 0 ? 4 : 2.5;
    context.strokeRect(x, y, width, height);
    context.strokeStyle = '#C2305A';
    context.lineWidth = i === 0 ? 2 : 1;
    context.strokeRect(x, y, width, height);
  }
}

function drawSplit(context: CanvasRenderingContext2D, x: number, height: number): void {
  context.fillStyle = '#FFFFFF';
  context.fillRect(x - 1.5, 0, 3, height);
  context.fillStyle = '#0B6B73';
  context.fillRect(x - 0.5, 0, 1, height);
  context.font = "600 12px 'Archivo Variable', sans-serif";
  for (const [text, at] of [
    ['before', x - 56],
    ['now', x + 10],
  ] as const) {
    context.fillStyle = '#FFFFFF';
    context.fillRect(at - 4, height - 30, context.measureText(text).width + 8, 20);
    context.fillStyle = '#0F2A30';
    context.fillText(text, at, height - 16);
  }
}

/** A line colour that can be seen on the garment. */
function contrasting(hex: string): string {
  const n = Number.parseInt(hex.slice(1), 16);
  const luma = 0.3 * (n >> 16) + 0.59 * ((n >> 8) & 255) + 0.11 * (n & 255);
  return luma > 128 ? 'rgb(15 42 48 / 55%)' : 'rgb(255 255 255 / 60%)';
}

function drawRulers(context: CanvasRenderingContext2D, size: Size, view: View, system: UnitSystem): void {
  context.fillStyle = '#FFFFFF';
  context.fillRect(0, 0, size.width, RULER);
  context.fillRect(0, 0, RULER, size.height);
  context.fillStyle = '#0F2A30';
  context.strokeStyle = '#4C646B';
  context.font = "11px 'Archivo Variable', sans-serif";
  context.lineWidth = 1;
  const step = rulerStep(view.pxPerMm, system) * view.pxPerMm;
  context.beginPath();
  for (const [origin, length, isAcross] of [
    [view.x, size.width, true],
    [view.y, size.height, false],
  ] as const) {
    for (let i = Math.ceil((RULER - origin) / step); origin + i * step < length; i++) {
      const at = Math.round(origin + i * step) + 0.5;
      const text = String(Math.round(toShown((i * step) / view.pxPerMm, 'length', system) * 100) / 100);
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
