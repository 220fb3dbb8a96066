import { routeInputOf } from '@saltflat/contract';
import type { ShopCalendar } from '@saltflat/contract';
import { runOf } from '@saltflat/contract/filmJob';
import { leadDaysOf } from '@saltflat/core/route';
import type { Database } from './db/connection.ts';
import type { CatalogueStore } from './features/catalogue/index.ts';
import type { LayoutStore } from './features/film/index.ts';
import { CalendarService, FollowedPlan, PlanFiles, PlanService } from './features/plan/index.ts';
import type { RouteService, WrittenLines } from './features/routes/index.ts';
import { WorkTimeStore, sharedSheets } from './features/runs/index.ts';
import type { RunService } from './features/runs/index.ts';
import { SettingStore } from './features/shop/index.ts';
import type { PaperPool } from './jobs/paperPool.ts';

interface PlanNeeds {
  db: Database;
  papers: PaperPool;
  catalogue: CatalogueStore;
  routes: RouteService;
  written: WrittenLines;
  runs: RunService;
  layoutStore: LayoutStore;
  readCalendar: () => Promise<ShopCalendar>;
  now: () => number;
}

/** Plans of days: what they are made of, and the one that is followed. */
export function createPlans({
  db,
  papers,
  catalogue,
  routes,
  written,
  runs,
  layoutStore,
  readCalendar,
  now,
}: PlanNeeds) {
  const followed = new FollowedPlan({
    ground: () => plans.ground(),
    readCatalogue: () => catalogue.read(),
    now,
  });
  const onChange = (): void => followed.forget();
  const calendar = new CalendarService({
    db,
    settings: new SettingStore(db),
    read: readCalendar,
    onChange,
  });
  const plans = new PlanService({
    db,
    calendar: readCalendar,
    materials: async () => (await catalogue.read()).materials,
    onFloor: () => runs.onFloorNow(),
    layouts: async () =>
      (await layoutStore.waiting()).map(({ id, code, document: { transfers, placements } }) => {
        const { lineIds, sheets } = runOf(transfers, placements);
        return {
          id,
          code,
          lines: lineIds.flatMap((lineId) => {
            const own = transfers.find((transfer) => transfer.lineId === lineId);
            return own ? [{ lineId, routeNumber: own.routeNumber }] : [];
          }),
          sheetsOf: (lines) => sharedSheets(sheets, lines),
        };
      }),
    leadDays: async (lineId) => leadDaysOf(routeInputOf(await routes.lineDocument(lineId))),
    planWritten: (line) => written.plan(line),
    workTimes: () => new WorkTimeStore(db).newest(),
    onChange,
    now,
  });
  const planFiles = new PlanFiles({
    plan: followed,
    now,
    writeDay: (day, writing, paper) => papers.write({ kind: 'plan-day', day, writing, paper }),
  });
  return { plans, calendar, planFiles };
}
