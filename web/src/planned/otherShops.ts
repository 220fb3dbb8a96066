import type { Machine, PlanGround } from '@saltflat/contract';
import { shopInstance } from '@saltflat/core/plan';
import type { Help, PlanInstance, ShopJob, ShopNow } from '@saltflat/core/plan';
import { shopWith } from './planRoom.ts';
import type { PlanRoom } from './planRoom.ts';

/** The shop as it would be with a machine that stands still, or with half of a line’s pieces another day. */
export function otherShops(
  ground: PlanGround,
  machines: readonly Machine[],
  { nowMs, draft }: PlanRoom,
  line: string,
): { help: Help; instance: PlanInstance }[] {
  const shop = shopWith(ground, machines, nowMs, draft);
  const { calendar } = shop;
  const stood = [...new Set(calendar.down.map(({ machine }) => machine))];
  const on = (machine: string): ShopNow => ({
    ...shop,
    calendar: { ...calendar, down: calendar.down.filter((own) => own.machine !== machine) },
  });
  const halved = shop.jobs.map((job) => (job.lines.some(({ id }) => id === line) ? half(job) : job));
  const isHalved = halved.some((job, i) => job !== shop.jobs[i]);
  return [
    ...stood.map((machine) => ({
      help: { kind: 'machine', machine } as const,
      instance: shopInstance(on(machine)).instance,
    })),
    ...(isHalved
      ? [{ help: { kind: 'half' } as const, instance: shopInstance({ ...shop, jobs: halved }).instance }]
      : []),
  ];
}

/** Half of the pieces of a line that is made by itself and has not begun; anything else as it is. */
function half(job: ShopJob): ShopJob {
  const [line, ...others] = job.plan.lines;
  if (job.state !== null || line === undefined || others.length > 0 || line.pieces < 2) return job;
  return { ...job, plan: { ...job.plan, lines: [{ ...line, pieces: Math.ceil(line.pieces / 2) }] } };
}
