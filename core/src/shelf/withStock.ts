/**
 * Things of the set-up with what is free of those that are kept in packets: it stands in place of what was typed.
 *
 * @param free by the id of the kind; less than nothing is nothing
 */
export const withStock = <T extends { id: string; stock: number | null }>(
  things: readonly T[],
  free: ReadonlyMap<string, number>,
): T[] =>
  things.map((own) => {
    const count = free.get(own.id);
    return count === undefined ? own : { ...own, stock: Math.max(0, count) };
  });
