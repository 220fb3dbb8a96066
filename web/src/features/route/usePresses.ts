import type { NewestSurveys, PressPlate } from '@saltflat/contract';
import { centred } from '@saltflat/core/press';
import type { PlateSize, PressUnderPrint } from '@saltflat/core/press';
import { useEffect, useMemo, useState } from 'react';
import { heatTasks } from '../../worker/heatClient.ts';

/** What is known of each press by its newest survey, where a print lies in the middle of its plate. */
export interface SurveyedPress extends PressPlate {
  /** `null` where it was never surveyed. */
  surveyedAt: string | null;
  here: PressUnderPrint | null;
}

/**
 * Reads the newest surveys for a print, in the heat thread.
 *
 * @param print its size; `null` while that is not known
 */
export function usePresses(
  plates: readonly PressPlate[] | null,
  surveys: NewestSurveys | undefined,
  print: PlateSize | null,
): readonly SurveyedPress[] | null {
  const [found, setFound] = useState<Record<string, PressUnderPrint> | null>(null);
  const widthMm = print?.widthMm ?? 0;
  const heightMm = print?.heightMm ?? 0;
  const asked = useMemo(
    () =>
      surveys && plates && widthMm > 0
        ? surveys.flatMap(({ machineId, newest }) => {
            const press = plates.find(({ id }) => id === machineId);
            if (!newest || !press) return [];
            const { plate } = press;
            const survey = { ...newest.input, surveyedOn: newest.at };
            return [{ machineId, survey, plate, area: centred(plate, { widthMm, heightMm }) }];
          })
        : null,
    [surveys, plates, widthMm, heightMm],
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
      plates && surveys && found
        ? plates.map((press) => ({
            ...press,
            surveyedAt: surveys.find(({ machineId }) => machineId === press.id)?.newest?.at ?? null,
            here: found[press.id] ?? null,
          }))
        : null,
    [plates, surveys, found],
  );
}
