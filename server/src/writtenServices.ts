import type { ArtworkService } from './features/artworks/index.ts';
import type { CatalogueStore } from './features/catalogue/index.ts';
import { ComparisonService, WrittenLines } from './features/routes/index.ts';
import type { RoutePlanner } from './features/routes/index.ts';
import type { RunService } from './features/runs/index.ts';
import type { CoreThreads } from './jobs/coreThreads.ts';

interface WrittenNeeds {
  core: CoreThreads;
  planner: RoutePlanner;
  catalogue: CatalogueStore;
  artworks: ArtworkService;
  runs: RunService;
}

/** What can be said of lines while they are being written. */
export function createWritten({ core, planner, catalogue, artworks, runs }: WrittenNeeds) {
  const readCatalogue = () => catalogue.read();
  const written = new WrittenLines({
    planner,
    readCatalogue,
    preparations: (artworkId) => artworks.preparations(artworkId),
    artworkName: async (artworkId) => (await artworks.get(artworkId)).name,
  });
  const comparisons = new ComparisonService({
    planner,
    compareProcesses: (input) => core.run('compare', input),
    readCatalogue,
    written,
    atFirstLook: (artworkId, job) => artworks.atFirstLook(artworkId, job),
    takenMachines: () => runs.takenMachines(),
  });
  return { written, comparisons };
}
