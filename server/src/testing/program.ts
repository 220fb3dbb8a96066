import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';

export interface Program {
  child: ChildProcess;
  url: string;
}
/** The program as it is shipped where it was built before (as for all tests), else from its sources. */
const BUILT = process.env.SALTFLAT_BUILT_SERVER;
export const PROGRAM =
  BUILT === undefined
    ? ['--import', 'tsx', fileURLToPath(new URL('../main.ts', import.meta.url))]
    : (JSON.parse(BUILT) as string[]);

/** The made-up shop is no larger than a test needs it. */
export const FEW_ORDERS = 6;

/** Starts the program as it is started anywhere: a process of its own. */
export function startProgram(databaseUrl: string, role: 'server' | 'worker' | 'all'): Promise<Program> {
  const child = spawn(process.execPath, PROGRAM, {
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      SALTFLAT_ROLE: role,
      SALTFLAT_PORT: '0',
      LOG_LEVEL: 'silent',
      SALTFLAT_DEMO_ORDERS: String(FEW_ORDERS),
    },
  });
  return new Promise((resolve, reject) => {
    child.on('message', (message: { port?: number; problem?: string }) =>
      message.problem === undefined
        ? resolve({ child, url: `http://127.0.0.1:${message.port ?? 0}/api/v1` })
        : reject(new Error(message.problem)),
    );
    child.on('exit', (code) => reject(new Error(`the ${role} stopped with ${code ?? 'a signal'}`)));
  });
}

/** Ends a process, and waits until it has. */
export const kill = (child: ChildProcess, signal: 'SIGKILL' | 'SIGTERM'): Promise<void> =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve();
    child.on('exit', () => resolve());
    child.kill(signal);
  });
