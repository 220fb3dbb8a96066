import type { Database } from './db/connection.ts';
import type { ArtworkService } from './features/artworks/index.ts';
import type { LayoutStore } from './features/film/index.ts';
import type { OrderService } from './features/orders/index.ts';
import { PaperService } from './features/papers/index.ts';
import { PrintService, ProofAnswerStore } from './features/prints/index.ts';
import { QuoteService, QuoteStore } from './features/quotes/index.ts';
import type { RouteService } from './features/routes/index.ts';
import type { PaperPool } from './jobs/paperPool.ts';
import type { PaperWriting } from './pdf/index.ts';

interface PaperNeeds {
  db: Database;
  papers: PaperPool;
  orders: OrderService;
  routes: RouteService;
  artworks: ArtworkService;
  layoutStore: LayoutStore;
  writing: () => Promise<PaperWriting>;
  now: () => number;
}

/** What leaves the house: pictures, proofs, quotes, run sheets. */
export function createPapers({
  db,
  papers: pool,
  orders,
  routes,
  artworks,
  layoutStore,
  writing,
  now,
}: PaperNeeds) {
  const findLine = (lineId: string) => orders.getLine(lineId);
  const findOrder = (orderId: string) => orders.get(orderId);
  const prints = new PrintService({
    answers: new ProofAnswerStore(db),
    printOf: (lineId, print, version) => routes.printOf(lineId, print, version),
    findLine,
    plane: (artworkId, job, plane, format) => artworks.plane(artworkId, job, plane, format),
    composite: (artworkId, job, how) => artworks.composite(artworkId, job, how),
    writeProof: async (sheet) => pool.write({ kind: 'proof', sheet, writing: await writing() }),
    now,
  });
  const papers = new PaperService({
    findLine,
    findOrder,
    currentRoute: (lineId) => routes.current(lineId),
    picture: (lineId, print, version, maxPx) => prints.picture(lineId, print, version, maxPx),
    writeSheet: async (sheet, paper) =>
      pool.write({ kind: 'run-sheet', sheet, writing: await writing(), paper }),
    now,
  });
  const quotes = new QuoteService({
    quotes: new QuoteStore(db),
    findOrder,
    currentRoute: (lineId) => routes.wholeCurrent(lineId),
    laidFilm: (lineId, routeNumber) => layoutStore.laidFilm(lineId, routeNumber),
    writeQuote: async (sheet, paper) => pool.write({ kind: 'quote', sheet, writing: await writing(), paper }),
    writing,
    now,
  });
  return { prints, papers, quotes };
}
