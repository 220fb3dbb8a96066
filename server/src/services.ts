import { BackupSettings, DEFAULT_BACKUPS, calibrationOf, parse } from '@saltflat/contract';
import type { CalibrationInput } from '@saltflat/contract';
import type { Logger } from 'pino';
import type { Database, Tx } from './db/connection.ts';
import { RequestKeys } from './db/requestKeys.ts';
import { ArtworkService, ArtworkStore, PreparationStore } from './features/artworks/index.ts';
import { BackupService } from './features/backups/index.ts';
import type { BackupPlace } from './features/backups/index.ts';
import { CareService, CareStore } from './features/care/index.ts';
import { CatalogueStore, LotService, WeighingService, WeighingStore } from './features/catalogue/index.ts';
import { LayoutStore } from './features/film/index.ts';
import { NozzleFits, SprayWeighingStore, SprayerService } from './features/sprayers/index.ts';
import { ShelfStore } from './features/shelf/index.ts';
import { JobService, JobStore } from './features/jobs/index.ts';
import {
  LineStates,
  LineStore,
  OrderState,
  PlanSweep,
  overruleOf,
  refuseOnFloor,
} from './features/lines/index.ts';
import { OrderService, OrderStore, createCheckLines } from './features/orders/index.ts';
import {
  BenchNoteService,
  PressCheckService,
  PressCheckStore,
  PressKnowledge,
} from './features/presses/index.ts';
import { calendarReader } from './features/plan/index.ts';
import {
  BackgroundPlanner,
  RoutePlanner,
  RouteService,
  RouteStore,
  readProvenLines,
  readSpoilage,
} from './features/routes/index.ts';
import { OutcomeStore, RunService, RunStore, WorkTimeStore } from './features/runs/index.ts';
import {
  BlankStore,
  ChangeStore,
  EquipmentStore,
  ImportService,
  SettingStore,
  ShopService,
} from './features/shop/index.ts';
import type { CoreThreads } from './jobs/coreThreads.ts';
import type { PaperPool } from './jobs/paperPool.ts';
import type { PlanQueue } from './jobs/planQueue.ts';
import type { Pictures } from './pictures/index.ts';
import { createFilm } from './filmServices.ts';
import { createPapers } from './paperServices.ts';
import { createPlans } from './planServices.ts';
import { createShelf, shelfOfRuns } from './shelfServices.ts';
import { createWritten } from './writtenServices.ts';
import type { PaperWriting } from './pdf/index.ts';

interface Needs {
  db: Database;
  queue: PlanQueue;
  pictures: Pictures;
  papers: PaperPool;
  core: CoreThreads;
  /** Where backups are kept; `null` for a server without such a place. */
  backups: BackupPlace | null;
  /** Runs work unless another process is at it. */
  alone: (work: () => Promise<void>) => Promise<boolean>;
  now: () => number;
  log: Logger;
}

export type Services = ReturnType<typeof createServices>;

/** Builds every store and service once, by hand, and joins the features: none of them knows another. */
export function createServices(needs: Needs) {
  const { db, queue, core, now, log } = needs;
  const ground = createGround(needs);
  const { lines, lineStates, orderState, artworks, catalogue, layoutStore, readCalendar, writing } = ground;
  const orders = createOrders(needs, ground);
  const routing = createRouting(needs, ground, orders);
  const runs = createRuns(needs, ground);
  const shop = createShop(needs, ground);
  const findLine = (lineId: string) => orders.getLine(lineId);
  const follow = followingBy(shop.shop);
  const weighings = new WeighingService({
    weighings: ground.weighingStore,
    catalogue,
    findLine,
    printFigures: (lineId, print) => routing.routes.printFigures(lineId, print),
    follow,
    now,
  });
  const { written, comparisons } = createWritten({
    core,
    planner: routing.planner,
    catalogue,
    artworks,
    runs,
  });
  const sweep = new PlanSweep({ db, lines, orders: orderState, queue, now, log });
  return {
    artworks,
    catalogue,
    comparisons,
    lineStates,
    lots: ground.lots,
    orders,
    runs,
    ...createMeasuring(needs, ground, follow),
    sweep,
    weighings,
    ...routing,
    ...shop,
    backups: createBackups(needs),
    keys: new RequestKeys(db.models),
    ...createPapers({ ...needs, orders, routes: routing.routes, artworks, layoutStore, writing }),
    ...createShelf({ ...needs, store: ground.shelfStore, catalogue, orders, follow, writing }),
    ...createFilm({ ...needs, routes: routing.routes, artworks, catalogue, layoutStore, runs, writing }),
    ...createPlans({ ...needs, catalogue, routes: routing.routes, written, runs, layoutStore, readCalendar }),
  };
}

