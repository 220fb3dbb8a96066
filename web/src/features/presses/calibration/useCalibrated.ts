import { calibrationOf } from '@saltflat/contract/calibrationOf';
import type { CalibrationMeasured } from '@saltflat/contract';
import type { Calibrated } from '@saltflat/core/heat';
import { heatTasks } from '../../../worker/heatClient.ts';
import { useAnswer } from '../../../worker/useAnswer.ts';

/** What measurements come to, worked out in the heat thread; `null` while it is, and where there is nothing to work out. */
export function useCalibrated(measured: CalibrationMeasured | null): Calibrated | null {
  const asked = measured === null ? '' : JSON.stringify(calibrationOf(measured));
  const found = useAnswer<{ asked: string; calibrated: Calibrated | null }>(
    async () => ({
      asked,
      calibrated: measured === null ? null : await heatTasks.ask('calibrate', calibrationOf(measured)).answer,
    }),
    [asked],
  );
  return found?.asked === asked ? found.calibrated : null;
}
