import type { PressCalibration } from '@saltflat/core/heat';
import type { CalibrationInput } from './pressChecks.ts';

/** What a logger's course may have: more would tell nothing more. */
export const MOST_SAMPLES = 1000;

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