/** What is measured of the shop's machines. */
const createMeasuring = (
  { db, now }: Pick<Needs, 'db' | 'now'>,
  ground: Ground,
  follow: <T>(write: (tx: Tx) => Promise<T>) => Promise<T>,
) => ({
  pressChecks: new PressCheckService({
    db,
    store: ground.checks,
    machines: ground.machines,
    calibrate: ground.calibrate,
    follow,
    now,
  }),
  benchNotes: new BenchNoteService({ db, now }),
  care: new CareService({
    db,
    store: new CareStore(db),
    readCatalogue: () => ground.catalogue.read(),
    now,
  }),
  sprayers: new SprayerService({
    db,
    store: ground.sprayWeighings,
    readCatalogue: () => ground.catalogue.read(),
    follow,
    now,
  }),
});

/** Writes what routes go by, and has those nobody has begun follow. */
const followingBy =
  (shop: Pick<ShopService, 'change'>) =>
  async <T>(write: (tx: Tx) => Promise<T>): Promise<T> => {
    let written!: T; // by the change, which ends otherwise in an error
    await shop.change(async (tx) => {
      written = await write(tx);
      return { id: null, version: null };
    });
    return written;
  };

/** What all others stand on: lines' states, artworks, the catalogue. */
function createGround({ db, queue, pictures, core, now }: Needs) {
  const lines = new LineStore(db);
  const orderState = new OrderState(db);
  const weighingStore = new WeighingStore(db);
  const artworks = new ArtworkService({
    artworks: new ArtworkStore(db),
    preparations: new PreparationStore(db),
    pictures,
    transaction: (work) => db.transaction(work),
    now,
  });
  const shelfStore = new ShelfStore(db);
  const sprayWeighings = new SprayWeighingStore(db);
  const nozzleFits = new NozzleFits({
    standing: () => sprayWeighings.standing(),
    fit: (input) => core.run('fitSprayer', input),
  });
  const catalogue = new CatalogueStore(
    db,
    weighingStore,
    () => shelfStore.stock(),
    (own) => nozzleFits.with(own),
  );
  const machines = async () => (await catalogue.read()).machines;
  const checks = new PressCheckStore(db);
  const calibrate = (input: CalibrationInput) => core.run('calibrate', calibrationOf(input));
  const findMaterial = async (id: string) => (await catalogue.read()).materials.find((own) => own.id === id);
  const here = new Intl.DateTimeFormat().resolvedOptions().timeZone;
  const readCalendar = calendarReader(new SettingStore(db), here);
  const writing = async (): Promise<PaperWriting> => {
    const [{ writing: own }, { document }] = await Promise.all([catalogue.read(), readCalendar()]);
    return { ...own.document, zone: document.zone };
  };
  return {
    readCalendar,
    writing,
    lots: new LotService({ db, findMaterial, now }),
    machines,
    checks,
    calibrate,
    pressKnowledge: new PressKnowledge({
      checks,
      machines,
      readPlates: (input) => core.run('plates', input),
      calibrate,
    }),
    lines,
    orderState,
    lineStates: new LineStates({ db, lines, orders: orderState, queue, now }),
    weighingStore,
    sprayWeighings,
    catalogue,
    artworks,
    layoutStore: new LayoutStore(db),
    shelfStore,
  };
}

type Ground = ReturnType<typeof createGround>;

function createOrders(
  { db, now }: Needs,
  { lines, lineStates, orderState, catalogue }: Ground,
): OrderService {
  const artworkStore = new ArtworkStore(db);
  return new OrderService({
    db,
    orders: new OrderStore(db),
    checkLines: createCheckLines({
      readCatalogue: () => catalogue.read(),
      artworkExists: (id) => artworkStore.exists(id),
    }),
    lines: {
      lockOrder: (orderId, tx) => lines.lockOrder(orderId, tx),
      ofOrder: (orderId, tx) => lines.ofOrder(orderId, tx),
      add: (order, inputs, tx) => lineStates.add(order, inputs, tx),
      edit: (line, input, tx) => lineStates.edit(line, input, tx),
      remove: (line, tx) => lineStates.remove(line, tx),
      settle: (order, tx) => orderState.settle(order, tx),
      summarise: (order, tx) => orderState.summarise(order, tx),
      cancel: (order, tx) => lineStates.cancel(order, tx),
      restore: (order, tx) => lineStates.restore(order, tx),
    },
    refuseOnFloor,
    now,
  });
}

