import type { Catalogue, PlanGround } from '@saltflat/contract';
import { shopNow } from '@saltflat/contract/shopNow';
import { planPicture, repairPlan, shopInstance } from '@saltflat/core/plan';
import type { PlanPicture, ShopNow } from '@saltflat/core/plan';
import type { PaperWriting } from '../../pdf/index.ts';

interface Needs {
  ground: () => Promise<PlanGround>;
  readCatalogue: () => Promise<Catalogue>;
  now: () => number;
}

/** The plan that is kept, followed as the shop stands, with the names of what is in it. */
export interface Followed {
  shop: ShopNow;
  picture: PlanPicture;
  lines: ReadonlyMap<string, { code: string; customer: string }>;
  /** By job, of those on the floor. */
  runs: ReadonlyMap<string, string>;
  machines: ReadonlyMap<string, string>;
  writing: PaperWriting;
}

/** Whoever subscribes to a calendar asks every few minutes, for each machine: it is followed once a minute at most. */
const KEPT_MS = 60_000;

/** Follows the plan for those who take it elsewhere: calendars, papers. */
export class FollowedPlan {
  private known: { at: number; followed: Promise<Followed> } | null = null;

  constructor(private readonly needs: Needs) {}

  read(): Promise<Followed> {
    const at = this.needs.now();
    if (this.known !== null && at - this.known.at < KEPT_MS) return this.known.followed;
    const followed = this.follow(at);
    this.known = { at, followed };
    followed.catch(() => (this.known = null));
    return followed;
  }

  /** Another plan was kept, or other hours: what is known is old. */
  forget(): void {
    this.known = null;
  }

  private async follow(nowMs: number): Promise<Followed> {
    const [ground, { machines, writing }] = await Promise.all([
      this.needs.ground(),
      this.needs.readCatalogue(),
    ]);
    const shop = shopNow(ground, machines, nowMs);
    const own = shopInstance(shop);
    const plan = ground.kept === null ? [] : repairPlan(own.instance, own.former, { keepsLocks: true }).ops;
    return {
      shop,
      picture: planPicture(own, plan),
      lines: new Map(ground.jobs.flatMap((job) => job.lines.map((line) => [line.lineId, line] as const))),
      runs: new Map(ground.jobs.flatMap(({ key, runId }) => (runId === null ? [] : [[key, runId] as const]))),
      machines: new Map(machines.map(({ id, name }) => [id, name])),
      writing: { ...writing.document, zone: ground.calendar.document.zone },
    };
  }
}
