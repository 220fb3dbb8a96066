import { UNCALIBRATED_SPREAD } from '../heat/index.ts';
import type { Calibrated, KnownPress } from '../heat/index.ts';
import { PlateMap } from './plateMap.ts';
import type { PlatesRead } from './platesRead.ts';
import { pressureKnown } from './pressureTable.ts';
import type { PressureMark } from './pressureTable.ts';
import { FEWEST_READINGS, underPrint } from './summary.ts';
import type { PlateArea, UnderPrint } from './summary.ts';
import type { PlateSize } from './spots.ts';

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

/** All that was measured of a press, the newest of each kind, as it was worked out; `null` where that was never done. */
export interface MeasuredPress {
  survey: { setC: number; surveyedOn: string; plates: PlatesRead } | null;
  pressure: readonly PressureMark[] | null;
  calibration: { calibratedOn: string; found: Pick<Calibrated, 'known' | 'spread'> } | null;
}

/** What is known of a press where a print lies. */
export interface PressUnderPrint {
  known: KnownPress;
  /** The plate there; `null` where it was never surveyed. */
  under: (UnderPrint & { uncertainK: number }) | null;
}

/**
 * What the model is to take for a press.
 *
 * @param area where the print lies on its plate
 * @throws RangeError for a survey of fewer than five readings
 */
export function pressKnown(
  { survey, pressure, calibration }: MeasuredPress,
  plate: PlateSize,
  area: PlateArea,
): PressUnderPrint {
  if (survey !== null && survey.plates.spots.length < FEWEST_READINGS)
    throw new RangeError(`${survey.plates.spots.length} readings, ${FEWEST_READINGS} are needed`);
  const under = survey && underPrint(new PlateMap(plate, survey.plates.spots), area);
  const uncertainK = survey?.plates.uncertainK ?? 0;
  return {
    known: {
      offsetC: survey && under ? under.meanC - survey.setC : 0,
      surveyedOn: survey?.surveyedOn ?? null,
      calibratedOn: calibration?.calibratedOn ?? null,
      known: {
        ...(survey ? { 'plate-error': { usual: 0, low: -uncertainK, high: uncertainK } } : {}),
        ...(pressure ? pressureKnown(pressure) : {}),
        ...calibration?.found.known,
      },
      spread: calibration?.found.spread ?? UNCALIBRATED_SPREAD,
    },
    under: under && { ...under, uncertainK },
  };
}

/** A place counts as cold under a print when it is so much below the print's own mean, K. */
export const COLD_UNDER_K = 4;
