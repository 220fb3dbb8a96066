/** Strongly connected parts of more than one node (Tarjan 1972, textbook), without recursion. */
export function circlesOf(n: number, links: readonly (readonly [number, number])[]): number[][] {
  const out: number[][] = Array.from({ length: n }, () => []);
  for (const [from, to] of links) if (from !== to) out[from].push(to);
  const order = new Int32Array(n).fill(-1);
  const low = new Int32Array(n);
  const isOnPath = new Uint8Array(n);
  const path: number[] = [];
  const circles: number[][] = [];
  let count = 0;
  const enter = (v: number): [number, number] => {
    order[v] = low[v] = count++;
    path.push(v);
    isOnPath[v] = 1;
    return [v, 0];
  };
  for (let from = 0; from < n; from++) {
    if (order[from] >= 0) continue;
    const calls = [enter(from)];
    while (calls.length > 0) {
      const call = calls[calls.length - 1];
      const [v, k] = call;
      if (k < out[v].length) {
        call[1]++;
        const w = out[v][k];
        if (order[w] < 0) calls.push(enter(w));
        else if (isOnPath[w]) low[v] = Math.min(low[v], order[w]);
        continue;
      }
      calls.pop();
      if (calls.length > 0)
        low[calls[calls.length - 1][0]] = Math.min(low[calls[calls.length - 1][0]], low[v]);
      if (low[v] === order[v]) {
        const part = path.splice(path.indexOf(v));
        for (const w of part) isOnPath[w] = 0;
        if (part.length > 1) circles.push(part);
      }
    }
  }
  return circles;
}
