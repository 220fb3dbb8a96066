import type { Trigger } from '../gun.ts';
import type { PathPoint } from '../pattern/handPath.ts';

/** From pulling the trigger to letting it go, s; `toS` is `Infinity` while it is held. */
export interface Press {
  fromS: number;
  toS: number;
}

/** A piece of the way over which everything is linear in time: the poses at its ends and the shares of the flow there. */
export interface Stretch {
  fromS: number;
  toS: number;
  from: PathPoint;
  to: PathPoint;
  flowFrom: number;
  flowTo: number;
}

/** When the trigger is held on a way: let go at the first point where it is off, or at the way's end. */
export function pressesOf(path: readonly PathPoint[]): Press[] {
  const presses: Press[] = [];
  let since: number | null = null;
  for (const { t, on } of path) {
    if (on) since ??= t;
    else if (since !== null) {
      presses.push({ fromS: since, toS: t });
      since = null;
    }
  }
  if (since !== null) presses.push({ fromS: since, toS: path.at(-1)!.t });
  return presses;
}

const clamp = (share: number): number => Math.min(1, Math.max(0, share));

/** Share of the flow at a time, 0–1: of several presses the largest. */
export const flowShare = (presses: readonly Press[], { onLagS, riseS, offLagS, fallS }: Trigger, t: number) =>
  presses.reduce((most, { fromS, toS }) => {
    const opens = t - fromS - onLagS;
    const closes = t - toS - offLagS;
    const open = riseS > 0 ? clamp(opens / riseS) : opens >= 0 ? 1 : 0;
    const kept = fallS > 0 ? clamp(1 - closes / fallS) : closes < 0 ? 1 : 0;
    return Math.max(most, Math.min(open, kept));
  }, 0);

/** Nothing of a press comes any more from here on, s. */
export const flowEndS = ({ toS }: Press, { offLagS, fallS }: Trigger): number => toS + offLagS + fallS;

/** Times between which the share of the flow is linear: corners of the ramps and where two of them cross. */
function cornersOf(presses: readonly Press[], { onLagS, riseS, offLagS, fallS }: Trigger): number[] {
  const corners: number[] = [];
  for (const [i, { fromS, toS }] of presses.entries()) {
    const opens = fromS + onLagS;
    const closes = toS + offLagS;
    corners.push(opens, opens + riseS, closes, closes + fallS);
    if (riseS <= 0 || fallS <= 0) continue;
    for (let j = i; j < presses.length && presses[j].fromS + onLagS < closes + fallS; j++) {
      const other = presses[j].fromS + onLagS;
      const crossing = (1 + closes / fallS + other / riseS) / (1 / riseS + 1 / fallS);
      const isOnBoth =
        crossing > Math.max(other, closes) && crossing < Math.min(other + riseS, closes + fallS);
      if (isOnBoth) corners.push(crossing);
    }
  }
  return corners.filter(Number.isFinite).sort((a, b) => a - b);
}

/** Where a gun is at a time on its way; beyond the end, at the last point. */
export function poseAt(path: readonly PathPoint[], t: number): PathPoint {
  const next = path.findIndex((point) => point.t > t);
  if (next === 0) return path[0];
  return next < 0 ? path.at(-1)! : between(path[next - 1], path[next], t);
}

function between(from: PathPoint, to: PathPoint, t: number): PathPoint {
  const share = to.t > from.t ? (t - from.t) / (to.t - from.t) : 0;
  const mix = (a: number, b: number): number => a + share * (b - a);
  return {
    t,
    x: mix(from.x, to.x),
    y: mix(from.y, to.y),
    z: mix(from.z, to.z),
    on: from.on,
    rotDeg: from.rotDeg,
    tiltXDeg: mix(from.tiltXDeg, to.tiltXDeg),
    tiltYDeg: mix(from.tiltYDeg, to.tiltYDeg),
  };
}

/**
 * The way in pieces over which something flows; what still flows after its end leaves from the last point.
 *
 * @param presses of the trigger; one may still be held
 * @param span only what lies between these times, for a way that grows
 */
export function* stretchesOf(
  path: readonly PathPoint[],
  presses: readonly Press[],
  trigger: Trigger,
  { sinceS = -Infinity, untilS = Infinity }: { sinceS?: number; untilS?: number } = {},
): Generator<Stretch> {
  const corners = cornersOf(presses, trigger);
  const last = path.at(-1)!;
  const endS = Math.min(untilS, Math.max(last.t, corners.at(-1) ?? last.t));
  let corner = 0;
  for (let i = 0; i < path.length; i++) {
    const from = path[i];
    const to = path[i + 1] ?? { ...last, t: endS };
    let t = Math.max(from.t, sinceS);
    const until = Math.min(to.t, endS);
    while (t < until) {
      while (corner < corners.length && corners[corner] <= t) corner++;
      const next = Math.min(until, corners[corner] ?? until);
      // the flow may jump at a corner: read it inside, where it is linear
      const early = flowShare(presses, trigger, t + (next - t) / 4);
      const late = flowShare(presses, trigger, t + (3 * (next - t)) / 4);
      if (early > 0 || late > 0)
        yield {
          fromS: t,
          toS: next,
          from: between(from, to, t),
          to: between(from, to, next),
          flowFrom: 1.5 * early - 0.5 * late,
          flowTo: 1.5 * late - 0.5 * early,
        };
      t = next;
    }
  }
}
