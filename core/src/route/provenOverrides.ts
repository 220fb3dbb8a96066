import type { Operation, SettingRole } from '../work/index.ts';
import type { Override, Process, Route } from './documents.ts';

/** Follow from the line itself, or from its printer: another line's are no advice. */
const NOT_CARRIED = new Set<SettingRole | null>(['powder', 'mirror', 'white-hits']);

/**
 * What a route that proved itself sets otherwise than this one, as own values for this one. Only settings that both
 * have; whatever breaks a limit here is flagged when it is planned.
 */
export function provenOverrides(current: Route, proven: Route, by: { who: string; why: string }): Override[] {
  return current.operations.flatMap((operation) => {
    const twin = proven.operations.find(({ id }) => id === operation.id);
    if (!twin || processOf(current, operation) !== processOf(proven, twin)) return [];
    return operation.settings.flatMap(({ key, sets, kind, value, ability }) => {
      const own = twin.settings.find((setting) => setting.key === key && setting.kind === kind);
      const isUsable =
        own !== undefined &&
        own.value !== value &&
        !NOT_CARRIED.has(sets) &&
        own.value >= ability.min &&
        own.value <= ability.max;
      return isUsable ? [{ operation: operation.id, setting: key, value: own.value, ...by }] : [];
    });
  });
}

/** The process an operation belongs to; nothing for what is done to the piece as a whole. */
const processOf = ({ prints }: Route, { print }: Operation): Process | undefined =>
  prints.find(({ id }) => id === print)?.process;
