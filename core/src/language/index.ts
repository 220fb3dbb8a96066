export {
  LANGUAGES,
  LANGUAGE_TAGS,
  PART,
  inEnglish,
  isLanguage,
  leftInEnglish,
  phrase,
  phraseIn,
  wordsIn,
} from './language.ts';
export type { Language, PhraseParts, Phrasing } from './language.ts';
