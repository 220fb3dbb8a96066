import type { LineDocument, RouteVersion } from '@saltflat/contract';
import { useMemo, useState } from 'react';
import { useSpeech } from '../../units/useWords.ts';
import { planTried, withTried } from './triedRoute.ts';
import type { Planned, Tried } from './triedRoute.ts';

export interface TriedRoute extends Planned {
  tried: readonly Tried[];
  tryValue: (own: Tried) => void;
  /** Several at once, in place of what was tried. */
  tryAll: (own: readonly Tried[]) => void;
  giveUp: () => void;
}

/** Plans the route here, at every key, from the document the server plans from: trace, cost, minutes and conflicts follow at once. */
export function useTriedRoute(version: RouteVersion, document: LineDocument | null): TriedRoute {
  const [tried, setTried] = useState<readonly Tried[]>([]);
  const speech = useSpeech();
  const planned = useMemo(
    () => planTried(version, document, tried, speech),
    [version, document, tried, speech],
  );
  return {
    tried,
    ...planned,
    tryValue: (own) => setTried((before) => withTried(version, before, own)),
    tryAll: setTried,
    giveUp: () => setTried([]),
  };
}
