import { ensureBuilt } from './lib/build.mjs';
import { run } from './lib/say.mjs';

await run(ensureBuilt);
