import { inEnglish } from '../language/index.ts';
import type { Phrasing } from '../language/index.ts';
import type { Mode, Operation, Phase } from './operation.ts';
import type { Setting, SettingRole } from './settings.ts';

/** What the times of an operation are counted from. */
export type Timed = Pick<Operation, 'unit' | 'size' | 'modes'>;

/** The way that is planned. */
export const plannedMode = <M extends Pick<Mode, 'phases'>>({ modes }: { modes: readonly M[] }): M =>
  modes[0];

/** Length of a phase for a unit of so many parts, s. */
export const phaseS = ({ onceS, eachS }: Pick<Phase, 'onceS' | 'eachS'>, parts: number): number =>
  onceS + eachS * parts;

/** Parts in each of the units that a number of parts makes, in order: all full but the last. */
export function unitsOf({ unit, size }: Pick<Operation, 'unit' | 'size'>, parts: number): number[] {
  const full = fullUnit({ unit, size }, parts);
  return Array.from({ length: Math.ceil(parts / full) }, (_, i) => Math.min(full, parts - i * full));
}

/** Parts in a full unit, ≥ 1. */
const fullUnit = ({ unit, size }: Pick<Operation, 'unit' | 'size'>, parts: number): number =>
  unit === 'piece' ? 1 : (size ?? Math.max(1, parts));

/** Each phase once a unit, and more for each part. */
function sumOver(operation: Timed, parts: number, isCounted: (phase: Phase) => number): number {
  const units = Math.ceil(parts / fullUnit(operation, parts));
  return plannedMode(operation).phases.reduce(
    (sum, phase) => sum + isCounted(phase) * (phase.onceS * units + phase.eachS * parts),
    0,
  );
}

/** A person's time for all parts, s. */
export const handsS = (operation: Timed, parts: number): number =>
  sumOver(operation, parts, ({ people }) => people);

/** Whether nobody is needed for a phase. */
export const aloneIn = ({ people }: Pick<Phase, 'people'>): boolean => people === 0;

/** Time it runs by itself for all parts, s: one unit after the other. */
export const aloneS = (operation: Timed, parts: number): number =>
  sumOver(operation, parts, (phase) => (aloneIn(phase) ? 1 : 0));

/** From the beginning of the first unit to the end of the last on one machine, s, without waits in between. */
export const workedS = (operation: Timed, parts: number): number => sumOver(operation, parts, () => 1);

/** The phases the floor counts down, in order. */
export const timedPhases = (operation: Pick<Operation, 'modes'>): Phase[] =>
  plannedMode(operation).phases.filter(({ isTimed }) => isTimed);

/** All that is counted down for a unit of so many parts, s; 0 where nothing is. */
export const countdownS = (operation: Pick<Operation, 'modes'>, parts: number): number =>
  Math.round(timedPhases(operation).reduce((sum, phase) => sum + phaseS(phase, parts), 0));

/** The setting that sets this, whatever it is called. */
export const settingFor = (
  { settings }: { settings: readonly Setting[] },
  role: SettingRole,
): Setting | undefined => settings.find(({ sets }) => sets === role);

/** Factors on the times of a kind of work, as a shop has them. */
export interface TimeFactors {
  hands: number;
  /** What a machine does at its own speed. */
  machine: number;
}

/** An operation in a shop’s own time. What is heated lasts as long as it is told. */
export const inOwnTime = <O extends Pick<Operation, 'modes'>>(operation: O, own: TimeFactors): O => ({
  ...operation,
  modes: operation.modes.map((mode) => ({
    ...mode,
    phases: mode.phases.map((phase) => {
      const factor = !aloneIn(phase) ? own.hands : phase.heat === null ? own.machine : 1;
      return { ...phase, onceS: factor * phase.onceS, eachS: factor * phase.eachS };
    }),
  })),
});

/** What is the same kind of work wherever it stands in a route: a name to keep times under, from which nothing is read. */
export const workKind = ({ role, unit, modes }: Pick<Operation, 'role' | 'unit' | 'modes'>): string =>
  [role, plannedMode({ modes }).machineKind ?? 'hands', unit].join('/');

/** How a line goes through an operation: "each piece", "up to 6 at once", "once for all". */
export function goesWords({ unit, size }: Pick<Operation, 'unit' | 'size'>, t: Phrasing = inEnglish): string {
  if (unit === 'piece') return t('each piece');
  if (size === null) return t('once for all');
  return unit === 'sheet' ? t('sheets of up to {size}', { size }) : t('up to {size} at once', { size });
}
