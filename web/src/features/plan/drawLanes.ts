import type { PlanPicture } from '@saltflat/core/plan';
import { heatColour } from '../../trace/heatColour.ts';
import { TOKENS } from '../../ui/index.ts';
import { drawRests, drawWaits } from './drawWaits.ts';
import type { WaitWords } from './drawWaits.ts';
import type { HeatStretch } from './heatGround.ts';
import { BAR_PX } from './lanes.ts';
import type { Bar, Lane, Sight } from './lanes.ts';
import type { Rest, Wait } from './waits.ts';

/** Room for the names at the left, the hours on top and the people below, px. */
export const GUTTER_PX = 132;
export const AXIS_PX = 40;
export const LOAD_PX = 56;

/** What is drawn. Nothing in it changes while it is panned or zoomed but the sight. */
export interface LanesDrawn {
  lanes: readonly Lane[];
  /** By lane. */
  heat: ReadonlyMap<string, readonly HeatStretch[]>;
  load: PlanPicture['load'];
  waits: readonly Wait[];
  rests: readonly Rest[];
  waitWords: WaitWords;
  /** Who is there: [from, to, hundredths]. */
  there: readonly (readonly [number, number, number])[];
  nowMin: number;
  late: ReadonlySet<string>;
  labelOf: (bar: Bar) => string;
  tempOf: (tempC: number) => string;
  /** “Mon 1 Jun”, “08:00”. */
  dayOf: (minute: number) => string;
  timeOf: (minute: number) => string;
  peopleWord: string;
}

export interface LanesState {
  sight: Sight;
  picked: string | null;
  lit: ReadonlySet<string>;
  /** What is being dragged, and where it would go. */
  ghost: { bar: Bar; from: number; topPx: number } | null;
}

const FONT = "12px 'Archivo Variable', system-ui, sans-serif";
const STRONG = "600 12px 'Archivo Variable', system-ui, sans-serif";
const SMALL = "11px 'Archivo Variable', system-ui, sans-serif";
const COLDEST = 20;
const HOTTEST = 210;
/** Between two hours that are named, px at least. */
const TICK_PX = 64;
/** A bar so wide has its name in it, px. */
const LABEL_PX = 40;
/** A person at it. */
const HANDS = '#3F5C64';
const TICKS_MIN = [5, 10, 15, 30, 60, 120, 180, 360, 720, 1440];

export const lanesHeight = (lanes: readonly Lane[]): number => {
  const last = lanes.at(-1);
  return last ? last.topPx + last.heightPx : 0;
};

/** Draws the whole of it: a canvas, since hundreds of bars go by sixty times a second while the plan is moved. */
export function drawLanes(
  pen: CanvasRenderingContext2D,
  widthPx: number,
  drawn: LanesDrawn,
  state: LanesState,
): void {
  const { lanes } = drawn;
  const lanesPx = lanesHeight(lanes);
  const heightPx = AXIS_PX + lanesPx + LOAD_PX;
  const scale = (widthPx - GUTTER_PX) / state.sight.span;
  const x = (minute: number): number => GUTTER_PX + (minute - state.sight.from) * scale;
  pen.clearRect(0, 0, widthPx, heightPx);
  pen.fillStyle = TOKENS.surface;
  pen.fillRect(0, 0, widthPx, heightPx);
  pen.save();
  pen.beginPath();
  pen.rect(GUTTER_PX, 0, widthPx - GUTTER_PX, heightPx);
  pen.clip();
  drawClosed(pen, { x, heightPx, widthPx }, drawn);
  drawHours(pen, { x, scale, heightPx, sight: state.sight }, drawn);
  for (const lane of lanes) drawHeat(pen, { x, widthPx }, lane, drawn);
  for (const lane of lanes) drawBars(pen, { x, widthPx }, { lane, drawn, state });
  drawRests(pen, { x, top: AXIS_PX, widthPx }, drawn.rests, drawn.waitWords);
  drawWaits(pen, { x, top: AXIS_PX }, drawn.waits, {
    isShown: ({ op }) => op.id === state.picked || op.lines.some((id) => state.lit.has(id)),
    picked: state.picked,
    words: drawn.waitWords,
  });
  if (state.ghost) drawGhost(pen, { x, scale }, state.ghost);
  drawLoad(pen, { x, topPx: AXIS_PX + lanesPx, widthPx }, drawn);
  drawNow(pen, x(drawn.nowMin), heightPx);
  pen.restore();
  drawNames(pen, widthPx, drawn);
}

