import { t } from '../../words/t.ts';
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
      ? t('costs as much as the file as it came, {now}', { now: money(is.cost.totalCents) })
      : t('costs {now} instead of {before}', {
          now: money(is.cost.totalCents),
          before: money(was.cost.totalCents),
        });
  const look = LOOKS.flatMap(([key, more, less]) => {
    const by = is.look[key] - was.look[key];
    return Math.abs(by) < FELT ? [] : [t(by > 0 ? more : less)];
  });
  return look.length === 0
    ? t('Mended, a piece {price} and feels the same.', { price })
    : t('Mended, a piece {price}: {looks}.', { price, looks: look.join(', ') });
}

const planOf = (answer: ComparisonAnswer | undefined, process: Process): Plan | null | undefined =>
  answer?.options.find((option) => option.process === process)?.plan;
