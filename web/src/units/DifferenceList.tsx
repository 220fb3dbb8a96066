import { t } from '../words/index.ts';
import type { RouteDifference, Shown } from '@saltflat/core/route';
import { formatQuantity } from '@saltflat/core/units';
import { isSaid } from '@saltflat/core/words';
import { useUnits } from './writingSlice.ts';
import { useWords } from './useWords.ts';
import { Stack } from '../ui/index.ts';

/** What differs, one a line: where, what, before and after, in the units that are shown. */
export function DifferenceList({ differences }: { differences: readonly RouteDifference[] }) {
  const system = useUnits();
  const words = useWords();
  const written = (shown: Shown): string => {
    if (typeof shown === 'string') return shown;
    return isSaid(shown) ? words(shown) : formatQuantity(shown.value, shown.kind, system);
  };
  return (
    <Stack as="ul" gap={4}>
      {differences.map(({ operation, what, before, after }, i) => (
        <li key={i}>
          <span className="muted">
            {operation}, {what}:
          </span>{' '}
          {before !== null && <s className="muted">{written(before)}</s>}
          {before !== null && after !== null && ' → '}
          {after !== null && <strong>{written(after)}</strong>}
          {after === null && before !== null && t(' gone')}
        </li>
      ))}
    </Stack>
  );
}
