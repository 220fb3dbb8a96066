import { isLanguage, phrase } from '@saltflat/core/words';
import type { Language, PhraseParts } from '@saltflat/core/words';

/** Where a device keeps which language it is read in. */
const KEY = 'saltflat.language';

/** The language of the page, read once: another is for the next page that is opened. */
export const LANGUAGE: Language = (() => {
  const kept = typeof localStorage === 'undefined' ? null : localStorage.getItem(KEY);
  return isLanguage(kept) ? kept : 'en';
})();

/** A phrase of the page in the language it is read in. @param english with {parts} in braces, by which it is looked up */
export const t = (english: string, parts?: PhraseParts): string => phrase(english, LANGUAGE, parts);
