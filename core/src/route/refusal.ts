import { inWords, say } from '../words/index.ts';
import type { Said, Speech, ThingName } from '../words/index.ts';
import type { Override } from './documents.ts';

/** Why a line cannot be planned as asked: a kind, what is said of it, and whose value it is about. */
export interface Refusal {
  /**
   * `not-possible`: the process cannot make this line; `not-set-up`: the shop lacks something it needs; the others are
   * about one value of a person: it names no setting of this route, cannot be set, or is no value of its kind.
   */
  kind: 'not-possible' | 'not-set-up' | 'no-such-setting' | 'beyond-ability' | 'not-of-its-kind';
  said: Said;
  /** The own value that is refused; `null` where none is. */
  override: Pick<Override, 'operation' | 'setting'> | null;
}

/** Leaves a practice that lacks something it cannot do without. Never leaves `planRoute`, which answers with a value. */
export class NotSetUp extends Error {
  override readonly name = 'NotSetUp';
  readonly thing: ThingName;
  readonly said: Said;
  constructor(thing: ThingName, of: string | null = null) {
    const said = say('refusal.not-set-up', { thing, of });
    super(inWords(said));
    this.thing = thing;
    this.said = said;
  }
}

/** There are some, and none of them can be used for this line. */
export class NoneFits extends Error {
  override readonly name = 'NoneFits';
  readonly said: Said;
  constructor(thing: ThingName, each: { name: string; why: Said }[]) {
    const said = say('refusal.none-fits', { thing, each });
    super(inWords(said));
    this.said = said;
  }
}

/** Refusals as one text. */
export const refusalText = (refusals: readonly Refusal[], speech?: Speech): string =>
  refusals.map(({ said }) => inWords(said, speech)).join(' ');
