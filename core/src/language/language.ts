/**
 * Languages things can be said in. The made-up one is English with other, longer letters: whoever walks through the program
 * in it sees at once what is not said by way of the words, and what has no room for a longer word.
 */
export const LANGUAGES = ['en', 'made-up'] as const;
export type Language = (typeof LANGUAGES)[number];

export const isLanguage = (text: unknown): text is Language => LANGUAGES.some((own) => own === text);

/** The IETF tag that a page and a paper in it carry, and by which days are written. */
export const LANGUAGE_TAGS: Record<Language, string> = { en: 'en', 'made-up': 'en-x-made-up' };

/** What may stand in a phrase. */
export type PhraseParts = Readonly<Record<string, string | number>>;

/** How a language says an English phrase; what it has no phrase for stays English. */
const SAYS: Record<Language, (english: string) => string> = {
  en: (english) => english,
  'made-up': lengthened,
};

/** An English phrase in a language, its parts not yet filled in. */
export const phraseIn = (english: string, language: Language): string => SAYS[language](english);

/**
 * A phrase of a page or a paper: what is short and stands alone, where a sentence with figures is said by its code.
 *
 * @param english as "{count} of {of} pieces": the phrase is looked up by it
 * @param parts figures and names, as they are to be written; a part that is not given stays as it is
 */
export const phrase = (english: string, language: Language, parts: PhraseParts = {}): string =>
  phraseIn(english, language).replace(PART, (whole, name: string) => String(parts[name] ?? whole));

/** Where a part goes. */
export const PART = /\{(\w+)\}/g;

/** Says phrases in one language. */
export type Phrasing = (english: string, parts?: PhraseParts) => string;

/** As logs and documents have them. */
export const inEnglish: Phrasing = (english, parts) => phrase(english, 'en', parts);

const LONGER: Readonly<Record<string, string>> = {
  a: 'áä',
  e: 'éë',
  i: 'íï',
  o: 'óö',
  u: 'úü',
  y: 'ýÿ',
};

/** Words with every vowel twice and marked, half as long again; parts in braces and abbreviations stay. */
function lengthened(english: string): string {
  return english
    .split(/(\{\w+\})/)
    .map((text) =>
      text.startsWith('{')
        ? text
        : text.replace(/[A-Za-z]+/g, (word) => (/^[A-Z]{2,}$/.test(word) ? word : longer(word))),
    )
    .join('');
}

function longer(word: string): string {
  const vowels = word.replace(/[aeiouy]/gi, (letter) => {
    const [first = letter, second = letter] = LONGER[letter.toLowerCase()] ?? letter;
    return letter === letter.toLowerCase() ? `${first}${second}` : `${first.toUpperCase()}${second}`;
  });
  const wanted = Math.round(1.5 * word.length);
  return word.length < 3 ? vowels : vowels + vowels.slice(-1).repeat(Math.max(0, wanted - vowels.length));
}

/** Units, kinds of files and keys of a keyboard are the same in any language. */
const SAME =
  /^(min|in|oz|fl|px|am|pm|psi|mil|kpa|csv|pdf|json|png|jpeg|tiff|svg|esc|enter|space|alt|saltflat)$/i;

/** Words of a text. */
export const wordsIn = (text: string): string[] => text.match(/\p{L}{2,}/gu) ?? [];

/**
 * Words that were not said by way of the made-up language, which marks every vowel.
 *
 * @param known words that people of the shop have written, as names
 */
export const leftInEnglish = (text: string, known: ReadonlySet<string> = new Set()): string[] =>
  wordsIn(text).filter(
    (word) => /^[A-Za-z]*[aeiou][A-Za-z]*$/i.test(word) && !SAME.test(word) && !known.has(word),
  );