type ToX = (minute: number) => number;

/** Time in which nobody is there. */
function drawClosed(
  pen: CanvasRenderingContext2D,
  { x, heightPx, widthPx }: { x: ToX; heightPx: number; widthPx: number },
  { there }: LanesDrawn,
): void {
  pen.fillStyle = '#EDF1F3';
  let from = -1e6;
  for (const [a, b] of [...there, [1e6, 1e6] as const]) {
    const [left, right] = [Math.max(GUTTER_PX, x(from)), Math.min(widthPx, x(a))];
    if (right > left) pen.fillRect(left, AXIS_PX, right - left, heightPx - AXIS_PX);
    from = b;
  }
}

function drawHours(
  pen: CanvasRenderingContext2D,
  { x, scale, heightPx, sight }: { x: ToX; scale: number; heightPx: number; sight: Sight },
  { dayOf, timeOf }: LanesDrawn,
): void {
  const step = TICKS_MIN.find((minutes) => minutes * scale >= TICK_PX) ?? 1440;
  pen.font = SMALL;
  pen.textBaseline = 'middle';
  for (let at = Math.floor(sight.from / step) * step; at < sight.from + sight.span; at += step) {
    const isDay = at % 1440 === 0;
    pen.strokeStyle = isDay ? TOKENS.edge : TOKENS.hairlinePale;
    line(pen, [x(at), isDay ? 0 : 20], [x(at), heightPx]);
    pen.fillStyle = TOKENS.muted;
    if (step < 1440 && x(at) >= GUTTER_PX) pen.fillText(timeOf(at), x(at) + 4, 29);
  }
  pen.font = STRONG;
  pen.fillStyle = TOKENS.ink;
  const first = Math.floor(sight.from / 1440) * 1440;
  for (let at = first; at < sight.from + sight.span; at += 1440) {
    const [left, right] = [Math.max(GUTTER_PX, x(at)), x(at + 1440)];
    if (right - left > 70) pen.fillText(dayOf(at), left + 4, 11);
  }
}

type Point = readonly [x: number, y: number];

function line(pen: CanvasRenderingContext2D, from: Point, to: Point): void {
  pen.beginPath();
  pen.moveTo(...from);
  pen.lineTo(...to);
  pen.stroke();
}

function drawHeat(
  pen: CanvasRenderingContext2D,
  { x, widthPx }: { x: ToX; widthPx: number },
  lane: Lane,
  { heat, tempOf }: LanesDrawn,
): void {
  const { key, topPx, heightPx } = lane;
  const bottom = AXIS_PX + topPx + heightPx - 1;
  const y = (tempC: number): number =>
    bottom - ((Math.min(HOTTEST, tempC) - COLDEST) / (HOTTEST - COLDEST)) * (heightPx - 3) - 1;
  for (const { from, to, beforeC, afterC } of heat.get(key) ?? []) {
    const [left, right] = [x(from), x(to)];
    if (right < GUTTER_PX || left > widthPx || (beforeC <= COLDEST + 3 && afterC <= COLDEST + 3)) continue;
    pen.globalAlpha = 0.3;
    pen.fillStyle = heatColour(Math.max(beforeC, afterC));
    pen.beginPath();
    pen.moveTo(left, bottom);
    pen.lineTo(left, y(beforeC));
    pen.lineTo(right, y(afterC));
    pen.lineTo(right, bottom);
    pen.fill();
    pen.globalAlpha = 1;
    if (beforeC === afterC) {
      const seen = { left: Math.max(GUTTER_PX, left), right: Math.min(widthPx, right) };
      drawDegrees(pen, { x, seen, y: AXIS_PX + topPx + heightPx / 2 }, lane, tempOf(afterC));
    }
  }
}

