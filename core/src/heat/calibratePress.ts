import { stackInHeat } from './benchStack.ts';
import type { BenchStack } from './benchStack.ts';
import { boundBond } from './boundBond.ts';
import type { BondBounds, BondRefusal } from './boundBond.ts';
import { UNCALIBRATED_SPREAD, UNKNOWN_PRESS } from './conditions.ts';
import type { KnownPress } from './conditions.ts';
import { afterClosing, contactsTimes, fitContacts, highestC } from './fitContacts.ts';
import type { ContactFit, FitRefusal, LoggedTemp, PressCycle } from './fitContacts.ts';
import { QUICK_STEPS, heatOperation } from './heatOperation.ts';
import type { OperationHeat } from './heatOperation.ts';
import { crossing } from './heatStory.ts';
import type { ProbeName } from './harms.ts';
import { doseName } from './kinetics.ts';
import { measureOf } from './measure.ts';
import { PARAMETERS, drawParameters } from './parameters.ts';
import type { KnownParameters } from './parameters.ts';

/** Settings of the same stack whose wash is known. */
export interface WashedRecipe {
  plateC: number;
  dwellS: number;
  kPa: number;
  /** It came through the wash. */
  held: boolean;
}

/** One press cycle read from the inside, and recipes whose wash is known: what a shop can find out of its own press. */
export interface PressCalibration {
  /** As it was pressed, by the display. */
  stack: BenchStack;
  /** Of the plate above its display where the sensor lay, K. */
  plateOffsetC: number;
  cycle: PressCycle;
  recipes: readonly WashedRecipe[];
}

/** What was read at a place, and what the model has there: by its tables, and as it was fitted. */
export interface MeasuredCourse {
  at: ProbeName;
  measured: LoggedTemp[];
  byTables: number[];
  /** `null` where nothing could be fitted. */
  fitted: number[] | null;
}

export interface Calibrated {
  /** `null` where nothing was read. */
  contact: { ok: true; fit: ContactFit } | { ok: false; why: FitRefusal } | null;
  courses: MeasuredCourse[];
  strips: { at: ProbeName; highestC: number; byTablesC: number; fittedC: number | null }[];
  /** Recipes in their order, with the bond the model counts for each. */
  recipes: (WashedRecipe & { bond: number })[];
  /** `null` where there is no recipe, or no glue in the stack. */
  bond: { ok: true; bounds: BondBounds } | ({ ok: false } & BondRefusal) | null;
  /** What takes the place of the tables. */
  known: KnownParameters;
  /** What the model is worth on dwell from now on, as a share either way. */
  spread: number;
}

/** A press is never known nearer than that, as a share. */
const CONTACT_FLOOR = 0.05;
const SPREAD_FLOOR = 0.1;
const DRAWS = 80;
/** Nobody presses longer, s. */
const LOOKED_S = 300;

/**
 * Works out what a measured press cycle and washed recipes say of a press: a factor on its contacts, and bounds of what a bond
 * needs. Neither is taken where the data contradict.
 *
 * @throws RangeError for a stack without layers, or a sensor where nothing is
 */
export function calibratePress({ stack, plateOffsetC, cycle, recipes }: PressCalibration): Calibrated {
  const press: KnownPress = { ...UNKNOWN_PRESS, offsetC: plateOffsetC };
  const { own, conditions } = stackInHeat(stack, press);
  const isRead = cycle.channels.length + cycle.strips.length > 0;
  const contact = isRead ? fitContacts(own, conditions, cycle) : null;
  const factor = contact?.ok === true ? contact.fit.factor : 1;
  const heatAt = (changed: Partial<BenchStack>, times: number): OperationHeat | null => {
    const { own: other, conditions: there } = stackInHeat({ ...stack, ...changed }, press);
    return heatOperation(other, there, { parameters: contactsTimes(press, times) });
  };
  const washed = recipes.map(({ held, ...settings }) => ({
    ...settings,
    held,
    bond: heatAt(settings, factor)?.doses[doseName('bond', 'glue')] ?? NaN,
  }));
  const bond =
    washed.length > 0 && washed.every(({ bond: value }) => !Number.isNaN(value)) ? boundBond(washed) : null;
  const known = knownBy(
    contact?.ok === true ? contact.fit : null,
    bond?.ok === true ? bond.bounds : { low: null, high: null },
  );
  return {
    contact,
    ...heldAgainst(cycle, heatAt({}, 1), contact?.ok === true ? heatAt({}, factor) : null),
    recipes: washed,
    bond,
    known,
    spread: spreadBy(stack, known),
  };
}

