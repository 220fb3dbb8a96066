import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect } from 'chai';
import { eachRoute } from '../fixtures/index.ts';
import { PARTS, ROLES, SETTING_ROLES, STATIONS } from '../work/index.ts';
import { PROCESS_MODULES } from './index.ts';

const ROOT = fileURLToPath(new URL('../../..', import.meta.url));
const PLACES = ['core/src', 'contract/src', 'server/src', 'web/src', 'cli/src', 'demo/src', 'bench'];

/** May know names: the planner itself, made-up data of tests, and what reads documents from before roles were kept. */
const MAY_KNOW = [
  /^core\/src\/route\//,
  /\.test\.tsx?$/,
  /\/fixtures\//,
  /\/formats\/routeOfWork\.ts$/,
  /\/migrations\//,
];

/** Names that other things have as well: a unit, a material's property, a column of the ledger. */
const ALSO_ELSEWHERE = ['kPa', 'gM2', 'dwellS'];

const sources = (): { path: string; text: string }[] =>
  PLACES.flatMap((place) =>
    readdirSync(join(ROOT, place), { recursive: true, encoding: 'utf8' })
      .filter((name) => /\.tsx?$/.test(name) && !name.includes('node_modules'))
      .map((name) => `${place}/${name}`),
  )
    .filter((path) => MAY_KNOW.every((own) => !own.test(path)))
    .map((path) => ({ path, text: readFileSync(join(ROOT, path), 'utf8') }));

describe('what an operation or a setting is called', () => {
  it('means nothing outside the planner: nobody else reads a role, a machine or a value from a name', () => {
    const ids = new Set(
      Object.values(PROCESS_MODULES).flatMap(({ practices }) => practices.map(({ id }) => id)),
    );
    const keys = new Set<string>();
    eachRoute(({ operations }) => {
      for (const { settings } of operations) for (const { key } of settings) keys.add(key);
    }, 300);
    expect(ids.size).to.be.above(20);
    expect(keys.size).to.be.above(10);
    const words = new Set<string>([...ROLES, ...PARTS, ...STATIONS, ...SETTING_ROLES, ...ALSO_ELSEWHERE]);
    const names = [...ids, ...keys];
    const own = names.filter((name) => !words.has(name));
    const shared = names.filter((name) => words.has(name));
    const literal = new RegExp(`['"\`](?:${own.join('|')})['"\`]`, 'g');
    // words of the vocabulary may stand anywhere but beside a name
    const compared = new RegExp(
      `\\b(?:id|operation|key|setting)\\s*[!=]==\\s*['"](?:${shared.join('|')})['"]`,
      'g',
    );
    const found = sources().flatMap(({ path, text }) =>
      [literal, compared].flatMap((pattern) => [...text.matchAll(pattern)].map(([at]) => `${path}: ${at}`)),
    );
    expect(found).to.deep.equal([]);
  });
});
