import { pathToFileURL } from 'node:url';
import { join } from 'node:path';

/** What runs in a thread or process of its own, and whether it has to be read from source. */
export interface ProgramBeside {
  url: URL;
  isSource: boolean;
}

/**
 * A program that lies beside a module: from the bundle, or from source in tests. Reading one from source takes seconds each
 * time, so tests may say in `SALTFLAT_BUILT_PROGRAMS` which folder the built ones are in.
 *
 * @param besideUrl the module's own address
 * @param name without its ending
 */
export function programBeside(besideUrl: string, name: string): ProgramBeside {
  const built = process.env.SALTFLAT_BUILT_PROGRAMS;
  if (built) return { url: pathToFileURL(join(built, `${name}.js`)), isSource: false };
  const isSource = besideUrl.endsWith('.ts');
  return { url: new URL(`./${name}.${isSource ? 'ts' : 'js'}`, besideUrl), isSource };
}
