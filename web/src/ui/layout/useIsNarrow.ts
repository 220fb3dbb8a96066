import { useSyncExternalStore } from 'react';

/** Whether the window is narrower than so many pixels. */
export function useIsNarrow(px: number): boolean {
  const query = window.matchMedia(`(max-width: ${px - 1}px)`);
  return useSyncExternalStore(
    (hear) => {
      query.addEventListener('change', hear);
      return () => query.removeEventListener('change', hear);
    },
    () => window.matchMedia(`(max-width: ${px - 1}px)`).matches,
  );
}
