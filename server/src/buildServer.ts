import type { LiveMessage } from '@saltflat/contract';
import { Router } from 'express';
import type { Logger } from 'pino';
import { Type } from 'typebox';
import { createClock } from './clock.ts';
import type { Clock } from './clock.ts';
import { alone } from './db/alone.ts';
import { connect } from './db/connection.ts';
import type { Database } from './db/connection.ts';
import { listen } from './db/listen.ts';
import { MIGRATIONS, createMigrator, onceAtStart, refuseUnready } from './db/migrator.ts';
import { DEMO_ORDERS } from '@saltflat/demo';
import type { DemoOrder } from '@saltflat/demo';
import { DemoNotes } from './demo/demoNotes.ts';
import { seedDemo } from './demo/seedDemo.ts';
import { seedOnce } from './demo/seedOnce.ts';
import { artworkEndpoints } from './features/artworks/index.ts';
import { backupEndpoints } from './features/backups/index.ts';
import { BeginningService, beginningEndpoints } from './features/beginnings/index.ts';
import type { BackupPlace } from './features/backups/index.ts';
import { catalogueEndpoints } from './features/catalogue/index.ts';
import {
  HYGROMETER,
  ROOM_THERMOMETER,
  SCALE,
  THERMOMETER,
  createDeviceService,
  deviceEndpoints,
  simulateDevice,
} from './features/devices/index.ts';
import { filmEndpoints } from './features/film/index.ts';
import { findEndpoints } from './features/find/index.ts';
import { healthEndpoints, watchLoop } from './features/health/index.ts';
import { ledgerEndpoints } from './features/ledger/index.ts';
import { createLiveStream } from './features/live/index.ts';
import { orderEndpoints } from './features/orders/index.ts';
import { jobEndpoints } from './features/jobs/index.ts';
import { planEndpoints, planFileEndpoints } from './features/plan/index.ts';
import { PrinterService, printerEndpoints } from './features/printers/index.ts';
import { paperEndpoints } from './features/papers/index.ts';
import { benchEndpoints, pressEndpoints } from './features/presses/index.ts';
import { StandInSprayers, sprayerEndpoints } from './features/sprayers/index.ts';
import { careEndpoints } from './features/care/index.ts';
import { printEndpoints } from './features/prints/index.ts';
import { quoteEndpoints } from './features/quotes/index.ts';
import { routeEndpoints } from './features/routes/index.ts';
import { runEndpoints } from './features/runs/index.ts';
import { shelfEndpoints } from './features/shelf/index.ts';
import { shopEndpoints } from './features/shop/index.ts';
import { createApp } from './http/app.ts';
import { createTurns, endpoint, mount } from './http/endpoint.ts';
import type { Endpoint } from './http/endpoint.ts';
import { describeApi } from './http/openApi.ts';
import { createCoreThreads } from './jobs/coreThreads.ts';
import { createPaperPool } from './jobs/paperPool.ts';
import { openPlanQueue } from './jobs/planQueue.ts';
import type { PlanQueue } from './jobs/planQueue.ts';
import { createPicturePool } from './pictures/index.ts';
import { createServices } from './services.ts';
import type { Services } from './services.ts';

export interface ServerOptions {
  databaseUrl: string;
  /** Folder of the built web; `null` serves the API alone. */
  webFolder: string | null;
  /** Names, besides those of this machine itself, under which the server is reached. */
  hosts?: readonly string[];
  log: Logger;
  now: () => number;
  /** Fill an empty database with the made-up shop. */
  isDemo: boolean;
  /** What was ordered in the made-up shop. */
  demoOrders?: readonly DemoOrder[];
  /** Take jobs from the queue as well; a worker does nothing else. */
  isWorking?: boolean;
  /** Where backups are kept, and PostgreSQL's program that makes them; `null` for a server without a home of its own. */
  backups?: { folder: string; pgDump: string } | null;
}

/** What every process of the program has, whether it serves or works. */
export interface Ground {
  db: Database;
  clock: Clock;
  queue: PlanQueue;
  services: Services;
  demoOrders: readonly DemoOrder[];
  stop: () => Promise<void>;
}

