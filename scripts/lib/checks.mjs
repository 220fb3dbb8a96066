import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { ROOT } from './places.mjs';

/** Where the checks of forms are compiled to: made anew whenever something is built, typed or tested. */
const SHEETS = join(ROOT, 'web', 'src', 'form', 'checks');

const TYPES = `import type { Check } from '../check.ts';

/** Compiled of the schemas in contract/src/forms.ts; see scripts/lib/checks.mjs. */
declare const checks: Readonly<Record<string, Check>>;
export default checks;
`;

/**
 * Compiles the schemas that forms are checked by into plain code, a file for each sheet: a page may not make code of text, so
 * Ajv cannot do it there.
 */
export async function compileChecks() {
  const { build } = await import('esbuild');
  const { FORMS, AJV_OPTIONS, FOR_PEOPLE } = await bundled(
    build,
    'export * from "./forms.ts"; export { AJV_OPTIONS, FOR_PEOPLE } from "./faults.ts";',
  );
  const fromContract = createRequire(join(ROOT, 'contract', 'package.json')); // its Ajv, not that of a tool
  const { Ajv, _ } = fromContract('ajv');
  const { default: standalone } = fromContract('ajv/dist/standalone');
  const { default: addFormats } = fromContract('ajv-formats');
  mkdirSync(SHEETS, { recursive: true });
  for (const [sheet, schemas] of Object.entries(FORMS)) {
    const ajv = new Ajv({
      ...AJV_OPTIONS,
      code: { source: true, formats: _`require("ajv-formats/dist/formats").fullFormats` },
    });
    addFormats(ajv);
    ajv.addVocabulary([...FOR_PEOPLE]);
    for (const [name, schema] of Object.entries(schemas)) ajv.addSchema(schema, name);
    const contents = standalone(ajv, Object.fromEntries(Object.keys(schemas).map((name) => [name, name])));
    const { outputFiles } = await build({
      stdin: { contents, resolveDir: join(ROOT, 'contract'), loader: 'js' },
      write: false,
      bundle: true,
      format: 'esm',
      target: 'es2022',
      minify: true,
      logLevel: 'error',
    });
    put(`${sheet}.js`, outputFiles[0].text);
    put(`${sheet}.d.ts`, TYPES);
  }
}

/** What is as it was stays untouched: whoever looks at its time need not build anew. */
function put(name, text) {
  const path = join(SHEETS, name);
  if (!existsSync(path) || readFileSync(path, 'utf8') !== text) writeFileSync(path, text);
}

/** What a piece of the contract exports, without having been built before. */
async function bundled(build, contents) {
  const { outputFiles } = await build({
    stdin: { contents, resolveDir: join(ROOT, 'contract', 'src'), loader: 'ts' },
    bundle: true,
    write: false,
    platform: 'node',
    format: 'esm',
    logLevel: 'error',
  });
  return import(`data:text/javascript;base64,${Buffer.from(outputFiles[0].contents).toString('base64')}`);
}
