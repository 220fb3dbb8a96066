import type { SurveyInput } from '@saltflat/contract';
import type { SpotReading } from '@saltflat/core/press';
import { useEffect, useState } from 'react';
import { heatTasks } from '../../../worker/heatClient.ts';

/** What each spot of the plate was, worked out in the heat thread; `null` until it is. */
export function usePlates(input: SurveyInput | null): { spots: SpotReading[]; uncertainK: number } | null {
  const [found, setFound] = useState<{
    of: SurveyInput;
    plates: { spots: SpotReading[]; uncertainK: number };
  } | null>(null);
  useEffect(() => {
    if (input === null) return undefined;
    let isGone = false;
    heatTasks.ask('plates', input).answer.then(
      (plates) => !isGone && setFound({ of: input, plates }),
      () => undefined, // the page shows that it is still being worked out
    );
    return () => {
      isGone = true;
    };
  }, [input]);
  return found !== null && found.of === input ? found.plates : null;
}
