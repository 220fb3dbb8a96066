import type { LineDocument, RouteVersion } from '@saltflat/contract';
import type { Operation } from '@saltflat/core/work';
import { useCallback, useMemo, useRef, useState } from 'react';
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

/**
 * Plans the route here, at every key, from the document the server plans from: trace, cost, minutes and
 * conflicts follow at once.
 *
 * @param wished what is tried to begin with
 */
export function useTriedRoute(
  version: RouteVersion,
  document: LineDocument | null,
  wished: readonly Tried[] = [],
): TriedRoute {
  const [tried, setTried] = useState<readonly Tried[]>(wished);
  const speech = useSpeech();
  const shown = useRef<readonly Operation[]>(version.route.operations);
  const planned = useMemo(() => {
    const made = planTried(version, document, tried, speech);
    const operations = withSame(shown.current, made.route.operations);
    shown.current = operations;
    return { ...made, route: { ...made.route, operations } };
  }, [version, document, tried, speech]);
  const tryValue = useCallback(
    (own: Tried) => setTried((before) => withTried(version, before, own)),
    [version],
  );
  return {
    tried,
    ...planned,
    tryValue,
    tryAll: setTried,
    giveUp: () => setTried([]),
  };
}

/** Operations that came out the same are the same objects, so that nothing is drawn again that has not changed. */
function withSame(before: readonly Operation[], now: readonly Operation[]): Operation[] {
  const known = new Map(before.map((own) => [own.id, own]));
  return now.map((own) => {
    const former = known.get(own.id);
    return former !== undefined && JSON.stringify(former) === JSON.stringify(own) ? former : own;
  });
}
