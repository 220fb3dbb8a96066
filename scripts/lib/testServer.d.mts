/** A throwaway cluster, as far as it is needed to make a database in it. */
export interface Cluster {
  bin: string;
  url: string;
  env: Record<string, string>;
}
export interface BuiltServer {
  url: string;
  port: number;
  kill: (signal: NodeJS.Signals) => void;
  stop: () => Promise<void>;
}
export interface DemoServer extends BuiltServer {
  databaseUrl: string;
  name: string;
}
export function startBuiltServer(options: {
  databaseUrl: string;
  port?: number;
  log: string;
  env?: Record<string, string>;
}): Promise<BuiltServer>;
export function startDemoServer(
  cluster: Cluster,
  options: { port?: number; log: string; template?: string },
): Promise<DemoServer>;
export function makeDemoShop(cluster: Cluster, options: { log: string }): Promise<string>;
