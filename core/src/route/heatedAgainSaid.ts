import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { Route, RoutePrint } from './documents.ts';
import { PROCESS_MODULES } from './processes/index.ts';

/**
 * What later prints' heat means for one that is on: by which, how often, how hot, how long, and what to do about it.
 *
 * @returns `null` where nothing heats it again
 */
export function heatedAgainSaid(
  { prints, operations }: Pick<Route, 'prints' | 'operations'>,
  { heatedAgain, process }: Pick<RoutePrint, 'heatedAgain' | 'process'>,
): Said | null {
  const heats = prints.flatMap(({ id, placement }) => {
    const own = heatedAgain.filter(
      ({ operation }) => operations.find((one) => one.id === operation)?.print === id,
    );
    const [first] = own;
    if (!first) return [];
    return [
      {
        place: placement.key,
        times: own.length,
        reach: first.reach,
        hottestC: Math.max(...own.map(({ tempC }) => tempC)),
        allS: own.reduce((sum, { durationS }) => sum + durationS, 0),
      },
    ];
  });
  if (heats.length === 0) return null;
  return say('heated-again', { heats, then: PROCESS_MODULES[process].heatedAgain.said });
}
