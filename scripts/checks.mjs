// Compiles the checks of forms, which types and tests read; everything else does it by itself.
import { compileChecks } from './lib/checks.mjs';
import { checkNode } from './lib/packages.mjs';
import { run } from './lib/say.mjs';

await run(async () => {
  checkNode();
  await compileChecks();
});
