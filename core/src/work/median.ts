/** The middle of values, in any order; between the two middle ones of an even number. @param values at least one */
export function median(values: readonly number[]): number {
  const inOrder = [...values].sort((p, q) => p - q);
  const half = inOrder.length >> 1;
  return inOrder.length % 2 === 1 ? inOrder[half] : (inOrder[half - 1] + inOrder[half]) / 2;
}