/** How hot it is, where no work stands in front. */
function drawDegrees(
  pen: CanvasRenderingContext2D,
  { x, seen, y }: { x: ToX; seen: { left: number; right: number }; y: number },
  { bars }: Lane,
  words: string,
): void {
  pen.font = SMALL;
  const wide = pen.measureText(words).width + 8;
  let left = seen.left;
  for (const edge of [
    ...bars.map((bar) => [x(bar.from), x(bar.to)] as const),
    [seen.right, seen.right] as const,
  ]) {
    const right = Math.min(seen.right, edge[0]);
    if (right - left >= wide) {
      pen.fillStyle = TOKENS.ink;
      pen.textBaseline = 'middle';
      pen.fillText(words, left + 4, y);
      return;
    }
    left = Math.max(left, edge[1]);
    if (left >= seen.right) return;
  }
}

function drawBars(
  pen: CanvasRenderingContext2D,
  { x, widthPx }: { x: ToX; widthPx: number },
  { lane, drawn, state }: { lane: Lane; drawn: LanesDrawn; state: LanesState },
): void {
  for (const bar of lane.bars) {
    const [left, right] = [x(bar.from), Math.max(x(bar.to), x(bar.from) + 1.5)];
    if (right < GUTTER_PX || left > widthPx) continue;
    drawBar(pen, { left, right, x }, { bar, drawn, state });
  }
}

function drawBar(
  pen: CanvasRenderingContext2D,
  { left, right, x }: { left: number; right: number; x: ToX },
  { bar, drawn, state }: { bar: Bar; drawn: LanesDrawn; state: LanesState },
): void {
  const { op, topPx } = bar;
  const top = AXIS_PX + topPx;
  const isLate = op.lines.some((id) => drawn.late.has(id));
  const isLit = op.lines.some((id) => state.lit.has(id));
  pen.globalAlpha = state.ghost?.bar === bar ? 0.4 : 1;
  pen.fillStyle = isLit ? TOKENS.brinePale : op.isFixed ? TOKENS.strip : '#FFFFFF';
  pen.fillRect(left, top, right - left, BAR_PX);
  const isNamed = right - Math.max(GUTTER_PX, left) > LABEL_PX;
  drawHands(pen, { x, top, isNamed, isLate }, { phases: op.phases, there: drawn.there });
  const isPicked = op.id === state.picked;
  pen.strokeStyle = isPicked ? TOKENS.brine : isLate ? TOKENS.rose : TOKENS.edge;
  pen.lineWidth = isPicked ? 2.5 : 1;
  if (right - left > 4 || isPicked) pen.strokeRect(left + 0.5, top + 0.5, right - left - 1, BAR_PX - 1);
  pen.lineWidth = 1;
  const shownLeft = Math.max(GUTTER_PX, left);
  const room = right - shownLeft - 8;
  if (isNamed) {
    pen.save();
    pen.beginPath();
    pen.rect(shownLeft, top, room + 6, BAR_PX);
    pen.clip();
    pen.font = op.isRunning ? STRONG : FONT;
    pen.fillStyle = isLate ? TOKENS.roseInk : TOKENS.ink;
    pen.textBaseline = 'middle';
    const mark = op.isLocked ? '▣ ' : op.isRunning ? '▶ ' : '';
    pen.fillText(mark + drawn.labelOf(bar), shownLeft + 4, top + BAR_PX / 2 - 1);
    pen.restore();
  } else if (op.isLocked) {
    pen.fillStyle = TOKENS.ink;
    pen.fillRect(left + 1, top + 1, 4, 4);
  }
  pen.globalAlpha = 1;
}

