import type { Operation } from '@saltflat/core/work';

type Told = Operation['cautions'][number];

/** Presses are hot each time somebody comes back to them: what to mind there is said at every visit. */
const HOT = new Set<Operation['station']>(['press', 'cap-press']);

/**
 * What is to be minded at each operation, each caution once a station, and at a press once a visit: operations that follow
 * each other at one press are one visit.
 *
 * @returns by operation, only the cautions that are said there for the first time
 */
export function cautionsOnce(operations: readonly Operation[]): Map<string, Told[]> {
  const told = new Map<string, Set<string>>();
  const first = new Map<string, Told[]>();
  operations.forEach((operation, i) => {
    const { station } = operation;
    const isNewVisit = HOT.has(station) && operations[i - 1]?.station !== station;
    const said = isNewVisit ? new Set<string>() : (told.get(station) ?? new Set<string>());
    told.set(station, said);
    const fresh = operation.cautions.filter((caution) => !said.has(JSON.stringify(caution)));
    for (const caution of fresh) said.add(JSON.stringify(caution));
    first.set(operation.id, fresh);
  });
  return first;
}
