import { isLanguage, phrase } from '@saltflat/core/language';
import type { Language, PhraseParts } from '@saltflat/core/language';
import { OWN_KEY, SHOP_KEY, remembered } from '../units/remembered.ts';

/** The language of the page, read once: names and headings are made with it before anything is shown. Another takes a reload. */
export const LANGUAGE: Language = (() => {
  const { language } = { ...remembered(SHOP_KEY), ...remembered(OWN_KEY) } as { language?: unknown };
  return isLanguage(language) ? language : 'en';
})();

/** A phrase of the page in the language it is read in. @param english with {parts} in braces, by which it is looked up */
export const t = (english: string, parts?: PhraseParts): string => phrase(english, LANGUAGE, parts);
