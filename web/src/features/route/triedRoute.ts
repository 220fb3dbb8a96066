import type { LineDocument, RouteVersion, SettingOverride } from '@saltflat/contract';
import { routeInputOf } from '@saltflat/contract/routeInput';
import { priceRoute } from '@saltflat/core/cost';
import type { PieceCost } from '@saltflat/core/cost';
import { planRoute, refusalText } from '@saltflat/core/route';
import type { Speech } from '@saltflat/core/words';
import type { Route } from '@saltflat/core/route';

/** A value being tried: not kept until somebody says who and why. */
export type Tried = Pick<SettingOverride, 'operation' | 'setting' | 'value'>;

/** A route as it would be with the values tried; the kept one where nothing is, or where it cannot be planned. */
export interface Planned {
  route: Route;
  cost: PieceCost;
  /** Why the values tried cannot be planned; empty where they can. */
  problem: string;
}

/** The values tried with one more; a value that the route has anyway is none. */
export const withTried = (version: RouteVersion, before: readonly Tried[], own: Tried): Tried[] => [
  ...before.filter(({ operation, setting }) => operation !== own.operation || setting !== own.setting),
  ...(isKept(version, own) ? [] : [own]),
];

/** True for the value the route has anyway. */
const isKept = ({ route }: RouteVersion, { operation, setting, value }: Tried): boolean =>
  route.operations
    .find(({ id }) => id === operation)
    ?.settings.some((own) => own.key === setting && Math.abs(own.value - value) < 1e-9) ?? false;

/**
 * Plans the line with the values tried in place of what is kept for those settings.
 *
 * @param speech how a refusal is put into words
 */
export function planTried(
  version: RouteVersion,
  document: LineDocument | null,
  tried: readonly Tried[],
  speech?: Speech,
): Planned {
  const kept = { route: version.route, cost: version.cost, problem: '' };
  if (document === null || tried.length === 0) return kept;
  const input = routeInputOf(document);
  const others = input.overrides.filter(
    (own) => !tried.some(({ operation, setting }) => operation === own.operation && setting === own.setting),
  );
  const mine = tried.map((own) => ({ ...own, who: 'Tried', why: 'not kept yet' }));
  const planned = planRoute({ ...input, overrides: [...others, ...mine] });
  if (!planned.ok) return { ...kept, problem: refusalText(planned.refusals, speech) };
  const { route } = planned;
  return { route, cost: priceRoute(route, document.blankCents, input.pieces, document.rates), problem: '' };
}
