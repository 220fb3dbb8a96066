// Everything: types, lint, boundaries, dead code, format, unit and server tests, then the journeys in a browser.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { BUILT, SERVER_ARGS, ensureBuilt } from './lib/build.mjs';
import { compileChecks } from './lib/checks.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { checkNode, ensurePackages } from './lib/packages.mjs';
import { ROOT, testHome } from './lib/places.mjs';
import { openCluster } from './lib/postgres.mjs';
import { run, say } from './lib/say.mjs';
import { makeDemoShop } from './lib/testServer.mjs';

const bin = (name) => join(ROOT, 'node_modules', '.bin', name);
const LINT = [
  'lint',
  bin('eslint'),
  ['.', '--cache', '--cache-location', 'node_modules/.cache/eslint/', '--max-warnings', '0'],
];
const CHECKS = [
  ['types', process.execPath, ['node_modules/typescript7/bin/tsc', '-b']],
  [
    'boundaries',
    bin('depcruise'),
    [
      'core/src',
      'contract/src',
      'server/src',
      'web/src',
      'cli/src',
      'demo/src',
      '--config',
      '.dependency-cruiser.cjs',
    ],
  ],
  ['dead code', bin('knip'), []],
  ['format', bin('prettier'), ['--check', '.']],
];

/** How each kind of suite says how many passed and failed. */
const MOCHA = [/(\d+) passing/, /(\d+) failing/];
const PLAYWRIGHT = [/(\d+) passed/, /(\d+) failed/];

const counts = { passed: 0, failed: 0 };
/** What failed, told once more at the end: a long run is read from there. */
const failures = [];

await run(async () => {
  checkNode();
  ensurePackages();
  ensureChromium();
  const home = testHome();
  const cluster = await openCluster({ home, isThrowaway: true });
  rmSync(join(ROOT, 'test-results'), { recursive: true, force: true });
  mkdirSync(join(ROOT, 'test-results'));
  try {
    await compileChecks(); // which types and tests read
    const linting = quiet(LINT); // takes as long as the other checks and half the tests together
    for (const check of CHECKS) report(check, await quiet(check));
    await ensureBuilt(); // several tests start the program as it is shipped
    await suite(
      'unit and server tests',
      bin('mocha'),
      ['--exit', '--parallel', '--jobs', '2'], // of files, which share nothing but the cluster
      {
        SALTFLAT_TEST_DATABASE: cluster.url,
        SALTFLAT_BUILT_SERVER: JSON.stringify(SERVER_ARGS),
        SALTFLAT_BUILT_PROGRAMS: dirname(BUILT.server),
      },
    );
    await suite(
      'component tests',
      bin('mocha'),
      ['--config', 'web/testing/.mocharc.json', '--exit'], // apart: they stand on a document, which servers must not see
      { TSX_TSCONFIG_PATH: join(ROOT, 'web', 'tsconfig.json') },
    );
    report(LINT, await linting);
    const log = join(home, 'server.log');
    const shop = await makeDemoShop(cluster, { log }); // each file of journeys has a copy to itself
    const { bin: programs, url, env } = cluster;
    await suite(
      'journeys',
      bin('playwright'),
      ['test', '--config', 'e2e/playwright.config.ts'],
      {
        SALTFLAT_E2E_CLUSTER: JSON.stringify({ bin: programs, url, env }),
        SALTFLAT_E2E_SHOP: shop,
        SALTFLAT_E2E_LOG: log,
      },
      PLAYWRIGHT,
    );
    tellPages();
  } finally {
    cluster.stop();
  }
  for (const failure of failures) say(`\n${failure}`);
  say(`${counts.passed} passed, ${counts.failed} failed`);
  if (counts.failed > 0) process.exitCode = 1;
});

function report([name], { code, text }) {
  say(`\n— ${name}`);
  if (code !== 0) {
    process.stdout.write(text);
    failures.push(`— ${name}\n${text.slice(-2000)}`);
  }
  counts[code === 0 ? 'passed' : 'failed']++;
}

async function suite(name, command, args, env, [passed, failed] = MOCHA) {
  say(`\n— ${name}`);
  const { code, text } = await stream(command, args, env);
  const count = (pattern) => Number(pattern.exec(text)?.[1] ?? 0);
  counts.passed += count(passed);
  counts.failed += Math.max(count(failed), code === 0 ? 0 : 1);
  if (code !== 0) failures.push(`— ${name}\n${text.slice(Math.max(0, text.search(failed)))}`);
}

/** What was on the page when a journey failed, by headings and what is said: the machine it failed on may be gone by then. */
function tellPages() {
  const results = join(ROOT, 'test-results');
  for (const name of readdirSync(results)) {
    const file = join(results, name, 'error-context.md');
    if (!existsSync(file)) continue;
    const [, page = ''] = readFileSync(file, 'utf8').split('```yaml');
    const told = page
      .split('```')[0]
      .split('\n')
      .filter((line) => /- '?(heading|alert|status|dialog)/.test(line));
    failures.push(
      `— the page of ${name}\n${told
        .slice(0, 25)
        .map((line) => line.trim().slice(0, 200))
        .join('\n')}`,
    );
  }
}

/** Several at once would mix their lines: what one says is kept until it is done. */
function quiet([, command, args]) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      env: { ...process.env, FORCE_COLOR: '0' },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let text = '';
    for (const out of [child.stdout, child.stderr]) out.on('data', (data) => (text += data));
    child.on('close', (code) => resolve({ code, text }));
  });
}

function stream(command, args, env) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      env: { ...process.env, ...env, FORCE_COLOR: '0' },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let text = '';
    child.stdout.on('data', (data) => {
      text += data;
      process.stdout.write(data);
    });
    child.on('close', (code) => resolve({ code, text }));
  });
}
