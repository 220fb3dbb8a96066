import type { LineDocument, RouteVersion, SettingOverride } from '@saltflat/contract';
import { ratesOf, routeInputOf } from '@saltflat/contract/routeInput';
import { priceRoute } from '@saltflat/core/cost';
import type { PieceCost } from '@saltflat/core/cost';
import { planRoute } from '@saltflat/core/route';
import type { Route } from '@saltflat/core/route';
import { useMemo, useState } from 'react';

/** A value being tried: not kept until somebody says who and why. */
export type Tried = Pick<SettingOverride, 'operation' | 'setting' | 'value'>;

/** Who tried a value and why: kept with it. */
export interface Signed {
  who: string;
  why: string;
}

export interface TriedRoute {
  tried: readonly Tried[];
  /** As it would be with the values tried; the kept one where nothing is, or where it cannot be planned. */
  route: Route;
  cost: PieceCost;
  /** Why the values tried cannot be planned; empty where they can. */
  problem: string;
  tryValue: (own: Tried) => void;
  /** Several at once, in place of what was tried. */
  tryAll: (own: readonly Tried[]) => void;
  giveUp: () => void;
}

/** Plans the route here, at every key, from the document the server plans from: trace, cost, minutes and conflicts follow at once. */
export function useTriedRoute(version: RouteVersion, document: LineDocument | null): TriedRoute {
  const [tried, setTried] = useState<readonly Tried[]>([]);
  const planned = useMemo(() => planTried(version, document, tried), [version, document, tried]);
  return {
    tried,
    ...planned,
    tryValue: (own) =>
      setTried((before) => [
        ...before.filter(({ operation, setting }) => operation !== own.operation || setting !== own.setting),
        ...(isKept(version, own) ? [] : [own]),
      ]),
    tryAll: setTried,
    giveUp: () => setTried([]),
  };
}

/** True for the value the route has anyway. */
const isKept = ({ route }: RouteVersion, { operation, setting, value }: Tried): boolean =>
  route.operations
    .find(({ id }) => id === operation)
    ?.settings.some((own) => own.key === setting && Math.abs(own.value - value) < 1e-9) ?? false;

function planTried(
  version: RouteVersion,
  document: LineDocument | null,
  tried: readonly Tried[],
): Pick<TriedRoute, 'route' | 'cost' | 'problem'> {
  const kept = { route: version.route, cost: version.cost, problem: '' };
  if (document === null || tried.length === 0) return kept;
  const input = routeInputOf(document);
  const others = input.overrides.filter(
    (own) => !tried.some(({ operation, setting }) => operation === own.operation && setting === own.setting),
  );
  const mine = tried.map((own) => ({ ...own, who: 'Tried', why: 'not kept yet' }));
  try {
    const route = planRoute({ ...input, overrides: [...others, ...mine] });
    return {
      route,
      cost: priceRoute(route, document.blankCents, input.pieces, ratesOf(document)),
      problem: '',
    };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { ...kept, problem: error.message };
  }
}
