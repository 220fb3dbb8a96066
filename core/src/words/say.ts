import type { AnySaid } from './said.ts';
import type { Sentences } from './sentences.ts';

// apart from the sentences: who only says something need not carry all of them

export type Code = keyof Sentences;
type ParamsOf<C extends Code> = Parameters<Sentences[C]> extends [infer P, ...unknown[]] ? P : object;

/** What is said, as data: a code with what the sentence of that code asks for. */
export interface Said extends AnySaid {
  code: Code;
}

/** Says something: its code, and the figures and names in it. */
export const say = <C extends Code>(
  code: C,
  ...[params]: Parameters<Sentences[C]> extends []
    ? []
    : object extends ParamsOf<C>
      ? []
      : [params: ParamsOf<C>]
): Said => ({ code, params: params ?? {} });

/** What is said twice, once. */
export const saidOnce = (all: readonly Said[]): Said[] => [
  ...new Map(all.map((said) => [JSON.stringify(said), said])).values(),
];
