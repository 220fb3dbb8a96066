import type { WorkPace } from '@saltflat/core/learn';
import { t } from '../../words/index.ts';

/** A factor on what routes assume, in words; to a hundredth, which is all anybody would plan by. */
export function factorWords(factor: number): string {
  const share = Math.round(100 * Math.abs(factor - 1));
  if (share === 0) return t('as long as assumed');
  return factor > 1
    ? t('{share} % longer than assumed', { share })
    : t('{share} % shorter than assumed', { share });
}

/** What the shop’s own times say of a piece of work: that is what it is planned by. */
export function paceWords({ hands, machine, count }: WorkPace): string {
  const parts = [
    ...(hands === 1 ? [] : [t('hands take {how}', { how: factorWords(hands) })]),
    ...(machine === 1 ? [] : [t('the machine takes {how}', { how: factorWords(machine) })]),
  ];
  return t('By {count} times of this shop: {parts}.', { count, parts: parts.join(', ') });
}
