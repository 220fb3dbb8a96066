import { useKeyNotes, useKeys } from '../../keys/index.ts';
import type { ArtLayer } from '../../worker/artwork.worker.ts';
import type { Layer } from './layers.ts';

interface Keys {
  layers: readonly Layer[];
  onLayer: (layer: ArtLayer) => void;
  onSplit: () => void;
  onGarment: () => void;
  onUndo: () => void;
  onRedo: () => void;
}

/** One key per layer, x for the split view, o for the garment's outline, Ctrl or ⌘ with z and y. */
export function useArtKeys({ layers, onLayer, onSplit, onGarment, onUndo, onRedo }: Keys): void {
  useKeys('Artwork', [
    ...layers.map(({ layer, key, name }) => ({
      key,
      does: `show: ${name.toLowerCase()}`,
      act: () => onLayer(layer),
    })),
    { key: 'x', does: 'split before and now; [ and ] move the line', act: onSplit },
    { key: 'o', does: 'outline of the garment', act: onGarment },
    { key: 'mod+z', shown: 'Ctrl z', does: 'undo', act: onUndo },
    { key: 'mod+y', shown: 'Ctrl y', does: 'redo', act: onRedo },
  ]);
  useKeyNotes('Picture, once it has the focus', PICTURE);
}

const PICTURE = [
  { shown: '+ −', does: 'zoom in and out' },
  { shown: '0 1 8', does: 'fit; pixels 1 : 1 and 1 : 8' },
  { shown: '← ↑ → ↓', does: 'move' },
];
