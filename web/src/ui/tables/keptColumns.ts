import type { TableColumn } from './columns.ts';

const keyOf = (table: string): string => `saltflat.columns.${table}`;

/** Which columns of a table are shown: as chosen on this device, or as it begins. */
export function keptColumns(
  table: string,
  columns: readonly Pick<TableColumn<never>, 'key' | 'isHiddenAtFirst'>[],
  storage: Pick<Storage, 'getItem'> = localStorage,
): Record<string, boolean> {
  const begin = Object.fromEntries(
    columns.map(({ key, isHiddenAtFirst = false }) => [key, !isHiddenAtFirst]),
  );
  try {
    const kept = JSON.parse(storage.getItem(keyOf(table)) ?? '{}') as Record<string, unknown>;
    const known = Object.entries(kept).filter(
      ([key, isShown]) => key in begin && typeof isShown === 'boolean',
    );
    return { ...begin, ...(Object.fromEntries(known) as Record<string, boolean>) };
  } catch {
    return begin;
  }
}

export function keepColumns(
  table: string,
  shown: Record<string, boolean>,
  storage: Pick<Storage, 'setItem'> = localStorage,
): void {
  storage.setItem(keyOf(table), JSON.stringify(shown));
}
