import { useEffect, useRef } from 'react';
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

/** One key per layer, x for the split view, o for the garment's outline, Ctrl or ⌘ with z and y; unless a field is being typed in. */
export function useArtKeys(keys: Keys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    let isAfterG = false; // “g a” goes to a place: its letter is not ours
    const onKey = (event: KeyboardEvent): void => {
      if (event.altKey || isTyping(event.target)) return;
      const { layers, onLayer, onSplit, onGarment, onUndo, onRedo } = latest.current;
      if (event.ctrlKey || event.metaKey) {
        if (event.key !== 'z' && event.key !== 'y' && event.key !== 'Z') return;
        event.preventDefault();
        if (event.key === 'z') onUndo();
        else onRedo();
        return;
      }
      const wasAfterG = isAfterG;
      isAfterG = event.key === 'g';
      if (wasAfterG) return;
      if (event.key === 'x') onSplit();
      else if (event.key === 'o') onGarment();
      const found = layers.find(({ key }) => key === event.key);
      if (found) onLayer(found.layer);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

const isTyping = (target: EventTarget | null): boolean =>
  (target instanceof HTMLInputElement &&
    target.type !== 'range' &&
    target.type !== 'checkbox' &&
    target.type !== 'radio') ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement;
