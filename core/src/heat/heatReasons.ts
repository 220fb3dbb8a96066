import { plannedMode, settingFor } from '../work/index.ts';
import type { Operation, Reason } from '../work/index.ts';
import { say } from '../words/index.ts';
import { changeHeat } from './changes.ts';
import { pressOf, usualConditions } from './conditions.ts';
import type { HeatConditions } from './conditions.ts';
import { QUICK_STEPS, heatOperation } from './heatOperation.ts';
import { crossing } from './heatStory.ts';
import { doseName } from './kinetics.ts';
import { isDone, measureOf } from './measure.ts';
import { PLANNED_MARGIN } from './verdicts.ts';

/** Nobody presses longer than that for the sake of a model, s. */
const LOOKED_S = 300;

/**
 * What the model would take for the dwell of an operation that bonds, melts or cures: it advises and sets nothing. Where the
 * maker's sheet is far from it, that is said with the sheet, which is followed.
 *
 * @returns `null` for operations without such a dwell
 */
export function dwellReason(operation: Operation, conditions: HeatConditions): Reason | null {
  const setting = settingFor(operation, 'dwell');
  const temperature = settingFor(operation, 'temperature');
  if (setting === undefined || temperature === undefined || setting.kind !== 'duration') return null;
  const isRepeated = (settingFor(operation, 'bursts')?.value ?? 1) > 1;
  if (isRepeated) return null; // its dwell says little by itself
  const after = { forS: 0, peelAfterS: null, on: 'wood' } as const;
  const at = (dwellS: number) =>
    heatOperation(
      { operation: changeHeat(operation, { dwellS: dwellS - setting.value }), parts: 1, after, startC: {} },
      conditions,
      { stepping: QUICK_STEPS },
    );
  const long = at(LOOKED_S);
  const measure = long === null ? null : measureOf(long);
  if (long === null || measure === null || measure.kind !== 'dose') return null;
  const tempC = temperature.value;
  const reason = (said: Reason['said']): Reason => ({ source: 'model', said, value: null });
  if (!isDone(measure, PLANNED_MARGIN))
    return reason(say('reason.model-not-within', { tempC, most: LOOKED_S }));
  // the course while it is closed does not depend on when it opens
  const passed = crossing(long, doseName(measure.dose, measure.at), PLANNED_MARGIN);
  const hoverS = (long.heats.at(-1)?.fromS ?? 0) - (long.heats[0]?.fromS ?? 0);
  const value = Math.max(1, Math.round((passed?.afterS ?? 0) - hoverS));
  const { spread: share } = pressOf(conditions, plannedMode(operation).machine?.id);
  const [low, high] = [Math.max(1, Math.floor(value * (1 - share))), Math.ceil(value * (1 + share))];
  const model = say('reason.model-dwell', { tempC, value, low, high, margin: PLANNED_MARGIN });
  const sheet = setting.reasons.find(({ source }) => source === 'maker');
  const agrees = sheet?.value == null || (sheet.value >= low && sheet.value <= high);
  return reason(
    agrees
      ? model
      : say('reason.model-against-sheet', { model, sheet: sheet.said, isLonger: value > (sheet.value ?? 0) }),
  );
}

/** The model as an adviser of routes, which know nothing of it. @param known the room, and what was measured of presses */
export const heatAdvice = (
  known: Partial<Omit<HeatConditions, 'garment'>> = {},
): { dwellReason: (operation: Operation, garment: HeatConditions['garment']) => Reason | null } => ({
  dwellReason: (operation, garment) => dwellReason(operation, { ...usualConditions(garment), ...known }),
});
