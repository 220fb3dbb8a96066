import type { CalibrationMeasured } from '@saltflat/contract';
import { placesIn } from '@saltflat/core/heat';
import type { BenchStack, LoggedCycle, ProbeName } from '@saltflat/core/heat';

/** Where a sensor lay; `none` for one that is not to count. */
export type SensorPlace = ProbeName | 'none';

/** A logger's course as it was read, and where its sensors lay. */
export interface Logged {
  fileName: string;
  channels: { name: string; at: SensorPlace; samples: LoggedCycle['channels'][number]['samples'] }[];
  closedAtS: number | null;
}

/** What is being written: figures may still be missing. */
export interface CalibrationValues {
  stack: BenchStack;
  plateOffsetC: number | null;
  logged: Logged | null;
  strips: { at: ProbeName; highestC: number | null }[];
  recipes: { plateC: number | null; dwellS: number | null; kPa: number | null; held: boolean }[];
  note: string;
  by: string;
}

/** More than that of a course tells nothing more, and is a long way to send. */
const MOST_SENT = 300;
/** So long after the last opening is still shown, s. */
const SHOWN_AFTER_S = 30;

/** How long the press is at it, from the first closing to the last opening, s. */
const workedS = ({ dwellS, closings, openS }: BenchStack): number =>
  closings * dwellS + (closings - 1) * openS;

/** What was read from the closing on, no more readings than are needed: every so many-th. */
function samplesSent(samples: Logged['channels'][number]['samples'], closedAtS: number, stack: BenchStack) {
  const own = samples
    .map(({ atS, tempC }) => ({ atS: Math.round(100 * (atS - closedAtS)) / 100, tempC }))
    .filter(({ atS }) => atS >= 0 && atS <= workedS(stack) + SHOWN_AFTER_S);
  const every = Math.ceil(own.length / MOST_SENT);
  return own.filter((_, i) => i % every === 0);
}

/** What is sent: rows in which nothing stands are left out. */
export const documentOf = (values: CalibrationValues): unknown => ({
  stack: values.stack,
  plateOffsetC: values.plateOffsetC,
  channels: channelsOf(values),
  strips: stripsOf(values).filter(({ highestC }) => highestC !== null),
  recipes: values.recipes.filter(
    ({ plateC, dwellS, kPa }) => plateC !== null || dwellS !== null || kPa !== null,
  ),
  note: values.note.trim(),
  by: values.by.trim(),
});

/** Sensors and strips that lay where the stack, as it was changed since, has nothing do not count. */
const channelsOf = ({ logged, stack }: CalibrationValues): CalibrationMeasured['channels'] =>
  (logged?.channels ?? []).flatMap(({ name, at, samples }) =>
    at === 'none' || !placesIn(stack).includes(at)
      ? []
      : [{ name, at, samples: samplesSent(samples, logged?.closedAtS ?? 0, stack) }],
  );

const stripsOf = ({ strips, stack }: CalibrationValues): CalibrationValues['strips'] =>
  strips.filter(({ at }) => placesIn(stack).includes(at));

/** As far as it is written, for what it comes to beside it; `null` where there is nothing yet. */
export function measuredOf(values: CalibrationValues): CalibrationMeasured | null {
  const channels = channelsOf(values);
  const strips = stripsOf(values).flatMap(({ at, highestC }) =>
    highestC === null ? [] : [{ at, highestC }],
  );
  const recipes = values.recipes.flatMap(({ plateC, dwellS, kPa, held }) =>
    plateC === null || dwellS === null || kPa === null ? [] : [{ plateC, dwellS, kPa, held }],
  );
  if (channels.length + strips.length + recipes.length === 0 || values.plateOffsetC === null) return null;
  return { stack: values.stack, plateOffsetC: values.plateOffsetC, channels, strips, recipes };
}
