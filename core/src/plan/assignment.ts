/**
 * The least sum of costs that gives each row a column of its own (Hungarian method with potentials, Kuhn 1955; here in
 * O(n³), textbook).
 *
 * @param cost square, row by row
 */
export function leastAssignment(cost: readonly Float64Array[]): number {
  const n = cost.length;
  const rowPotential = new Float64Array(n + 1);
  const columnPotential = new Float64Array(n + 1);
  const rowOf = new Int32Array(n + 1); // row that has each column, from 1; 0: none
  const cameFrom = new Int32Array(n + 1);
  for (let row = 1; row <= n; row++) {
    rowOf[0] = row;
    let column = 0;
    const least = new Float64Array(n + 1).fill(Infinity);
    const isUsed = new Uint8Array(n + 1);
    do {
      isUsed[column] = 1;
      const own = rowOf[column];
      let step = Infinity;
      let next = 0;
      for (let j = 1; j <= n; j++) {
        if (isUsed[j]) continue;
        const slack = cost[own - 1][j - 1] - rowPotential[own] - columnPotential[j];
        if (slack < least[j]) {
          least[j] = slack;
          cameFrom[j] = column;
        }
        if (least[j] < step) {
          step = least[j];
          next = j;
        }
      }
      for (let j = 0; j <= n; j++)
        if (isUsed[j]) {
          rowPotential[rowOf[j]] += step;
          columnPotential[j] -= step;
        } else least[j] -= step;
      column = next;
    } while (rowOf[column] !== 0);
    while (column !== 0) {
      const before = cameFrom[column];
      rowOf[column] = rowOf[before];
      column = before;
    }
  }
  return -columnPotential[0];
}
