import { PART, phraseIn } from '@saltflat/core/language';
import { Fragment, createElement } from 'react';
import { LANGUAGE } from './t.ts';

/** {@link t} with parts that are more than text, as a name in bold: the language says where each of them goes. */
export function rich(english: string, parts: Readonly<Record<string, React.ReactNode>>): React.ReactNode {
  const pieces = phraseIn(english, LANGUAGE).split(PART); // text and names of parts by turns
  return createElement(Fragment, null, ...pieces.map((piece, i) => (i % 2 === 0 ? piece : parts[piece])));
}