/** What was read beside what the model has. */
function heldAgainst(
  { channels, strips }: PressCycle,
  byTables: OperationHeat | null,
  fitted: OperationHeat | null,
): Pick<Calibrated, 'courses' | 'strips'> {
  if (byTables === null) return { courses: [], strips: [] };
  return {
    courses: channels.map(({ at, samples }) => {
      const along = (heat: OperationHeat): number[] => samples.map(({ atS }) => afterClosing(heat, at, atS));
      return {
        at,
        measured: [...samples],
        byTables: along(byTables),
        fitted: fitted && along(fitted),
      };
    }),
    strips: strips.map((strip) => ({
      ...strip,
      byTablesC: highestC(byTables, strip.at),
      fittedC: fitted && highestC(fitted, strip.at),
    })),
  };
}

/** What a calibration knows of a press, for the model to take in place of its tables. */
function knownBy(contact: ContactFit | null, { low, high }: BondBounds): KnownParameters {
  const known: KnownParameters = {};
  if (contact !== null)
    for (const name of ['contact-plate', 'contact-cover'] as const) {
      const usual = PARAMETERS[name].usual * contact.factor;
      const apart = Math.exp(Math.max(contact.within, CONTACT_FLOOR));
      known[name] = { usual, low: usual / apart, high: usual * apart };
    }
  if (low === null && high === null) return known;
  // both the table and what was seen hold; where they have nothing in common, what was seen does
  const table = PARAMETERS['bond-seconds'];
  const seen = {
    low: table.usual * (low ?? ((high ?? 1) * table.low) / table.usual),
    high: table.usual * (high ?? ((low ?? 1) * table.high) / table.usual),
  };
  const common = { low: Math.max(table.low, seen.low), high: Math.min(table.high, seen.high) };
  const range = common.low < common.high ? common : seen;
  return { ...known, 'bond-seconds': { ...range, usual: Math.sqrt(range.low * range.high) } };
}

/**
 * What the model is worth with so much known: as much less than before as the band of the time this stack takes has narrowed,
 * and never less than a tenth, for what no calibration sees.
 */
function spreadBy(stack: BenchStack, known: KnownParameters): number {
  if (Object.keys(known).length === 0) return UNCALIBRATED_SPREAD;
  const before = timeBand(stack, {});
  const after = timeBand(stack, known);
  if (before === null || after === null) return UNCALIBRATED_SPREAD;
  return Math.max(SPREAD_FLOOR, UNCALIBRATED_SPREAD * Math.min(1, after / before));
}

/** Width of the logarithm of the time a stack takes to what it is pressed for, over four draws of five; `null` where that is nothing. */
function timeBand(stack: BenchStack, known: KnownParameters): number | null {
  const { own, conditions } = stackInHeat({ ...stack, dwellS: LOOKED_S, closings: 1 });
  const sets = drawParameters(5, known);
  const logs: number[] = [];
  for (let i = 0; i < DRAWS; i++) {
    const heat = heatOperation(own, conditions, { parameters: sets.next().value, stepping: QUICK_STEPS });
    const measure = heat && measureOf(heat);
    if (heat === null || measure?.kind !== 'dose') return null;
    const reached = crossing(heat, doseName(measure.dose, measure.at), 1);
    logs.push(Math.log(reached?.afterS ?? LOOKED_S));
  }
  logs.sort((p, q) => p - q);
  return logs[Math.round(0.9 * (DRAWS - 1))] - logs[Math.round(0.1 * (DRAWS - 1))];
}
