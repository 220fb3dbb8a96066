import type { ComparisonAnswer } from '@saltflat/contract';
import type { Process } from '@saltflat/core/route';

type Plan = NonNullable<ComparisonAnswer['options'][number]['plan']>;

/** Judgements of look and hand, 0–1, with what is said of more and of less. */
const LOOKS = [
  ['opacity', 'covers better', 'covers less'],
  ['softness', 'softer', 'stiffer'],
  ['breathing', 'breathes more', 'breathes less'],
  ['stretch', 'stretches more', 'stretches less'],
] as const satisfies readonly [keyof Plan['look'], string, string][];
/** A difference that can be felt, of a judgement from 0 to 1; one cent. */
const FELT = 0.03;
const CENT = 0.5;

/**
 * What mending the art changes for the process that is chosen: the price of a piece and how it looks and feels.
 *
 * @param before the comparison for the file as it came
 * @param after the same for the art as it is mended
 * @param money writes an amount
 * @returns a sentence, or nothing where one of the two cannot be made
 */
export function mendEffect(
  before: ComparisonAnswer | undefined,
  after: ComparisonAnswer | undefined,
  process: Process,
  money: (cents: number) => string,
): string | null {
  const [was, is] = [planOf(before, process), planOf(after, process)];
  if (!was || !is) return null;
  const cents = is.cost.totalCents - was.cost.totalCents;
  const price =
    Math.abs(cents) < CENT
      ? `costs as much as the file as it came, ${money(is.cost.totalCents)}`
      : `costs ${money(is.cost.totalCents)} instead of ${money(was.cost.totalCents)}`;
  const look = LOOKS.flatMap(([key, more, less]) => {
    const by = is.look[key] - was.look[key];
    return Math.abs(by) < FELT ? [] : [by > 0 ? more : less];
  });
  return `Mended, a piece ${price}${look.length === 0 ? ' and feels the same' : `: ${look.join(', ')}`}.`;
}

const planOf = (answer: ComparisonAnswer | undefined, process: Process): Plan | null | undefined =>
  answer?.options.find((option) => option.process === process)?.plan;
