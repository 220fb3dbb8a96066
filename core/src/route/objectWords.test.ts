import { expect } from 'chai';
import { BLANK_KINDS } from '../blank/index.ts';
import type { BlankKind } from '../blank/index.ts';
import {
  at,
  cap,
  cottonTee,
  hoodie,
  lineOf,
  plannedOrNull,
  shelf,
  shopWith,
  small,
} from '../fixtures/index.ts';
import { placementsOn } from '../placement/index.ts';
import { allInWords, inWords } from '../words/index.ts';
import { PROCESSES } from './index.ts';
import type { Route } from './index.ts';

/** What is said of a route to those who work by it. */
const wordsOf = ({ operations, prints }: Route): string[] => [
  ...operations.flatMap(({ title, checks, look, settings, waitAfter }) => [
    title,
    ...allInWords(checks),
    inWords(look),
    ...settings.flatMap(({ reasons }) => allInWords(reasons.map(({ said }) => said))),
    ...(waitAfter ? [inWords(waitAfter.why)] : []),
  ]),
  ...prints.flatMap(({ placement: { rule, problems } }) =>
    allInWords([rule, ...problems.flatMap(({ said, waysOut }) => [said, ...waysOut])]),
  ),
];

const WITH_COLLAR: readonly BlankKind[] = [
  'tee',
  'performance-shirt',
  'sweatshirt',
  'hoodie',
  'jacket',
  'bib',
  'top',
];

/** Parts that only some things have, by the words for them. */
const PARTS: readonly [words: RegExp, has: (kind: BlankKind, process: string) => boolean][] = [
  [/\bcollar/i, (kind) => WITH_COLLAR.includes(kind)],
  [/\bcaps?\b|\bcrown|\bbrim|\bpeak\b/i, isCapKind],
  [/\bpatch/i, (kind, process) => kind === 'patch' || process === 'patch-cap'],
  [/\bfilm|\bpowder/i, (_, process) => process !== 'dtg'],
  [/\bpretreat/i, (_, process) => process === 'dtg'],
];

function isCapKind(kind: BlankKind): boolean {
  return kind.startsWith('cap-');
}

/** Every kind of blank at each of its places by each process, small enough to fit. */
const EVERYWHERE = BLANK_KINDS.flatMap((kind) =>
  placementsOn(kind).flatMap((place) => PROCESSES.map((process) => ({ kind, place, process }))),
);

describe('the words of a route', () => {
  it('name a collar, a cap, a patch, a film or a pretreatment only where there is one', () => {
    const named = new Set<RegExp>();
    for (const { kind, place, process } of EVERYWHERE) {
      const garment = { ...(isCapKind(kind) ? cap : cottonTee), kind, features: [] };
      const route = plannedOrNull(lineOf({ process, garment, ...small(place), ...shopWith({ shelf }) }));
      const lines = route === null ? [] : wordsOf(route);
      for (const [part, has] of PARTS) {
        const found = lines.find((line) => part.test(line));
        if (found === undefined) continue;
        named.add(part);
        expect(has(kind, process), `${kind}, ${place}, ${process}: ${found}`).to.equal(true);
      }
    }
    expect(named.size, 'each is named somewhere').to.equal(PARTS.length);
  });

  it('never tell of a bare garment where a pad lies under the print, nor of a pad where none is wanted', () => {
    const seen = new Set<boolean>();
    for (const feature of ['pocket', 'zip', 'thick-seams', 'hood', 'drawcord'] as const)
      for (const place of [at('full-front'), at('back'), small('left-chest'), small('left-sleeve')])
        for (const process of PROCESSES) {
          const garment = { ...hoodie, features: [feature] };
          const low = { ...place.placement, dropMm: place.placement.dropMm + 60 };
          const route = plannedOrNull(
            lineOf({ process, garment, ...place, placement: low, ...shopWith({ shelf }) }),
          );
          if (route === null) continue;
          const isPadded = route.prints[0].placement.needs.some(({ what }) => what === 'pad');
          const codes = new Set(route.operations.flatMap(({ checks }) => checks.map(({ code }) => code)));
          const named = `${feature}, ${place.placement.key}, ${process}`;
          expect(codes.has('check.nothing-under'), named).to.equal(!isPadded);
          if (isPadded) expect(codes.has('check.flat-under-plate'), named).to.equal(false);
          else
            expect(codes.has('check.pad-in-place') || codes.has('check.pocket-padded'), named).to.equal(
              false,
            );
          seen.add(isPadded);
        }
    expect(seen.size, 'there are both').to.equal(2);
  });
});
