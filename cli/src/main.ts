import { runCommand } from './commands.ts';

try {
  process.stdout.write(`${JSON.stringify(await runCommand(process.argv.slice(2)), null, 2)}\n`);
} catch (error) {
  const sentence = error instanceof Error ? error.message.split('\n')[0] : String(error);
  process.stderr.write(`${sentence ?? ''}\n`);
  process.exitCode = 1;
}
