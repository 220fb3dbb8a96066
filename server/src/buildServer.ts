import type { LiveMessage } from '@saltflat/contract';
import { Router } from 'express';
import type { Logger } from 'pino';
import { connect } from './db/connection.ts';
import { listen } from './db/listen.ts';
import { migrate } from './db/migrator.ts';
import { seedDemo } from './demo/seedDemo.ts';
import { artworkEndpoints, artworkStore, createArtworkService } from './features/artworks/index.ts';
import { catalogueEndpoints, catalogueStore, createWeighingService } from './features/catalogue/index.ts';
import {
  HYGROMETER,
  SCALE,
  createDeviceService,
  deviceEndpoints,
  simulateDevice,
} from './features/devices/index.ts';
import { healthEndpoints } from './features/health/index.ts';
import { ledgerEndpoints, ledgerStore } from './features/ledger/index.ts';
import { createLiveStream } from './features/live/index.ts';
import { createOrderService, orderEndpoints, orderStore } from './features/orders/index.ts';
import { createPaperService, paperEndpoints } from './features/papers/index.ts';
import { createPrintService, printEndpoints, printStore } from './features/prints/index.ts';
import {
  createComparisonService,
  createRoutePlanner,
  createRouteService,
  routeEndpoints,
  routeStore,
} from './features/routes/index.ts';
import { createRunService, runEndpoints, runStore } from './features/runs/index.ts';
import { createImportService, createShopService, shopEndpoints, shopStore } from './features/shop/index.ts';
import { createApp } from './http/app.ts';
import { describeApi, endpoint, mount } from './http/endpoint.ts';
import { createPixelPool } from './jobs/pixelPool.ts';
import { openPlanQueue } from './jobs/planQueue.ts';

export interface ServerOptions {
  databaseUrl: string;
  /** Folder of the built web; `null` serves the API alone. */
  webFolder: string | null;
  log: Logger;
  now: () => number;
  /** Fill an empty database with the made-up shop. */
  isDemo: boolean;
}

/** Builds every object once, by hand, and joins the features. Migrates, and fills an empty demo. */
export async function buildServer({ databaseUrl, webFolder, log, now, isDemo }: ServerOptions) {
  const { sequelize, db } = connect(databaseUrl);
  await migrate(sequelize);
  const pool = createPixelPool();
  const catalogue = catalogueStore(db);
  const artworks = createArtworkService({
    artworks: artworkStore(db),
    measure: async (pixels, job) => (await pool.work(pixels, job)).figures,
  });
  const orderRows = orderStore(db);
  const routeRows = routeStore(db);
  let askForPlan = (_lineId: string): Promise<void> => Promise.resolve(); // the queue opens once there is something to plan
  const orders = createOrderService({
    db,
    orders: orderRows,
    readCatalogue: catalogue.read,
    artworkExists: async (id) => (await artworkStore(db).find(id)) !== undefined,
    askForPlan: (lineId) => askForPlan(lineId),
  });
  const planner = createRoutePlanner({
    readCatalogue: catalogue.read,
    figures: artworks.figures,
    spoilage: routeRows.spoilage,
  });
  const routes = createRouteService({
    db,
    routes: routeRows,
    planner,
    findLine: orders.getLine,
    keepPreparation: artworks.keepPreparation,
    setPreparation: orderRows.setPreparation,
    setLineState: orderRows.setLineState,
    askForPlan: (lineId) => askForPlan(lineId),
  });
  const weighings = createWeighingService({
    db,
    readMaterials: catalogue.materials,
    readWeighings: catalogue.weighings,
    findLine: orders.getLine,
    lineFigures: routes.lineFigures,
  });
  const prints = createPrintService({
    prints: printStore(db),
    lineJob: routes.lineJob,
    findLine: orders.getLine,
    pixels: artworks.pixels,
    work: pool.work,
    now,
  });
  const papers = createPaperService({
    findLine: orders.getLine,
    findOrder: orders.get,
    latestRoute: routes.latest,
    lineDocument: routes.lineDocument,
    blankCents: async ({ styleId }) => {
      const { styles } = await catalogue.read();
      const sizes = styles.find(({ id }) => id === styleId)?.sizes ?? [];
      return new Map(sizes.map(({ size, cents }) => [size, cents]));
    },
    picture: prints.picture,
    now,
  });
  const runs = createRunService({
    db,
    runs: runStore(db),
    findLine: orders.getLine,
    latestRoute: routes.latest,
    setLineState: orderRows.setLineState,
  });
  const comparisons = createComparisonService({
    planner,
    readCatalogue: catalogue.read,
    preparations: artworks.preparations,
    activeRuns: () => runs.list('active'),
  });
  const shopNeeds = {
    shop: shopStore(db),
    readCatalogue: catalogue.read,
    replanDrafts: routes.replanDrafts,
  };
  const isEmpty = (await db.rows(`select id from garment_style limit 1`)).length === 0;
  if (isDemo && isEmpty)
    await seedDemo({ db, readCatalogue: catalogue.read, artworks, orders, routes, runs }, now());
  const queue = await openPlanQueue(databaseUrl, log, routes.planInBackground);
  askForPlan = queue.ask;

  const devices = createDeviceService(
    [simulateDevice(SCALE, 11, now()), simulateDevice(HYGROMETER, 23, now())],
    now,
  );
  const live = createLiveStream(now);
  devices.subscribe((device) => live.send({ kind: 'device', device }));
  const everything: LiveMessage = { kind: 'changed', noun: 'everything', id: '' };
  const listener = listen(
    databaseUrl,
    'saltflat',
    (text) => live.send(JSON.parse(text) as LiveMessage), // written by our own trigger
    () => live.send(everything),
  );

  const endpoints = [
    ...catalogueEndpoints(catalogue, weighings),
    ...artworkEndpoints(artworks),
    ...orderEndpoints(orders),
    ...routeEndpoints(routes, comparisons),
    ...shopEndpoints(createShopService(shopNeeds), createImportService(shopNeeds), catalogue.read),
    ...printEndpoints(prints),
    ...paperEndpoints(papers),
    ...runEndpoints(runs),
    ...ledgerEndpoints(ledgerStore(db)),
    ...deviceEndpoints(devices),
    ...healthEndpoints(() => db.rows(`select 1 as one`), now),
  ];
  const about = endpoint({ method: 'get', path: '/openapi.json', summary: 'This description' }, () =>
    Promise.resolve(describeApi(endpoints)),
  );
  const api = Router().use(mount([about, ...endpoints]));
  const app = createApp({ log, api, live: live.router, webFolder });

  async function stop(): Promise<void> {
    live.stop();
    devices.stop();
    await Promise.allSettled([listener.stop(), queue.stop(), pool.stop()]);
    await sequelize.close();
  }
  return { app, db, sequelize, stop };
}
