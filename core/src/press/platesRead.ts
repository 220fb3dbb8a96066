import { plateFromPad } from '../heat/index.ts';
import type { PlateReading } from '../heat/index.ts';
import type { SpotReading } from './plateMap.ts';
import type { Spot } from './spots.ts';

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

/** What each spot of a plate was. */
export interface PlatesRead {
  spots: SpotReading[];
  /** How far they may be off, K. */
  uncertainK: number;
}

/** What each spot of the plate was, by the model where it was read off a pad. */
export function platesRead({ readOff, closedS, lateS, roomC, readings }: SurveyReadings): PlatesRead {
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