/** Opens the database, brings it up to date, fills an empty demo: once, with all other processes held off. */
export async function openGround(options: ServerOptions): Promise<Ground> {
  const { databaseUrl, log, now, isDemo, demoOrders = DEMO_ORDERS } = options;
  const db = connect(databaseUrl);
  const clock = createClock(now);
  const pictures = createPicturePool();
  const papers = createPaperPool();
  const core = createCoreThreads();
  const backups = placeOfBackups(options);
  const needs = {
    db,
    pictures,
    papers,
    core,
    backups,
    alone: alone(databaseUrl, BACKUP_LOCK),
    now: clock.now,
    log,
  };
  const starting = connect(databaseUrl, { isPatient: true });
  const { queue, services } = await onceAtStart(starting.sequelize, async () => {
    await createMigrator(starting.sequelize).up();
    const opened = await openPlanQueue(databaseUrl, starting.sequelize, log);
    const made = createServices({ ...needs, queue: opened });
    if (isDemo) await seedOnce(db, made, { clock, orders: demoOrders });
    return { queue: opened, services: made };
  }).finally(() => starting.sequelize.close());
  const stop = async (): Promise<void> => {
    services.sweep.stop();
    services.backups.stop();
    services.keys.stop();
    core.stop();
    await Promise.allSettled([queue.stop(), pictures.stop(), papers.stop()]);
    await db.sequelize.close();
  };
  return { db, clock, queue, services, demoOrders, stop };
}

/** Takes planning jobs from the queue, and looks for lost ones. */
export async function startWorking({ queue, services }: Ground): Promise<void> {
  await queue.work((lineId) => services.background.plan(lineId));
  await services.sweep.start();
  services.backups.start();
  services.keys.start();
}

const createBeginnings = ({ db, clock, services, demoOrders }: Ground, log: Logger): BeginningService =>
  new BeginningService({
    db,
    notes: new DemoNotes(db),
    seed: (onProgress) => seedDemo(services, { clock, orders: demoOrders, onProgress }),
    demoOrders: demoOrders.length,
    watched: (work) => services.jobs.run('fill-demo', WHOLE_SHOP, work),
    share: () => services.jobs.underWay('fill-demo', WHOLE_SHOP),
    log,
  });

/** What work on the whole shop is about. */
const WHOLE_SHOP = '00000000-0000-0000-0000-000000000000';
const BACKUP_LOCK = 7_258_352; // any number, the same for every process of this database

function placeOfBackups({ backups, databaseUrl, now }: ServerOptions): BackupPlace | null {
  if (!backups) return null;
  const { folder, pgDump } = backups;
  return { folder, tools: { databaseUrl, pgDump, known: MIGRATIONS.map(({ name }) => name), now } };
}

/** A server on its ground: the API, the live stream, the built web. */
export async function buildServer(options: ServerOptions) {
  const ground = await openGround(options);
  if (options.isWorking ?? true) await startWorking(ground);
  const { db, clock, services } = ground;
  const standIns = createDevices(ground);
  const { devices, printers, sprayers } = standIns;
  const beginnings = createBeginnings(ground, options.log);
  const live = createLiveStream(clock.now);
  printers.subscribe((printer) => live.send({ kind: 'printer', printer }));
  sprayers.subscribe((sprayer) => live.send({ kind: 'sprayer', sprayer }));
  devices.subscribe((device) => live.send({ kind: 'device', device }));
  const everything: LiveMessage = { kind: 'changed', noun: 'everything', id: '' };
  const forgetAll = (): void => {
    services.runs.forgetAll();
    services.catalogue.forget();
  };
  const listener = listen(
    options.databaseUrl,
    'saltflat',
    (text) => {
      const message = JSON.parse(text) as LiveMessage; // written by ourselves
      if (message.kind === 'changed' && message.noun === 'everything') forgetAll();
      live.send(message);
    },
    () => {
      forgetAll();
      live.send(everything);
    },
  );
  const loop = watchLoop();
  const health = healthEndpoints({
    now: clock.now,
    readLoop: () => loop.read(),
    refuseUnready: () => refuseUnready(db.sequelize),
  });
  const endpoints = endpointsOf({ db, services, standIns, health, beginnings, now: clock.now });
  const app = createApp({
    log: options.log,
    hosts: options.hosts ?? [],
    api: Router().use(mount(endpoints, createTurns(services.keys))),
    live: live.router,
    webFolder: options.webFolder,
  });

  async function stop(): Promise<void> {
    loop.stop();
    live.stop();
    devices.stop();
    printers.stop();
    await Promise.allSettled([listener.stop()]);
    await ground.stop();
  }
  return { app, db, services, clock, stop };
}

