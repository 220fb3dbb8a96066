import type { PlanComing } from '@saltflat/contract';
import { handsNeeded, peopleThere } from '@saltflat/core/plan';
import type { PlanPicture } from '@saltflat/core/plan';
import type { Followed } from './followedPlan.ts';

/** What of the plan is still to come today. */
export function planComing({ shop, picture, lines, runs }: Followed, nowMs: number): PlanComing {
  const { calendar, days, minuteOf, epochMs } = shop;
  const there = peopleThere(calendar, days.slice(0, 1), minuteOf);
  const [first] = there;
  const last = there.at(-1);
  const tonight = minuteOf(days[0] ?? '', 1440);
  const now = (nowMs - epochMs) / 60_000;
  const all = handsNeeded(picture, now, Infinity).filter(({ at }) => at < tonight);
  const jobs = new Set<string>();
  const hands = all.filter(({ op: { job } }) => !jobs.has(job) && jobs.add(job));
  return {
    epoch: new Date(epochMs).toISOString(),
    zone: calendar.zone,
    shift: first && last ? { from: first[0], to: last[1] } : null,
    breaks: there.slice(1).flatMap(([from], i) => {
      const end = there[i]?.[1] ?? from;
      return from > end ? [{ from: end, to: from }] : [];
    }),
    busy: together(picture.load.filter(([from, to]) => to > now && from < tonight)),
    hands: hands.map(({ op, at, until }) => ({
      from: at,
      to: until,
      codes: op.lines.map((id) => lines.get(id)?.code ?? ''),
      title: op.title,
      station: op.station,
      lineId: op.lines[0] ?? null,
      runId: runs.get(op.job) ?? null,
    })),
  };
}

/** Stretches that follow each other as one. */
function together(load: PlanPicture['load']): PlanComing['busy'] {
  const found: PlanComing['busy'] = [];
  for (const [from, to] of load) {
    const last = found.at(-1);
    if (last?.to === from) last.to = to;
    else found.push({ from, to });
  }
  return found;
}
