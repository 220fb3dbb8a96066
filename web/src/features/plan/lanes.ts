import { spanOf } from '@saltflat/core/plan';
import type { PicturedOp, PlanPicture } from '@saltflat/core/plan';
import { STATIONS } from '@saltflat/core/work';
import type { Station } from '@saltflat/core/work';

/** One row of the drawing: a machine, or a station where hands alone work. */
export interface Lane {
  key: string;
  name: string;
  machine: string | null;
  /** It holds a temperature. */
  isHeated: boolean;
  topPx: number;
  heightPx: number;
  bars: readonly Bar[];
}

export interface Bar {
  op: PicturedOp;
  from: number;
  to: number;
  topPx: number;
}

export const BAR_PX = 20;
const ROW_PX = 24;
const LANE_PAD_PX = 5;

interface Names {
  machineName: (id: string) => string;
  isHeated: (id: string) => boolean;
  stationName: (station: Station) => string;
}

/** Lanes from the first station of the work to the last; what overlaps in one lies in rows below one another. */
export function lanesOf({ ops }: Pick<PlanPicture, 'ops'>, names: Names): Lane[] {
  const groups = new Map<string, PicturedOp[]>();
  for (const op of ops) {
    const { from, to } = spanOf(op);
    if (to <= from) continue; // a point in time is nothing to look at
    const key = op.machine ?? `hands ${op.station}`;
    groups.set(key, [...(groups.get(key) ?? []), op]);
  }
  const place = (own: readonly PicturedOp[]): number =>
    Math.min(...own.map(({ station }) => STATIONS.indexOf(station)));
  let topPx = 0;
  return [...groups]
    .map(([key, own]) => ({ key, own, place: place(own) }))
    .sort((p, q) => p.place - q.place || p.key.localeCompare(q.key))
    .map(({ key, own }): Lane => {
      const [first] = own;
      const machine = first?.machine ?? null;
      const { bars, rows } = inRows(own, topPx + LANE_PAD_PX);
      const heightPx = rows * ROW_PX + 2 * LANE_PAD_PX - (ROW_PX - BAR_PX);
      const lane = {
        key,
        name: machine === null ? (first ? names.stationName(first.station) : '') : names.machineName(machine),
        machine,
        isHeated: machine !== null && names.isHeated(machine),
        topPx,
        heightPx,
        bars,
      };
      topPx += heightPx;
      return lane;
    });
}

function inRows(ops: readonly PicturedOp[], topPx: number): { bars: Bar[]; rows: number } {
  const ends: number[] = [];
  const bars = [...ops]
    .sort((p, q) => spanOf(p).from - spanOf(q).from)
    .map((op): Bar => {
      const { from, to } = spanOf(op);
      const free = ends.findIndex((end) => end <= from);
      const row = free < 0 ? ends.length : free;
      ends[row] = to;
      return { op, from, to, topPx: topPx + row * ROW_PX };
    });
  return { bars, rows: Math.max(1, ends.length) };
}

/** What of a fortnight is in sight: from a minute on, so many minutes wide. */
export interface Sight {
  from: number;
  span: number;
}
export const LEAST_SPAN = 10;
export const MOST_SPAN = 14 * 1440;

/** Nearer or farther, the minute under the pointer staying where it is. */
export function zoomed({ from, span }: Sight, factor: number, at: number): Sight {
  const next = Math.min(MOST_SPAN, Math.max(LEAST_SPAN, span * factor));
  return inBounds({ from: at - ((at - from) * next) / span, span: next });
}

export const panned = ({ from, span }: Sight, minutes: number): Sight =>
  inBounds({ from: from + minutes, span });

const inBounds = ({ from, span }: Sight): Sight => ({
  from: Math.max(0, Math.min(from, MOST_SPAN - span)),
  span,
});

/** So that a bar can be seen: the sight goes there where it is outside. */
export const withBar = (sight: Sight, { from, to }: Pick<Bar, 'from' | 'to'>): Sight =>
  from < sight.from || to > sight.from + sight.span
    ? panned({ ...sight, from: 0 }, Math.max(0, from - sight.span / 4))
    : sight;

/** The bar at a place of the drawing; the uppermost where two lie there. */
export function barAt(lanes: readonly Lane[], minute: number, yPx: number): { lane: Lane; bar: Bar } | null {
  const lane = laneAt(lanes, yPx);
  const bar = lane?.bars.find(
    ({ from, to, topPx }) => from <= minute && minute < to && topPx <= yPx && yPx < topPx + BAR_PX,
  );
  return lane && bar ? { lane, bar } : null;
}

export const laneAt = (lanes: readonly Lane[], yPx: number): Lane | undefined =>
  lanes.find(({ topPx, heightPx }) => topPx <= yPx && yPx < topPx + heightPx);

/** The bar the keyboard goes to from another: the next in its lane, or the nearest in time of the next lane. */
export function barBeside(
  lanes: readonly Lane[],
  picked: string | null,
  key: 'ArrowLeft' | 'ArrowRight' | 'ArrowUp' | 'ArrowDown',
): Bar | null {
  const i = lanes.findIndex(({ bars }) => bars.some(({ op }) => op.id === picked));
  const lane = lanes[i];
  const bar = lane?.bars.find(({ op }) => op.id === picked);
  if (!lane || !bar) return lanes.find(({ bars }) => bars.length > 0)?.bars[0] ?? null;
  if (key === 'ArrowLeft' || key === 'ArrowRight') {
    const k = lane.bars.indexOf(bar) + (key === 'ArrowRight' ? 1 : -1);
    return lane.bars[k] ?? bar;
  }
  const next = lanes[i + (key === 'ArrowDown' ? 1 : -1)];
  if (!next) return bar;
  return next.bars.reduce<Bar>(
    (near, own) => (Math.abs(own.from - bar.from) < Math.abs(near.from - bar.from) ? own : near),
    next.bars[0] ?? bar,
  );
}
