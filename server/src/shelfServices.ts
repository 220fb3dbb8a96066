import { parseMaterial } from '@saltflat/contract';
import type { ShelfPacket } from '@saltflat/contract';
import type { Database, Tx } from './db/connection.ts';
import type { CatalogueStore } from './features/catalogue/index.ts';
import { asCopy } from './features/orders/index.ts';
import type { OrderService } from './features/orders/index.ts';
import { RouteStore } from './features/routes/index.ts';
import type { RunNeeds } from './features/runs/index.ts';
import {
  ShelfOnFloor,
  ShelfReads,
  ShelfService,
  StockWishes,
  concernsShelf,
} from './features/shelf/index.ts';
import type { ShelfStore } from './features/shelf/index.ts';
import { EquipmentStore } from './features/shop/index.ts';
import type { PaperPool } from './jobs/paperPool.ts';
import type { Paper } from './pdf/index.ts';
import type { PaperWriting } from './pdf/index.ts';

interface Needs {
  db: Database;
  store: ShelfStore;
  now: () => number;
}

/** Transfers that lie ready, and the labels of their packets. */
export function createShelf({
  db,
  papers,
  store,
  catalogue,
  orders,
  follow,
  writing,
  now,
}: Needs & {
  papers: PaperPool;
  catalogue: CatalogueStore;
  orders: OrderService;
  follow: <T>(write: (tx: Tx) => Promise<T>) => Promise<T>;
  writing: () => Promise<PaperWriting>;
}) {
  const equipment = new EquipmentStore(db);
  const reads = new ShelfReads(db);
  const wishes = new StockWishes({
    store,
    reads,
    materials: async () => (await catalogue.read()).materials,
    orders: { get: (id) => orders.get(id), asCopy, add: (input) => orders.add(input) },
    now,
  });
  const shelf = new ShelfService({
    store,
    reads,
    findMaterial: async (id) => (await catalogue.read()).materials.find((own) => own.id === id),
    findKind: async (name) =>
      (await catalogue.read()).materials.find((own) => own.kind === 'shelf-transfer' && own.name === name),
    addKind: (record, tx) => equipment.insertMaterial(parseMaterial(record), tx),
    follow,
    now,
  });
  const shelfLabels = async (packets: ShelfPacket[], paper: Paper) => ({
    name: packets.length === 1 ? `${packets[0]?.code ?? 'packet'}-label.pdf` : 'shelf-labels.pdf',
    bytes: await papers.write({
      kind: 'shelf-labels',
      labels: { packets, madeAt: new Date(now()).toISOString() },
      writing: await writing(),
      paper,
    }),
  });
  return { shelf, shelfLabels, wishes };
}

/** The shelf as runs see it: only those that have to do with it are followed. */
export function shelfOfRuns({ db, store, now }: Needs): RunNeeds['shelf'] {
  const routeStore = new RouteStore(db);
  const equipment = new EquipmentStore(db);
  const shelf = new ShelfOnFloor({
    store,
    plannedFrom: async (lineId, number, tx) => {
      const whole = await routeStore.whole(lineId, number, tx);
      if (!whole?.input) return null;
      const { document, art } = whole.input;
      return {
        document,
        cents: whole.version.cost.totalCents,
        artworkIds: Object.fromEntries(art.map(({ print, artworkId }) => [print, artworkId])),
      };
    },
    kinds: (tx) => equipment.shelfKinds(tx),
    addKind: (record, tx) => equipment.insertMaterial(parseMaterial(record), tx),
    now,
  });
  return {
    hold: (run, tx) => shelf.hold(run, tx),
    putAway: (run, over, tx) => shelf.putAway(run, over, tx),
    follow: async (run, state, outcomes, tx) => {
      if (run.lines.some(({ route, pieces }) => concernsShelf(route, pieces)))
        await shelf.follow(run, state, outcomes, tx);
    },
  };
}
