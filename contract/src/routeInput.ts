import type { RouteInput } from '@saltflat/core/route';
import { equipmentOf } from './equipment.ts';
import type { LineDocument } from './lineDocument.ts';

/** The document as planRoute reads it: the one way in for the server, the browser and the command line. */
export const routeInputOf = (document: LineDocument): RouteInput => ({
  process: document.process,
  garment: document.garment,
  print: document.print,
  pieces: document.pieces,
  placement: document.placement,
  equipment: equipmentOf(document, document.patch && { id: null, ...document.patch }),
  house: document.house,
  overrides: document.overrides,
});
