import type { ShownDeposit } from '../../../worker/sprayClient.ts';
import { TOKENS } from '../../../ui/index.ts';
import type { HandJob } from './handJob.ts';
import { garmentOf } from './handJob.ts';

/** From nothing over the right amount to far too much; told apart by lightness alone as well. */
export const DEPOSIT_RAMP = ['#FFFFFF', '#D6E9EA', '#8FC3C6', '#0B6B73', '#083F48', '#1B0F2A'];
/** Of the wanted amount, what the ramp's end stands for. */
export const RAMP_MOST = 1.75;

const RGB = DEPOSIT_RAMP.map((hex) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)));

/** What a canvas shows of a spray: the map on the garment, the area, the bands to follow and where the hand should be. */
export interface Scene {
  job: HandJob;
  deposit: Pick<ShownDeposit, 'gm2' | 'cols' | 'rows'> | null;
  /** Bands of the plan, from where to where, mm. */
  bands: readonly { from: readonly [number, number]; to: readonly [number, number] }[];
  marker: { x: number; y: number; isOn: boolean } | null;
}

/** Draws a scene; thirty times a second while somebody practises, which no chart does. */
export function drawDeposit(canvas: HTMLCanvasElement, { job, deposit, bands, marker }: Scene): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  const garment = garmentOf(job);
  const scale = canvas.width / garment.widthMm;
  const px = (x: number): number => (x - garment.x) * scale;
  const py = (y: number): number => (y - garment.y) * scale;
  context.fillStyle = TOKENS.surface;
  context.fillRect(0, 0, canvas.width, canvas.height);
  if (deposit) context.drawImage(picture(deposit, job.gm2), 0, 0, canvas.width, canvas.height);
  context.lineWidth = 2;
  context.strokeStyle = TOKENS.edge;
  context.strokeRect(1, 1, canvas.width - 2, canvas.height - 2);
  context.setLineDash([8, 6]);
  context.strokeStyle = TOKENS.ink;
  context.strokeRect(px(0), py(0), job.widthMm * scale, job.heightMm * scale);
  context.setLineDash([2, 6]);
  context.strokeStyle = TOKENS.muted;
  for (const { from, to } of bands) {
    context.beginPath();
    context.moveTo(px(from[0]), py(from[1]));
    context.lineTo(px(to[0]), py(to[1]));
    context.stroke();
  }
  context.setLineDash([]);
  if (!marker) return;
  context.beginPath();
  context.arc(px(marker.x), py(marker.y), 11, 0, 2 * Math.PI);
  context.lineWidth = 3;
  context.strokeStyle = TOKENS.rose;
  context.fillStyle = marker.isOn ? TOKENS.rose : TOKENS.surface;
  context.fill();
  context.stroke();
}

function picture({ gm2, cols, rows }: NonNullable<Scene['deposit']>, wanted: number): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.width = cols;
  canvas.height = rows;
  const context = canvas.getContext('2d');
  if (!context) return canvas;
  const image = context.createImageData(cols, rows);
  for (const [i, own] of gm2.entries()) {
    const place = Math.min(RGB.length - 1.001, (own / (RAMP_MOST * wanted)) * (RGB.length - 1));
    const low = RGB[Math.floor(place)] ?? [];
    const high = RGB[Math.floor(place) + 1] ?? low;
    const share = place - Math.floor(place);
    for (const k of [0, 1, 2])
      image.data[4 * i + k] = (low[k] ?? 0) + share * ((high[k] ?? 0) - (low[k] ?? 0));
    image.data[4 * i + 3] = 255;
  }
  context.putImageData(image, 0, 0);
  return canvas;
}
