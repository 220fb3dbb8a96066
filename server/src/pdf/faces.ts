import { createRequire } from 'node:module';

const require = createRequire(import.meta.url);

/** Families in the order they are asked: our own letters first, then those that have the world's. */
const FAMILIES = ['archivo', 'noto-sans', 'noto-sans-arabic', 'noto-sans-sc', 'noto-sans-kr'] as const;
type Family = (typeof FAMILIES)[number];
/** Of each family's parts these come first: what both have is taken from them. */
const FIRST: readonly string[] = ['latin', 'latin-ext'];

/** A file that has some of a family's letters. */
interface Part {
  family: Family;
  name: string;
  ranges: readonly (readonly [from: number, to: number])[];
}

/** A stretch of text that one file has all letters of. */
export interface Run {
  text: string;
  /** Its words are set as one, from right to left, rather than each by itself. */
  isWhole: boolean;
  /** Its file, by weight. */
  file: (weight: 400 | 600) => string;
}

let parts: readonly Part[] | null = null;
const known = new Map<number, Part>();

/** Written from right to left. */
const RIGHT_TO_LEFT: readonly Family[] = ['noto-sans-arabic'];

/**
 * Splits a text into stretches by the files that have its letters. A blank between two words of one file stays with them: words
 * that are written from right to left keep their order.
 */
export function splitByFace(text: string): Run[] {
  const runs: { part: Part; text: string }[] = [];
  for (const letter of text) {
    const last = runs[runs.length - 1];
    const part = last && letter === ' ' ? last.part : partOf(letter.codePointAt(0) ?? 0);
    if (last?.part === part) last.text += letter;
    else runs.push({ part, text: letter });
  }
  return runs.flatMap(({ part, text: own }): Run[] => {
    const file = (weight: 400 | 600): string => fileOf(part, weight);
    const isWhole = RIGHT_TO_LEFT.includes(part.family);
    const words = own.trimEnd();
    if (!isWhole || words === own) return [{ text: own, isWhole, file }];
    // the blank after such words stands at their right, before what comes next
    return [
      { text: words, isWhole, file },
      { text: own.slice(words.length), isWhole: false, file },
    ];
  });
}

function partOf(code: number): Part {
  const before = known.get(code);
  if (before) return before;
  parts ??= FAMILIES.flatMap(partsOf);
  const [first] = parts;
  if (!first) throw new Error('there are no letters');
  const part = parts.find(({ ranges }) => ranges.some(([from, to]) => code >= from && code <= to)) ?? first; // an empty box stands for it
  known.set(code, part);
  return part;
}

function partsOf(family: Family): Part[] {
  const written = require(`@fontsource/${family}/unicode.json`) as Record<string, string>;
  const rank = (name: string): number => (FIRST.includes(name) ? FIRST.indexOf(name) : FIRST.length);
  return Object.entries(written)
    .map(([name, text]) => ({
      family,
      name: name.replace(/[[\]]/g, ''),
      ranges: text.split(',').map((own) => {
        const [from = '', to = from] = own.replace('U+', '').split('-');
        return [parseInt(from, 16), parseInt(to, 16)] as const;
      }),
    }))
    .sort((p, q) => rank(p.name) - rank(q.name));
}

const fileOf = ({ family, name }: Part, weight: 400 | 600): string =>
  require.resolve(`@fontsource/${family}/files/${family}-${name}-${weight}-normal.woff`);
