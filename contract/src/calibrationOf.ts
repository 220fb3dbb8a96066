import type { PressCalibration } from '@saltflat/core/heat';
import type { CalibrationInput } from './pressChecks.ts';

/** A calibration as the model works it out. */
export const calibrationOf = ({
  stack,
  plateOffsetC,
  channels,
  strips,
  recipes,
}: Pick<
  CalibrationInput,
  'stack' | 'plateOffsetC' | 'channels' | 'strips' | 'recipes'
>): PressCalibration => ({ stack, plateOffsetC, cycle: { channels, strips }, recipes });
