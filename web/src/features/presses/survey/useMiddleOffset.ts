import type { PressPlate, Survey } from '@saltflat/contract';
import { PlateMap } from '@saltflat/core/press';
import { usePlates } from './usePlates.ts';

/** Of a plate above its display in its middle, K; 0 where it was never surveyed, `null` while the survey is read. */
export function useMiddleOffset({ plate }: PressPlate, survey: Survey | null): number | null {
  const plates = usePlates(survey?.input ?? null);
  if (survey === null) return 0;
  return (
    plates && new PlateMap(plate, plates.spots).at(plate.widthMm / 2, plate.heightMm / 2) - survey.input.setC
  );
}
