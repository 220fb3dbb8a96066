import type { PrintProcess } from '@saltflat/core/artwork';
import type { ArtLayer } from '../../worker/artwork.worker.ts';

export interface Layer {
  layer: ArtLayer;
  key: string;
  name: string;
  /** What the picture shows. */
  says: string;
}

const ALL: readonly (Layer & { isFor: (process: PrintProcess) => boolean })[] = [
  {
    layer: 'composite',
    key: 'c',
    name: 'Garment',
    says: 'How the print will look, by the model',
    isFor: () => true,
  },
  { layer: 'art', key: 'a', name: 'File', says: 'The file as it came', isFor: () => true },
  {
    layer: 'ready',
    key: 'r',
    name: 'Ready',
    says: 'What is left to print after the steps',
    isFor: () => true,
  },
  {
    layer: 'white',
    key: 'w',
    name: 'White',
    says: 'White ink under the colour',
    isFor: (process) => process !== 'sub',
  },
  {
    layer: 'second-white',
    key: 'h',
    name: '2nd white',
    says: 'The second hit of white',
    isFor: (process) => process === 'dtg-dark',
  },
  { layer: 'thin', key: 't', name: 'Thin', says: 'In rose: thinner than 0.5 mm', isFor: () => true },
  {
    layer: 'gaps',
    key: 'b',
    name: 'Gaps',
    says: 'In rose: gaps narrower than 0.5 mm, which powder bridges',
    isFor: (process) => process === 'dtf',
  },
  {
    layer: 'solids',
    key: 's',
    name: 'Solids',
    says: 'In rose: where a disc of 10 mm has room',
    isFor: () => true,
  },
  {
    layer: 'soft',
    key: 'e',
    name: 'Soft',
    says: 'In rose: half transparent away from an edge',
    isFor: () => true,
  },
  {
    layer: 'film-printed',
    key: 'm',
    name: 'Film',
    says: 'The printed side of the film: mirrored once, white on top. Do not mirror it again',
    isFor: (process) => process === 'dtf',
  },
  {
    layer: 'film-through',
    key: 'n',
    name: 'Film back',
    says: 'Seen through the back of the film: reads the right way round',
    isFor: (process) => process === 'dtf',
  },
];

/** Layers worth looking at for a process, in the order of the bar. */
export const layersFor = (process: PrintProcess): readonly Layer[] =>
  ALL.filter(({ isFor }) => isFor(process));

/** Layers whose picture needs the full analysis. */
export const isMask = (layer: ArtLayer): boolean => ['thin', 'gaps', 'solids', 'soft'].includes(layer);
