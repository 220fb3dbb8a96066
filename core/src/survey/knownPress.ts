import { plateFromPad } from '../heat/index.ts';
import type { KnownPress, PlateReading } from '../heat/index.ts';
import { PlateMap } from './plateMap.ts';
import type { SpotReading } from './plateMap.ts';
import { FEWEST_READINGS, underPrint } from './summary.ts';
import type { PlateArea, UnderPrint } from './summary.ts';
import type { PlateSize, Spot } from './spots.ts';

/** A plate read spot by spot. */
export interface SurveyReadings {
  /** What its display said, °C. */
  setC: number;
  readOff: 'sponge-pad' | 'solid-pad' | 'plate';
  closedS: number;
  lateS: number;
  roomC: number;
  readings: readonly (Spot & { readC: number })[];
}

/** After so many days a survey is due again (assumption: heaters and thermostats age by the season). */
const SURVEY_DUE_DAYS = 90;

/** When the survey after this one is due, ms since 1970. @param at of the survey, ISO */
export const surveyDueMs = (at: string): number => Date.parse(at) + SURVEY_DUE_DAYS * 86_400_000;

/** A thermometer's own error, K (class value of hand-held ones). */
const THERMOMETER_K = 1.5;
/** Bare metal loses that much a second after opening, K (textbook: 20 mm of aluminium). */
const BARE_K_PER_S = 0.04;

/** What each spot of the plate was, by the model where it was read off a pad; with how far that may be off, K. */
export function platesRead({ readOff, closedS, lateS, roomC, readings }: SurveyReadings): {
  spots: SpotReading[];
  uncertainK: number;
} {
  const plateOf: (readC: number) => PlateReading =
    readOff === 'plate'
      ? (readC) => {
          const plateC = readC + BARE_K_PER_S * lateS;
          return { plateC, low: plateC, high: plateC };
        }
      : plateFromPad({ pad: readOff, closedS, lateS, roomC });
  const all = readings.map(({ xMm, yMm, readC }) => ({ xMm, yMm, ...plateOf(readC) }));
  const byModelK = all.reduce((sum, { low, high }) => sum + (high - low) / 2, 0) / Math.max(1, all.length);
  return {
    spots: all.map(({ xMm, yMm, plateC }) => ({ xMm, yMm, plateC })),
    uncertainK: Math.hypot(THERMOMETER_K, byModelK),
  };
}

/** A print lies in the middle of its plate, or over all of it where it is larger. */
export const centred = (plate: PlateSize, print: PlateSize): PlateArea => {
  const widthMm = Math.min(plate.widthMm, print.widthMm);
  const heightMm = Math.min(plate.heightMm, print.heightMm);
  return {
    leftMm: (plate.widthMm - widthMm) / 2,
    backMm: (plate.heightMm - heightMm) / 2,
    widthMm,
    heightMm,
  };
};

/** What a survey says of a press where a print lies. */
export interface PressUnderPrint {
  known: KnownPress;
  under: UnderPrint;
  uncertainK: number;
}

/**
 * What the model is to take for a press.
 *
 * @param surveyedOn ISO date
 * @param area where the print lies on its plate
 * @throws RangeError for fewer than five readings
 */
export function pressBySurvey(
  survey: SurveyReadings & { surveyedOn: string },
  plate: PlateSize,
  area: PlateArea,
): PressUnderPrint {
  if (survey.readings.length < FEWEST_READINGS)
    throw new RangeError(`${survey.readings.length} readings, ${FEWEST_READINGS} are needed`);
  const { spots, uncertainK } = platesRead(survey);
  const under = underPrint(new PlateMap(plate, spots), area);
  return {
    known: {
      offsetC: under.meanC - survey.setC,
      surveyedOn: survey.surveyedOn,
      calibratedOn: null,
      known: { 'plate-error': { usual: 0, low: -uncertainK, high: uncertainK } },
    },
    under,
    uncertainK,
  };
}

/** A place counts as cold under a print when it is so much below the print's own mean, K. */
export const COLD_UNDER_K = 4;
