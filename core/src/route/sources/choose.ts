import { say } from '../../words/index.ts';
import type { Said, ThingName } from '../../words/index.ts';
import type { Named } from '../machines.ts';
import { NoneFits, NotSetUp } from '../refusal.ts';

/** How well a thing of the set-up suits a line. */
export interface Fit {
  /** Why it cannot be used at all; `null` where it can. */
  against: Said | null;
  /** What speaks against it where another is there, and how much: the least doubt goes first. */
  doubts: { said: Said; weight: number }[];
}

/** A candidate with how it fits. */
export interface Candidate<T> {
  thing: T;
  fit: Fit;
}

/** What a line is made with in one role, and what was left. */
export interface Choice<T extends Named> {
  chosen: T;
  why: Said;
  others: { id: string; name: string; why: Said; isPossible: boolean }[];
}

/** A person's own choice: an id of the set-up. */
export interface Preference {
  id: string;
  who: string;
  why: string;
}

const weightOf = ({ fit: { doubts } }: Candidate<unknown>): number =>
  doubts.reduce((sum, { weight }) => sum + weight, 0);

const heaviest = ({ fit: { doubts } }: Candidate<unknown>): Said | null =>
  [...doubts].sort((p, q) => q.weight - p.weight)[0]?.said ?? null;

/**
 * The candidate that fits best: a person's own first, then the one with the least doubt, then the shop's order.
 *
 * @throws NotSetUp where there is none at all
 * @throws NoneFits where there are some and none can be used: it names each and why
 */
export function choose<T extends Named>(
  thing: ThingName,
  candidates: readonly Candidate<T>[],
  preferred: Preference | null,
): Choice<T> {
  if (candidates.length === 0) throw new NotSetUp(thing);
  const possible = candidates.filter(({ fit }) => fit.against === null);
  const [best] = [...possible].sort((p, q) => weightOf(p) - weightOf(q));
  if (best === undefined)
    throw new NoneFits(
      thing,
      candidates.flatMap(({ thing: { name }, fit: { against } }) =>
        against ? [{ name, why: against }] : [],
      ),
    );
  const own = possible.find(({ thing: { id } }) => id === preferred?.id);
  const taken = own ?? best;
  return {
    chosen: taken.thing,
    why: own && preferred ? say('source.person', preferred) : reasonFor(best, possible),
    others: candidates.filter((other) => other !== taken).map((other) => leftOut(other, taken)),
  };
}

function reasonFor(best: Candidate<Named>, possible: readonly Candidate<Named>[]): Said {
  if (possible.length === 1) return say('source.only');
  const earlier = possible.slice(0, possible.indexOf(best));
  const [passed] = earlier;
  const doubt = passed && heaviest(passed);
  return passed && doubt ? say('source.before', { other: passed.thing.name, doubt }) : say('source.first');
}

function leftOut(other: Candidate<Named>, taken: Candidate<Named>): Choice<Named>['others'][number] {
  const { id, name } = other.thing;
  const { against } = other.fit;
  const doubt = weightOf(other) > weightOf(taken) ? heaviest(other) : null;
  return { id, name, why: against ?? doubt ?? say('source.later'), isPossible: against === null };
}
