import type { Database } from './db/connection.ts';
import type { ArtworkService } from './features/artworks/index.ts';
import type { CatalogueStore } from './features/catalogue/index.ts';
import { LayoutService, SheetFiles, WaitingFilm } from './features/film/index.ts';
import type { LayoutStore } from './features/film/index.ts';
import type { RouteService } from './features/routes/index.ts';
import type { RunService } from './features/runs/index.ts';
import type { CoreThreads } from './jobs/coreThreads.ts';
import type { PaperPool } from './jobs/paperPool.ts';
import { paperWords } from './pdf/index.ts';
import type { PaperWriting } from './pdf/index.ts';
import type { Pictures } from './pictures/index.ts';

interface FilmNeeds {
  db: Database;
  papers: PaperPool;
  pictures: Pictures;
  core: CoreThreads;
  routes: RouteService;
  artworks: ArtworkService;
  catalogue: CatalogueStore;
  layoutStore: LayoutStore;
  runs: RunService;
  writing: () => Promise<PaperWriting>;
  now: () => number;
}

/** Film: layouts that were kept, and the files they are printed and cut by. */
export function createFilm({
  db,
  papers: pool,
  pictures,
  core,
  routes,
  artworks,
  catalogue,
  layoutStore,
  runs,
  writing,
  now,
}: FilmNeeds) {
  const waitingFilm = new WaitingFilm({
    db,
    filmAgain: () => runs.filmAgain(),
    spoilage: () => runs.spoilage(),
  });
  const layouts = new LayoutService({
    layouts: layoutStore,
    waiting: (lineIds) => waitingFilm.read(lineIds),
    readCatalogue: () => catalogue.read(),
    faults: (laid) => core.run('filmFaults', laid),
    startRun: (start, layout) => runs.start(start, layout),
    now,
  });
  const sheetFiles = new SheetFiles({
    get: (id) => layouts.get(id),
    sheetOut: (input) => core.run('sheetOut', input),
    artOf: async (lineId, print, version) => (await routes.printOf(lineId, print, version)).art,
    figures: (artworkId, job) => artworks.figures(artworkId, job),
    drawPiece: (artworkId, job, size) => artworks.filmPiece(artworkId, job, size),
    drawSheet: (sheet, arts) =>
      pictures.run(
        {
          kind: 'filmSheet',
          question: { ...sheet, lengths: arts.map(({ length }) => length) },
          megapixels: (sheet.widthPx * sheet.heightPx) / 1e6,
          bytes: () => Promise.resolve(Buffer.concat(arts)),
        },
        ({ bytes }) => bytes,
      ),
    writeSheets: (sheets) => pool.write({ kind: 'film-sheets', sheets }),
    writeList: async (list, paper) =>
      pool.write({ kind: 'cutting-list', list, writing: await writing(), paper }),
    writeLabels: async (labels, paper) =>
      pool.write({ kind: 'labels', labels, writing: await writing(), paper }),
    words: async () => paperWords(await writing()),
    now,
  });
  return { layouts, sheetFiles, waitingFilm };
}
