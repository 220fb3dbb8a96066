import { formatDuration, formatQuantity } from '../units/index.ts';
import type { Route, RoutePrint } from './documents.ts';
import { PROCESS_MODULES } from './processes/index.ts';

const REACH = { 'under-plate': 'under the plate', through: 'through the fabric' } as const;

/**
 * What later prints' heat means for one that is on: by which, how often, how hot, how long, and what to do about it.
 *
 * @returns an empty text where nothing heats it again
 */
export function heatedAgainWords(
  { prints, operations }: Pick<Route, 'prints' | 'operations'>,
  { heatedAgain, process }: Pick<RoutePrint, 'heatedAgain' | 'process'>,
): string {
  const said = prints.flatMap(({ id, placement }) => {
    const own = heatedAgain.filter(
      ({ operation }) => operations.find((one) => one.id === operation)?.print === id,
    );
    const [first] = own;
    if (!first) return [];
    const hottest = Math.max(...own.map(({ tempC }) => tempC));
    const allS = own.reduce((sum, { durationS }) => sum + durationS, 0);
    const often = own.length === 1 ? 'once' : `${own.length} times`;
    return [
      `for the ${placement.label.toLowerCase()} ${often}, ${REACH[first.reach]}, up to ${formatQuantity(hottest, 'temperature')}, ${formatDuration(Math.round(allS))} in all`,
    ];
  });
  if (said.length === 0) return '';
  return `Heated again ${said.join('; ')}. ${PROCESS_MODULES[process].heatedAgain.text}`;
}
