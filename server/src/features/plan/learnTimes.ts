import type { WorkTimes } from '@saltflat/contract';
import { dayPace, ownTime } from '@saltflat/core/learn';
import type { Timed } from '@saltflat/core/learn';
import type { Unit } from '@saltflat/core/work';
import type { InferAttributes } from 'sequelize';
import type { WorkTimeRow } from '../../db/models/index.ts';

/** A time of a step as it is kept. */
export type KeptTime = Omit<InferAttributes<WorkTimeRow>, 'runId' | 'line' | 'place'>;

/** What a kind of work is called at most in so many ways, the newest first. */
const MOST_TITLES = 3;

/**
 * What the times of a shop say, kind of work by kind.
 *
 * @param rows newest first
 */
export function learnTimes(rows: readonly KeptTime[], dayOf: (ms: number) => string): WorkTimes {
  const kinds = new Map<string, { unit: Unit; titles: Set<string>; hands: Timed[]; machine: Timed[] }>();
  for (const row of rows) {
    const { kind, title, unit, handsPlannedS, handsS, machinePlannedS, machineS, at } = row;
    const own = kinds.get(kind) ?? { unit, titles: new Set(), hands: [], machine: [] };
    kinds.set(kind, own);
    own.titles.add(title);
    const day = dayOf(at.getTime());
    if (handsPlannedS !== null && handsS !== null)
      own.hands.push({ plannedS: handsPlannedS, tookS: handsS, day });
    if (machinePlannedS !== null && machineS !== null)
      own.machine.push({ plannedS: machinePlannedS, tookS: machineS, day });
  }
  return {
    kinds: [...kinds].map(([kind, { unit, titles, hands, machine }]) => ({
      kind,
      unit,
      titles: [...titles].slice(0, MOST_TITLES),
      hands: ownTime(hands),
      machine: ownTime(machine),
    })),
    pace: dayPace([...kinds.values()].map(({ hands }) => hands)),
  };
}
