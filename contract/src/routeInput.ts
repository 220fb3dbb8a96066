import type { RouteInput } from '@saltflat/core/route';
import { equipmentOf } from './equipment.ts';
import type { LineDocument } from './lineDocument.ts';

/** The document as planRoute reads it: the one way in for the server, the browser and the command line. */
export const routeInputOf = (document: LineDocument): RouteInput => ({
  garment: document.garment,
  pieces: document.pieces,
  prints: document.prints.map(({ id, process, artwork, print, placement }) => ({
    id,
    process,
    artwork,
    print,
    placement: { ...placement, sizes: document.sizes, areas: document.areas },
  })),
  equipment: equipmentOf(document, document.patch && { id: null, ...document.patch }),
  house: document.house,
  overrides: document.overrides,
  sources: document.sources,
});
