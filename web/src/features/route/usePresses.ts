import { calibrationOf } from '@saltflat/contract/calibrationOf';
import type { PressChecks, PressPlate } from '@saltflat/contract';
import { centred, testedMarks } from '@saltflat/core/press';
import type { PlateSize, PressUnderPrint } from '@saltflat/core/press';
import { useEffect, useMemo, useState } from 'react';
import { heatTasks } from '../../worker/heatClient.ts';

/** What is known of each press by its newest checks, where a print lies in the middle of its plate. */
export interface MeasuredPlate extends PressPlate {
  /** `null` where it was never surveyed. */
  surveyedAt: string | null;
  /** `null` where nothing was measured of it. */
  here: PressUnderPrint | null;
}

/**
 * Reads the newest checks of presses for a print, in the heat thread.
 *
 * @param print its size; `null` while that is not known
 */
export function usePresses(
  plates: readonly PressPlate[] | null,
  checks: PressChecks | undefined,
  print: PlateSize | null,
): readonly MeasuredPlate[] | null {
  const [found, setFound] = useState<Record<string, PressUnderPrint> | null>(null);
  const widthMm = print?.widthMm ?? 0;
  const heightMm = print?.heightMm ?? 0;
  const asked = useMemo(
    () =>
      checks && plates && widthMm > 0
        ? checks.flatMap(({ machineId, survey, pressure, calibration }) => {
            const plate = plates.find(({ id }) => id === machineId)?.plate;
            if (!plate || (survey ?? pressure ?? calibration) === null) return [];
            return [
              {
                machineId,
                survey: survey && { ...survey.input, surveyedOn: survey.at },
                pressure: testedMarks(pressure?.input ?? null, plate),
                calibration: calibration && {
                  calibratedOn: calibration.at,
                  measured: calibrationOf(calibration.input),
                },
                plate,
                area: centred(plate, { widthMm, heightMm }),
              },
            ];
          })
        : null,
    [checks, plates, widthMm, heightMm],
  );
  useEffect(() => {
    if (asked === null) return undefined;
    let isGone = false;
    heatTasks.ask('presses', asked).answer.then(
      (answer) => !isGone && setFound(answer),
      () => undefined, // the route is worked out by the displays' word
    );
    return () => {
      isGone = true;
    };
  }, [asked]);
  return useMemo(
    () =>
      plates && checks && found
        ? plates.map((press) => ({
            ...press,
            surveyedAt: checks.find(({ machineId }) => machineId === press.id)?.survey?.at ?? null,
            here: found[press.id] ?? null,
          }))
        : null,
    [plates, checks, found],
  );
}