/** Hands as full blocks, what runs by itself as a dashed line; where there is room for a name, below it. */
function drawHands(
  pen: CanvasRenderingContext2D,
  { x, top, isNamed, isLate }: { x: ToX; top: number; isNamed: boolean; isLate: boolean },
  { phases, there }: { phases: Bar['op']['phases']; there: LanesDrawn['there'] },
): void {
  pen.fillStyle = isLate ? TOKENS.rose : HANDS;
  const [blockTop, blockPx] = isNamed ? [top + BAR_PX - 4, 4] : [top, BAR_PX];
  for (const { from, to, people } of phases) {
    const [a, b] = [x(from), x(to)];
    if (people === 0) {
      const dash = Math.max(6, (b - a) / 200);
      for (let at = a; at < b; at += dash)
        pen.fillRect(at, top + BAR_PX - 2, Math.min(dash / 2, b - at), 1.5);
      continue;
    }
    for (const [open, close] of there) {
      const [p, q] = [Math.max(from, open), Math.min(to, close)];
      if (p < q) pen.fillRect(x(p), blockTop, Math.max(1, x(q) - x(p)), blockPx);
    }
  }
}

function drawGhost(
  pen: CanvasRenderingContext2D,
  { x, scale }: { x: ToX; scale: number },
  { bar, from, topPx }: NonNullable<LanesState['ghost']>,
): void {
  pen.setLineDash([4, 3]);
  pen.strokeStyle = TOKENS.brine;
  pen.lineWidth = 2;
  pen.strokeRect(x(from), AXIS_PX + topPx, Math.max(4, (bar.to - bar.from) * scale), BAR_PX);
  pen.setLineDash([]);
  pen.lineWidth = 1;
}

/** People at work, and how many are there. */
function drawLoad(
  pen: CanvasRenderingContext2D,
  { x, topPx, widthPx }: { x: ToX; topPx: number; widthPx: number },
  { load, there }: LanesDrawn,
): void {
  const most = Math.max(100, ...there.map(([, , people]) => people));
  const y = (people: number): number => topPx + LOAD_PX - 6 - (people / most) * (LOAD_PX - 16);
  const fill = (all: LanesDrawn['load'], alpha: number): void => {
    pen.globalAlpha = alpha;
    for (const [from, to, people] of all) {
      const [left, right] = [x(from), x(to)];
      if (right < GUTTER_PX || left > widthPx) continue;
      pen.fillRect(left, y(people), Math.max(0.5, right - left), topPx + LOAD_PX - 6 - y(people));
    }
    pen.globalAlpha = 1;
  };
  pen.fillStyle = TOKENS.brine;
  fill(there, 0.14);
  fill(load, 0.6);
  pen.strokeStyle = TOKENS.hairline;
  line(pen, [GUTTER_PX, topPx + 0.5], [widthPx, topPx + 0.5]);
}

function drawNow(pen: CanvasRenderingContext2D, at: number, heightPx: number): void {
  pen.strokeStyle = TOKENS.rose;
  pen.lineWidth = 1.5;
  line(pen, [at, 18], [at, heightPx]);
  pen.lineWidth = 1;
  pen.fillStyle = TOKENS.rose;
  pen.beginPath();
  pen.moveTo(at - 5, 16);
  pen.lineTo(at + 5, 16);
  pen.lineTo(at, 23);
  pen.fill();
}

function drawNames(pen: CanvasRenderingContext2D, widthPx: number, { lanes, peopleWord }: LanesDrawn): void {
  pen.textBaseline = 'middle';
  pen.strokeStyle = TOKENS.hairline;
  for (const { name, topPx, heightPx, machine } of lanes) {
    pen.font = machine === null ? FONT : STRONG;
    pen.fillStyle = machine === null ? TOKENS.muted : TOKENS.ink;
    pen.fillText(name, 10, AXIS_PX + topPx + Math.min(heightPx / 2, 22), GUTTER_PX - 16);
    line(pen, [0, AXIS_PX + topPx + 0.5], [widthPx, AXIS_PX + topPx + 0.5]);
  }
  pen.font = FONT;
  pen.fillStyle = TOKENS.muted;
  pen.fillText(peopleWord, 10, AXIS_PX + lanesHeight(lanes) + LOAD_PX / 2, GUTTER_PX - 16);
  line(pen, [GUTTER_PX - 0.5, 0], [GUTTER_PX - 0.5, AXIS_PX + lanesHeight(lanes) + LOAD_PX]);
}
