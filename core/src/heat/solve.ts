import { plannedMode, settingFor } from '../work/index.ts';
import type { Limit, Setting, SettingRole } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import { changeHeat } from './changes.ts';
import type { HeatChange } from './changes.ts';
import type { HeatConditions } from './conditions.ts';
import { heatOperation } from './heatOperation.ts';
import { asHarm } from './kinetics.ts';
import type { HeatDose } from './kinetics.ts';
import { isCover } from './materials.ts';
import { harmsDone, isDone, measureOf } from './measure.ts';
import type { Measure } from './measure.ts';
import type { OperationInHeat } from './operationCase.ts';

/** What is looked for: the shortest dwell at the temperature, the coolest plate in the time, the fewest closings. */
export const SOLVE_FOR = ['dwell', 'temperature', 'bursts'] as const satisfies readonly SettingRole[];
export type SolveFor = (typeof SOLVE_FOR)[number];

/** What a setting comes to. */
export interface Tried {
  value: number;
  measure: Measure;
  /** The worst harm, as a share of its limit; `null` where nothing is harmed. */
  harm: { dose: HeatDose; value: number } | null;
}

/** Another way that would do, with what it comes to. `beyond` is the setting itself, further than its limit allows. */
export interface WayOut {
  what: 'hotter' | 'firmer' | 'longer' | 'bare' | 'both' | 'beyond';
  /** In the unit of what is changed: °C, kPa, s; of `both` the °C; of `beyond` the value; 0 for `bare`. */
  by: number;
  /** Of `both`, kPa. */
  firmerBy: number;
  tried: Tried;
}

export type Solution =
  | { isFound: true; found: Tried }
  | {
      isFound: false;
      /** The furthest the setting may go, with what it comes to. */
      furthest: Tried;
      /** What stops it there: a limit of the setting's own, or harm. */
      stoppedBy: { limit: Said } | { harm: HeatDose } | { ability: true };
      waysOut: WayOut[];
    };

/**
 * Looks for the least of a setting at which an operation is done with a margin, within its limits and without harm.
 *
 * @param margin what the dose should reach, ≥ 1
 * @returns `null` where the operation has no such setting, or its heat is for nothing that is measured
 */
export function solveSetting(
  own: OperationInHeat,
  conditions: HeatConditions,
  { for: role, margin }: { for: SolveFor; margin: number },
): Solution | null {
  const setting = settingFor(own.operation, role);
  const before = tried(own, conditions, setting?.value ?? 0, {});
  if (setting === undefined || before === null) return null;
  const at = (value: number): Tried | null =>
    tried(own, conditions, value, changeTo(role, value, setting.value));
  const isGood = ({ measure, harm }: Tried): boolean =>
    isDone(measure, margin) && (harm === null || harm.value < 1);
  const { min, max, limit } = spanOf(setting);
  const high = Math.floor(max);
  const most = at(high);
  if (most === null) return null;
  if (!isDone(most.measure, margin))
    return {
      isFound: false,
      furthest: most,
      stoppedBy: limit === null ? { ability: true } : { limit: limit.said },
      waysOut: waysOut(own, conditions, { role, setting, value: high, margin }, isGood),
    };
  const found = leastDone(at, Math.ceil(min), high, margin);
  if (found === null) return null;
  if (found.harm !== null && found.harm.value >= 1)
    return {
      isFound: false,
      furthest: found,
      stoppedBy: { harm: found.harm.dose },
      waysOut: waysOut(own, conditions, { role, setting, value: setting.value, margin }, isGood),
    };
  return { isFound: true, found };
}

/** The least whole value that is done, of those the last of which is; more always does more. */
function leastDone(
  at: (value: number) => Tried | null,
  from: number,
  to: number,
  margin: number,
): Tried | null {
  let [low, high] = [from, to];
  while (low < high) {
    const mid = Math.floor((low + high) / 2);
    const found = at(mid);
    if (found !== null && isDone(found.measure, margin)) high = mid;
    else low = mid + 1;
  }
  const found = at(low);
  return found !== null && isDone(found.measure, margin) ? found : null;
}

/** From the machine's ability, narrowed by every limit; and which limit stops it at the top. */
function spanOf({ ability, limits }: Setting): { min: number; max: number; limit: Limit | null } {
  const min = Math.max(ability.min, 1, ...limits.map((own) => own.min ?? -Infinity));
  const limit =
    [...limits]
      .filter((own) => own.max !== null && own.max < ability.max)
      .sort((p, q) => (p.max ?? 0) - (q.max ?? 0))[0] ?? null;
  return { min, max: Math.max(min, limit?.max ?? Math.min(ability.max, LONGEST)), limit };
}
/** Nobody waits longer for one closing, s; of temperatures and counts no machine goes so far. */
const LONGEST = 900;

function changeTo(role: SolveFor, value: number, from: number): HeatChange {
  if (role === 'bursts') return { bursts: value };
  return role === 'dwell' ? { dwellS: value - from } : { plateK: value - from };
}

function tried(
  own: OperationInHeat,
  conditions: HeatConditions,
  value: number,
  change: HeatChange,
): Tried | null {
  const heat = heatOperation({ ...own, operation: changeHeat(own.operation, change) }, conditions);
  const measure = heat === null ? null : measureOf(heat);
  if (heat === null || measure === null) return null;
  return { value, measure, harm: harmsDone(heat)[0] ?? null };
}

type Try = Pick<WayOut, 'what' | 'by' | 'firmerBy'> & { change: HeatChange };

