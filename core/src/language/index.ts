export { LANGUAGES, LANGUAGE_TAGS, PART, inEnglish, isLanguage, phrase, phraseIn } from './language.ts';
export type { Language, PhraseParts, Phrasing } from './language.ts';
