import type { PressCalibration } from '@saltflat/core/heat';
import type { CalibrationInput } from './pressChecks.ts';

/** What is measured in a calibration, without who and why. */
export type CalibrationMeasured = Pick<
  CalibrationInput,
  'stack' | 'plateOffsetC' | 'channels' | 'strips' | 'recipes'
>;

/** A calibration as the model works it out. */
export const calibrationOf = ({
  stack,
  plateOffsetC,
  channels,
  strips,
  recipes,
}: CalibrationMeasured): PressCalibration => ({ stack, plateOffsetC, cycle: { channels, strips }, recipes });
