import type { Machine, PlanGround, PlanJob, PlanLine } from '@saltflat/contract';
import { onOneFilm, shopInstance } from '@saltflat/core/plan';
import { FILM_ROLES } from '@saltflat/core/run';
import type { Help, PlanInstance, ShopJob, ShopNow } from '@saltflat/core/plan';
import { shopWith } from './planRoom.ts';
import type { PlanRoom } from './planRoom.ts';

/** The shop as it would be with a machine that stands still, with transfers from the shelf, with film laid out together, or with half of a line’s pieces another day. */
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
  const mine = ground.jobs.flatMap(({ lines }) => lines).find(({ lineId }) => lineId === line);
  const transfers = mine?.onShelf ?? null;
  const changed = (change: (job: ShopJob) => ShopJob): PlanInstance | null => {
    const jobs = shop.jobs.map((job) => (job.lines.some(({ id }) => id === line) ? change(job) : job));
    return jobs.every((job, i) => job === shop.jobs[i]) ? null : shopInstance({ ...shop, jobs }).instance;
  };
  const taken = transfers === null ? null : changed(unprinted);
  const halved = changed(half);
  const shared = sharing(ground, mine);
  const together = shop.jobs.filter(({ key }) => shared.some((own) => own.key === key));
  const others = together.flatMap(({ lines }) => lines).filter(({ id }) => id !== line);
  return [
    ...stood.map((machine) => ({
      help: { kind: 'machine', machine } as const,
      instance: shopInstance(on(machine)).instance,
    })),
    ...(transfers !== null && taken !== null
      ? [{ help: { kind: 'shelf', transfers } as const, instance: taken }]
      : []),
    ...(together.length > 1
      ? [
          {
            help: { kind: 'film', others: others.map(({ code }) => code) } as const,
            instance: shopInstance({
              ...shop,
              jobs: [...shop.jobs.filter((job) => !together.includes(job)), onOneFilm(together)],
            }).instance,
          },
        ]
      : []),
    ...(halved !== null ? [{ help: { kind: 'half' } as const, instance: halved }] : []),
  ];
}

/** Lines that one film is laid out for at most. */
const MOST_SHARING = 4;

/** What waits by itself for the same film as a line, and the line: those due soonest. */
function sharing({ jobs }: PlanGround, mine: PlanLine | undefined): PlanJob[] {
  const alike = jobs.filter(({ runId, layout, lines: [line, ...others] }) => {
    const isAlone = runId === null && layout === null && others.length === 0;
    return isAlone && line !== undefined && line.film !== null && line.film === mine?.film;
  });
  const isMine = ({ lines }: PlanJob): boolean => lines.some(({ lineId }) => lineId === mine?.lineId);
  const dueOf = ({ lines: [line] }: PlanJob): string => line?.dueAt ?? '';
  const own = alike.filter(isMine);
  const others = alike.filter((job) => !isMine(job)).sort((p, q) => dueOf(p).localeCompare(dueOf(q)));
  return own.length === 0 ? [] : [...own, ...others.slice(0, MOST_SHARING - 1)];
}

/** A line by itself whose transfers are not printed: they are at hand. */
function unprinted(job: ShopJob): ShopJob {
  const [line, ...others] = job.plan.lines;
  if (job.state !== null || line === undefined || others.length > 0) return job;
  const film = new Set(line.lanes.filter(({ part }) => part === 'transfer').map(({ id }) => id));
  const operations = line.operations.filter(
    ({ lane, role }) => !(film.has(lane) && FILM_ROLES.includes(role)),
  );
  return { ...job, plan: { ...job.plan, lines: [{ ...line, operations }] } };
}

/** Half of the pieces of a line that is made by itself and has not begun; anything else as it is. */
function half(job: ShopJob): ShopJob {
  const [line, ...others] = job.plan.lines;
  if (job.state !== null || line === undefined || others.length > 0 || line.pieces < 2) return job;
  return { ...job, plan: { ...job.plan, lines: [{ ...line, pieces: Math.ceil(line.pieces / 2) }] } };
}
