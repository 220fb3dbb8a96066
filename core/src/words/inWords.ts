import { phraseIn } from '../language/index.ts';
import type { AnySaid, Tell } from './said.ts';
import type { Code } from './say.ts';
import { SENTENCES } from './sentences.ts';
import { Figures, METRIC_ENGLISH } from './speech.ts';
import type { Speech } from './speech.ts';

type Sentence = (params: object, figures: Figures, tell: Tell) => string;

/**
 * Puts what is said into words.
 *
 * @param said with the figures its code asks for; a code this program does not know is shown as it is
 * @param speech units and language of who reads it
 */
export const inWords = (said: AnySaid, speech: Speech = METRIC_ENGLISH): string => teller(speech)(said);

/** Tells sentence after sentence to one reader. */
function teller(speech: Speech): Tell {
  const figures = new Figures(speech);
  const tell = ({ code, params }: AnySaid): string =>
    Object.hasOwn(SENTENCES, code) ? (SENTENCES[code as Code] as Sentence)(params, figures, tell) : code;
  // the sentences are written in English alone as yet: another language has a table of its own here
  return (said) => phraseIn(tell(said), speech.language);
}

/** {@link inWords} for several, one after the other. */
export const allInWords = (said: readonly AnySaid[], speech: Speech = METRIC_ENGLISH): string[] =>
  said.map(teller(speech));

export const isCode = (text: string): text is Code => Object.hasOwn(SENTENCES, text);

/** The codes inside what is said, itself first: a conflict's limit, a reason's reason. */
export function codesIn({ code, params }: AnySaid): string[] {
  return [code, ...saidInside(params).flatMap(codesIn)];
}

function saidInside(value: unknown): AnySaid[] {
  if (isSaid(value)) return [value];
  if (typeof value !== 'object' || value === null) return [];
  return Object.values(value).flatMap(saidInside);
}

/** True for a sentence that is kept as data. */
export const isSaid = (value: unknown): value is AnySaid =>
  typeof value === 'object' &&
  value !== null &&
  typeof (value as Partial<AnySaid>).code === 'string' &&
  typeof (value as Partial<AnySaid>).params === 'object';

/**
 * A document with the words beside each code, for readers that speak to people.
 *
 * @returns a copy in which every `{ code, params }` has its `text`
 */
export const withWords = <T>(document: T, speech: Speech = METRIC_ENGLISH): T =>
  withTold(document, teller(speech)) as T;

function withTold(value: unknown, tell: Tell): unknown {
  if (Array.isArray(value)) return value.map((own) => withTold(own, tell));
  if (typeof value !== 'object' || value === null) return value;
  if (isSaid(value) && !('source' in value)) return { ...value, text: tell(value) };
  const copy: Record<string, unknown> = {};
  for (const [key, own] of Object.entries(value)) copy[key] = withTold(own, tell);
  return copy;
}