/** What the shop reads and prints with: stand-ins, as long as nothing real is connected. */
function createDevices({ clock, services }: Pick<Ground, 'clock' | 'services'>) {
  const devices = createDeviceService(
    [
      simulateDevice(SCALE, 11, clock.now()),
      simulateDevice(HYGROMETER, 23, clock.now()),
      simulateDevice(ROOM_THERMOMETER, 37, clock.now()),
      simulateDevice(THERMOMETER, 31, clock.now()),
    ],
    clock.now,
  );
  const needs = {
    machines: async () => (await services.catalogue.read()).machines,
    stepOf: (runId: string, step: string) => services.runs.stepOf(runId, step),
    now: clock.now,
  };
  const scaleShows = (): number => devices.list().find(({ id }) => id === 'scale')?.drive.target ?? 0;
  const sprayers = new StandInSprayers({
    ...needs,
    putOnScale: (g) => {
      if (scaleShows() > 0) devices.drive('scale', { target: scaleShows() + g }); // an empty one stays empty
    },
  });
  return { devices, printers: new PrinterService(needs), sprayers };
}
type StandIns = ReturnType<typeof createDevices>;

/** Everything the API does, with the page that describes it. */
function endpointsOf({
  db,
  services,
  standIns,
  health,
  beginnings,
  now,
}: {
  db: Database;
  services: Services;
  standIns: StandIns;
  health: Endpoint[];
  beginnings: BeginningService;
  now: () => number;
}): Endpoint[] {
  const { catalogue, shop, imports } = services;
  const endpoints = [
    ...pressEndpoints(services.pressChecks),
    ...benchEndpoints(services.benchNotes),
    ...sprayerEndpoints(services.sprayers, standIns.sprayers),
    ...careEndpoints(services.care),
    ...catalogueEndpoints(catalogue, services.weighings, services.lots),
    ...artworkEndpoints(services.artworks),
    ...orderEndpoints(services.orders),
    ...routeEndpoints(services.routes, services.comparisons),
    ...shopEndpoints({ shop, imports, readCatalogue: () => catalogue.read() }),
    ...printEndpoints(services.prints),
    ...quoteEndpoints(services.quotes),
    ...paperEndpoints(services.papers),
    ...jobEndpoints({ jobs: services.jobs, findLine: (lineId) => services.orders.getLine(lineId) }),
    ...runEndpoints(services.runs),
    ...filmEndpoints(services.waitingFilm, services.layouts, services.sheetFiles),
    ...planEndpoints(services.plans, services.calendar),
    ...planFileEndpoints(services.planFiles),
    ...shelfEndpoints({
      shelf: services.shelf,
      wishes: services.wishes,
      writeLabels: services.shelfLabels,
      putAway: (id, by) => services.runs.putAway(id, by),
    }),
    ...ledgerEndpoints(db, now),
    ...findEndpoints(db),
    ...deviceEndpoints(standIns.devices),
    ...printerEndpoints(standIns.printers),
    ...backupEndpoints(services.backups),
    ...beginningEndpoints(beginnings),
    ...health,
  ];
  const about: Endpoint = endpoint(
    {
      method: 'get',
      path: '/openapi.json',
      summary: 'This description',
      answer: Type.Record(Type.String(), Type.Unknown()),
    },
    () => Promise.resolve(describeApi([...endpoints, about])),
  );
  return [about, ...endpoints];
}
