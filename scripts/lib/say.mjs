/** A failure that is told as one plain sentence, without a stack trace. */
export class Plain extends Error {}

/** Runs a script's main and tells a failure plainly. */
export async function run(main) {
  try {
    await main();
  } catch (error) {
    process.stderr.write(`${error instanceof Plain ? error.message : (error?.stack ?? String(error))}\n`);
    process.exitCode = 1;
  }
}

export const say = (text) => process.stdout.write(`${text}\n`);
