/** A throwaway cluster, as far as it is needed to make a database in it. */
export interface Cluster {
  bin: string;
  url: string;
  env: Record<string, string>;
}
export interface DemoServer {
  url: string;
  databaseUrl: string;
  name: string;
  stop: () => Promise<void>;
}
export function startDemoServer(
  cluster: Cluster,
  options: { port?: number; log: string; template?: string },
): Promise<DemoServer>;
export function makeDemoShop(cluster: Cluster, options: { log: string }): Promise<string>;
