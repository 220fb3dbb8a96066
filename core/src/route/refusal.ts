import type { Override } from './documents.ts';

/** Why a line cannot be planned as asked: a kind for programs, a sentence for people. */
export interface Refusal {
  /**
   * `not-possible`: the process cannot make this line; `not-set-up`: the shop lacks something it needs; the others are
   * about one value of a person: it names no setting of this route, cannot be set, or is no value of its kind.
   */
  code: 'not-possible' | 'not-set-up' | 'no-such-setting' | 'beyond-ability' | 'not-of-its-kind';
  text: string;
  /** The own value that is refused; `null` where none is. */
  override: Pick<Override, 'operation' | 'setting'> | null;
}

/** Leaves a practice that lacks something it cannot do without. Never leaves `planRoute`, which answers with a value. */
export class NotSetUp extends Error {
  override readonly name = 'NotSetUp';
}

/** Refusals as one text. */
export const refusalText = (refusals: readonly Refusal[]): string =>
  refusals.map(({ text }) => text).join(' ');
