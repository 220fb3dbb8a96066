import { spawn } from 'node:child_process';
import { SERVER_ARGS } from './build.mjs';
import { Plain } from './say.mjs';

/**
 * Runs the built program for one task that ends: bringing a database up to date, writing or checking a backup, reading every place.
 *
 * @returns what it says of the task
 */
export async function runProgram(role, env) {
  const child = spawn(process.execPath, SERVER_ARGS, {
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    env: { ...process.env, NODE_ENV: 'production', LOG_LEVEL: 'silent', ...env, SALTFLAT_ROLE: role },
  });
  let done = null;
  let problem = 'the program ended without saying why';
  child.on('message', (said) => {
    if (said.problem) problem = said.problem;
    if ('done' in said) done = said.done;
  });
  const code = await new Promise((resolve) => child.on('exit', resolve));
  if (code !== 0) throw new Plain(problem);
  return done;
}