/** What a person could change, from the least trouble on; within the limits of each. */
function tries(own: OperationInHeat, role: SolveFor, base: HeatChange): Try[] {
  const roomFor = (other: SettingRole): number => {
    const found = settingFor(own.operation, other);
    return found ? spanOf(found).max - found.value : 0;
  };
  const hotter = role === 'temperature' ? [] : [5, 10, 15, 20].filter((by) => by <= roomFor('temperature'));
  const firmer = [15, 30].filter((by) => by <= roomFor('pressure'));
  const longer = role === 'dwell' ? [] : [5, 10, 20, 40].filter((by) => by <= roomFor('dwell'));
  const one = (what: WayOut['what'], all: number[], changeOf: (by: number) => HeatChange): Try[] =>
    all.map((by) => ({ what, by, firmerBy: 0, change: { ...base, ...changeOf(by) } }));
  return [
    ...one('hotter', hotter, (by) => ({ plateK: by })),
    ...one('firmer', firmer, (by) => ({ kPa: by })),
    ...one('longer', longer, (by) => ({ dwellS: by })),
    ...hotter.flatMap((by) =>
      firmer.map((kPa): Try => ({ what: 'both', by, firmerBy: kPa, change: { ...base, plateK: by, kPa } })),
    ),
  ];
}

/** Tries what else would do: a single change first, two where none does; without a mat; and beyond the limit. */
function waysOut(
  own: OperationInHeat,
  conditions: HeatConditions,
  { role, setting, value, margin }: { role: SolveFor; setting: Setting; value: number; margin: number },
  isGood: (tried: Tried) => boolean,
): WayOut[] {
  const base = changeTo(role, value, setting.value);
  const offered = new Map<WayOut['what'], WayOut>();
  for (const { change, ...way } of tries(own, role, base)) {
    if (offered.has(way.what) || (way.what === 'both' && offered.size > 0)) continue;
    const found = tried(own, conditions, value, change);
    if (found !== null && isGood(found)) offered.set(way.what, { ...way, tried: found });
  }
  const bare = withoutMat(own);
  const found = bare === null ? null : tried(bare, conditions, value, base);
  if (found !== null && isGood(found))
    offered.set('bare', { what: 'bare', by: 0, firmerBy: 0, tried: found });
  const beyond = leastDone(
    (wished) => tried(own, conditions, wished, changeTo(role, wished, setting.value)),
    value + 1,
    Math.floor(Math.min(setting.ability.max, LONGEST)),
    margin,
  );
  if (beyond !== null && isGood(beyond))
    offered.set('beyond', { what: 'beyond', by: beyond.value, firmerBy: 0, tried: beyond });
  return [...offered.values()];
}

/** The same under parchment in place of a mat; `null` where there is none. */
function withoutMat(own: OperationInHeat): OperationInHeat | null {
  const mode = plannedMode(own.operation);
  const hasMat = mode.phases.some(({ heat }) =>
    heat?.stack.layers.some(({ material }) => material === 'silicone-mat'),
  );
  if (!hasMat) return null;
  const phases = mode.phases.map((phase) => {
    if (phase.heat === null) return phase;
    const { stack } = phase.heat;
    const layers = stack.layers.map((layer) =>
      isCover(layer.material) ? { ...layer, material: 'parchment' as const, dMm: 0.05 } : layer,
    );
    const joints = stack.joints.map((joint) => (joint === 'mat' ? ('cover-work' as const) : joint));
    return { ...phase, heat: { ...phase.heat, stack: { ...stack, layers, joints } } };
  });
  return { ...own, operation: { ...own.operation, modes: [{ ...mode, phases }] } };
}

const KINDS = { dwell: 'duration', temperature: 'temperature', bursts: 'count' } as const;

const comesTo = ({ measure }: Tried, spread: number): Said =>
  measure.kind === 'dose'
    ? say('heat.comes-to', { value: measure.value, spread })
    : say('heat.leaves-water', { gM2: measure.value });

const PER_10_K = 1.33; // dwell's own change for ten kelvin: by the model itself

/** How far a solved value may be off, either way. */
function offBy(role: SolveFor, value: number, spread: number): number {
  if (role === 'dwell') return value * spread;
  if (role === 'bursts') return Math.max(1, value * spread);
  return (10 * Math.log(1 + spread)) / Math.log(PER_10_K);
}

function spanAbout(role: SolveFor, value: number, spread: number): { low: number; high: number } {
  const off = offBy(role, value, spread);
  return { low: Math.max(1, Math.floor(value - off)), high: Math.ceil(value + off) };
}

/** What was found, in words. @param spread what the model is worth */
export function solutionSaid(solution: Solution, role: SolveFor, spread: number): Said {
  const kind = KINDS[role];
  if (solution.isFound) {
    const { value, harm } = solution.found;
    const off = offBy(role, value, spread);
    const low = Math.max(1, Math.floor(value - off));
    const high = Math.ceil(value + off);
    return say('heat.solved', {
      kind,
      value,
      low,
      high,
      harm: harm && harm.value >= 0.1 ? asHarm(harm.dose) : null,
    });
  }
  const { furthest, stoppedBy } = solution;
  if ('harm' in stoppedBy)
    return say('heat.unsolved-harm', { kind, value: furthest.value, harm: asHarm(stoppedBy.harm) });
  const limit = 'limit' in stoppedBy ? stoppedBy.limit : null;
  return say('heat.unsolved-limit', { kind, value: furthest.value, done: comesTo(furthest, spread), limit });
}

/** @param spread what the model is worth */
export function waySaid({ what, by, firmerBy }: WayOut, role: SolveFor, spread: number): Said {
  if (what === 'bare') return say('heat.way-bare');
  if (what === 'both') return say('heat.way-both', { by, firmerBy });
  if (what === 'beyond') return say('heat.way-beyond', { kind: KINDS[role], ...spanAbout(role, by, spread) });
  return say(`heat.way-${what}`, { by });
}