function createRouting(
  { db, now, log }: Needs,
  { lines, lineStates, catalogue, artworks, pressKnowledge, layoutStore, shelfStore }: Ground,
  orders: OrderService,
) {
  const routeStore = new RouteStore(db);
  const planner = new RoutePlanner({
    readCatalogue: () => catalogue.read(),
    figures: (artworkId, job, onProgress) => artworks.figures(artworkId, job, onProgress),
    spoilage: (processes) => readSpoilage(db, processes),
    pressesUnder: (print) => pressKnowledge.under(print),
    shelfFor: (lineId) => shelfStore.stock(lineId),
  });
  const findLine = (lineId: string) => orders.getLine(lineId);
  const lock = async (lineId: string, tx: Parameters<LineStore['lockLine']>[1]) =>
    (await lines.lockLine(lineId, tx))?.line ?? null;
  const routes = new RouteService({
    db,
    routes: routeStore,
    planner,
    findLine,
    keepPreparation: (artworkId, made, tx) => artworks.keepPreparation(artworkId, made, tx),
    lines: {
      lock,
      writePreparation: (print, own, tx) => lines.writePreparation(print, own, tx),
      plannedByHand: (line, plan, tx) => lineStates.plannedByHand(line, plan, tx),
      overruleArt: (line, overrule, tx) => lineStates.overruleArt(line, overrule, tx),
      takeBackOverrule: (line, tx) => lineStates.takeBackOverrule(line, tx),
    },
    overruleOf,
    laidFilm: (lineId, routeNumber) => layoutStore.laidFilm(lineId, routeNumber),
    provenLines: (processes, exceptLineId) => readProvenLines(db, processes, exceptLineId),
    now,
  });
  const jobs = new JobService({ jobs: new JobStore(db), now, log });
  const changes = new ChangeStore(db);
  const background = new BackgroundPlanner({
    db,
    routes: routeStore,
    planner,
    watched: (lineId, work) => jobs.run('measure-line', lineId, work),
    findLine,
    lines: {
      lock,
      beginPlan: (lineId) => lineStates.beginPlan(lineId),
      planned: (ticket, plan, tx) => lineStates.planned(ticket, plan, tx),
      refused: (ticket, problem, tx) => lineStates.refused(ticket, problem, tx),
    },
    noteChange: (changeId, how, tx) => changes.note(changeId, how, tx),
    currency: async () => (await catalogue.read()).writing.document.currency,
    now,
    log,
  });
  return { planner, routes, background, jobs };
}

function createRuns({ db, now }: Needs, { lineStates, lots, shelfStore }: Ground): RunService {
  const routeStore = new RouteStore(db);
  return new RunService({
    db,
    runs: new RunStore(db),
    outcomes: new OutcomeStore(db),
    workTimes: new WorkTimeStore(db),
    findVersion: (lineId, number, tx) => routeStore.startable(lineId, number, tx),
    lines: {
      start: (lineId, tx) => lineStates.start(lineId, tx),
      finish: (lineId, tx) => lineStates.finish(lineId, tx),
      reopen: (lineId, tx) => lineStates.reopen(lineId, tx),
    },
    openedLots: (tx) => lots.opened(tx),
    shelf: shelfOfRuns({ db, store: shelfStore, now }),
    now,
  });
}

function createShop({ db, now }: Needs, { lineStates, catalogue }: Ground) {
  const stores = {
    blanks: new BlankStore(db),
    equipment: new EquipmentStore(db),
    settings: new SettingStore(db),
  };
  const readCatalogue = () => catalogue.read();
  const shop = new ShopService({
    db,
    ...stores,
    changes: new ChangeStore(db),
    readCatalogue,
    hasGivenQuotes: async () => (await db.models.quotes.count()) > 0,
    askForDrafts: (note, tx) => lineStates.planDrafts(note, tx),
    now,
  });
  const imports = new ImportService({
    ...stores,
    readCatalogue,
    readRetired: () => catalogue.retired(),
    change: async (write) => shop.change(write),
  });
  return { shop, imports };
}

function createBackups({ db, backups: place, alone, now, log }: Needs): BackupService {
  const settings = new SettingStore(db);
  return new BackupService({
    place,
    alone,
    readSettings: async () => {
      const kept = await settings.read('backups');
      return {
        document: parse(BackupSettings, { ...DEFAULT_BACKUPS, ...kept?.document }),
        version: kept?.version ?? 1,
      };
    },
    writeSettings: (version, document) =>
      db.transaction((tx) => settings.write('backups', version, document, tx)),
    now,
    log,
  });
}
