/**
 * Where a key leads among rows.
 *
 * @param rows how many there are
 * @param page how many are in sight
 * @returns the row, from 0; `null` where the key leads nowhere
 */
export function moveFor(key: string, at: number, rows: number, page: number): number | null {
  if (rows === 0) return null;
  const moves: Record<string, number> = {
    ArrowDown: at + 1,
    ArrowUp: at - 1,
    PageDown: at + page,
    PageUp: at - page,
    Home: 0,
    End: rows - 1,
  };
  const to = moves[key];
  return to === undefined ? null : Math.min(rows - 1, Math.max(0, to));
}
