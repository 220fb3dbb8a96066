import { TOKENS } from '../../ui/index.ts';
import { BAR_PX } from './lanes.ts';
import type { Bar } from './lanes.ts';
import type { Rest, Wait } from './waits.ts';

const SMALL = "11px 'Archivo Variable', system-ui, sans-serif";
/** So wide a wait has its minutes in words, px. */
const LABEL_PX = 64;

export interface WaitWords {
  /** “stands 24 min of 60 min”, “dries 20 min”. */
  waitOf: (wait: Wait) => string;
  /** “rests until Mon, 14:02”. */
  restOf: (rest: Rest) => string;
}

interface Ground {
  x: (minute: number) => number;
  /** Upper edge of the lanes, px. */
  top: number;
}

/**
 * Waits of what is picked or lit: from the end of one work along its row, then to where the next begins. What may not stand
 * for good is drawn strong; what is picked has its minutes in words.
 */
export function drawWaits(
  pen: CanvasRenderingContext2D,
  { x, top }: Ground,
  waits: readonly Wait[],
  { isShown, picked, words }: { isShown: (bar: Bar) => boolean; picked: string | null; words: WaitWords },
): void {
  for (const wait of waits) {
    const { from, to, max } = wait;
    if (!isShown(from) && !isShown(to)) continue;
    const [left, right] = [x(from.to), Math.max(x(from.to), x(to.from))];
    const [y, end] = [top + from.topPx + BAR_PX / 2, top + to.topPx + BAR_PX / 2];
    pen.strokeStyle = max === null ? TOKENS.brine : TOKENS.rose;
    pen.lineWidth = max === null ? 1.25 : 2;
    pen.beginPath();
    pen.moveTo(left, y);
    pen.lineTo(right, y);
    pen.lineTo(right, end);
    pen.stroke();
    pen.lineWidth = 1;
    // of all that is lit, words would lie on one another
    if (from.op.id === picked || to.op.id === picked) say(pen, words.waitOf(wait), { left, right, y: y - 7 });
  }
}

/** Rests before an order may leave: a dashed line with a stop at its end. */
export function drawRests(
  pen: CanvasRenderingContext2D,
  { x, top, widthPx }: Ground & { widthPx: number },
  rests: readonly Rest[],
  words: WaitWords,
): void {
  pen.strokeStyle = TOKENS.muted;
  for (const rest of rests) {
    const { after, until } = rest;
    const [left, right] = [x(after.to), x(until)];
    const y = top + after.topPx + BAR_PX / 2;
    pen.beginPath();
    pen.setLineDash([2, 3]);
    pen.moveTo(left, y);
    pen.lineTo(right, y);
    pen.stroke();
    pen.setLineDash([]);
    pen.beginPath();
    pen.moveTo(right, y - 5);
    pen.lineTo(right, y + 5);
    pen.stroke();
    // at its end, where other work seldom lies
    const end = Math.min(right, widthPx);
    pen.font = SMALL;
    const wide = pen.measureText(words.restOf(rest)).width + 12;
    if (end - left > wide) say(pen, words.restOf(rest), { left: end - wide, right: end, y: y - 7 });
  }
}

/** Words along a line, where there is room for them. */
function say(
  pen: CanvasRenderingContext2D,
  words: string,
  { left, right, y }: { left: number; right: number; y: number },
): void {
  if (right - left < LABEL_PX) return;
  pen.font = SMALL;
  const wide = Math.min(right - left - 8, pen.measureText(words).width);
  pen.globalAlpha = 0.85;
  pen.fillStyle = TOKENS.surface;
  pen.fillRect(left + 2, y - 6, wide + 4, 12);
  pen.globalAlpha = 1;
  pen.fillStyle = TOKENS.muted;
  pen.textBaseline = 'middle';
  pen.fillText(words, left + 4, y, right - left - 8);
}
