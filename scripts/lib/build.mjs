import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { compileChecks } from './checks.mjs';
import { say } from './say.mjs';
import { ROOT } from './places.mjs';

const SOURCES = [
  'core/src',
  'contract/src',
  'server/src',
  'demo/src',
  'web/src',
  'web/index.html',
  'web/vite.config.ts',
  'scripts/lib/checks.mjs',
  'package-lock.json',
];

/** Where the built parts are. */
export const BUILT = { server: join(ROOT, 'server', 'dist', 'main.js'), web: join(ROOT, 'web', 'dist') };

/** How the built server is run. V8 lets a heap without a bound grow to several times what is alive before it tidies up. */
export const SERVER_ARGS = ['--max-old-space-size=1024', BUILT.server];

// Own code, and packages that another workspace may hold in another version than the one found from the server's folder.
const BUNDLED =
  /^(@saltflat\/|ajv|fast-deep-equal|fast-uri|json-schema-traverse|require-from-string|typebox)/;

/** Builds server and web unless what is built is of these sources. */
export async function ensureBuilt() {
  const stamp = join(ROOT, 'server', 'dist', '.built-of');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === fingerprint()) return;
  say('Building …');
  await compileChecks(); // which the pages are built of
  const wanted = fingerprint();
  await Promise.all([buildServer(), buildWeb()]);
  mkdirSync(join(ROOT, 'server', 'dist'), { recursive: true });
  writeFileSync(stamp, wanted);
}

async function buildServer() {
  const { build } = await import('esbuild');
  await build({
    absWorkingDir: join(ROOT, 'server'),
    entryPoints: {
      main: 'src/main.ts',
      pictureProcess: 'src/pictures/pictureProcess.ts',
      paperThread: 'src/jobs/paperThread.ts',
      coreThread: 'src/jobs/coreThread.ts',
    },
    outdir: 'dist',
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    logLevel: 'error',
    banner: {
      js: "import { createRequire as makeRequire } from 'node:module'; const require = makeRequire(import.meta.url);",
    },
    plugins: [
      {
        name: 'own-code-only',
        setup: (own) =>
          own.onResolve({ filter: /^[^./]/ }, ({ path }) =>
            BUNDLED.test(path) ? null : { path, external: true },
          ),
      },
    ],
  });
}

async function buildWeb() {
  const { build } = await import('vite');
  const { NODE_ENV } = process.env;
  await build({ root: join(ROOT, 'web'), logLevel: 'error' });
  // it sets “production” for the whole process: what is started from here later is none of its business
  if (NODE_ENV === undefined) delete process.env.NODE_ENV;
  else process.env.NODE_ENV = NODE_ENV;
}

function fingerprint() {
  const hash = createHash('sha256');
  const visit = (path) => {
    const stat = statSync(path);
    if (stat.isDirectory()) for (const name of readdirSync(path).sort()) visit(join(path, name));
    else hash.update(`${path}:${stat.size}:${stat.mtimeMs};`);
  };
  for (const source of SOURCES) visit(join(ROOT, source));
  return hash.digest('hex');
}
