import type { ShownDeposit } from '../../../worker/sprayClient.ts';
import { TOKENS } from '../../../ui/index.ts';
import { rampColour } from '../depositRamp.ts';
import type { HandJob } from './handJob.ts';
import { garmentOf } from './handJob.ts';

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
    image.data.set(rampColour(own / wanted), 4 * i);
    image.data[4 * i + 3] = 255;
  }
  context.putImageData(image, 0, 0);
  return canvas;
}
