import type { Material } from '@saltflat/contract';
import { transfersOf } from '@saltflat/core/route';
import type { Route } from '@saltflat/core/route';

/**
 * Transfers on the shelf that would do in place of what a route prints: as the route says, and as many of them free now
 * as there are pieces. A line of several prints on film has none: each would have to lie there.
 */
export function onShelf(route: Route, pieces: number, materials: readonly Material[]): string | null {
  const [slip, ...others] = route.slips.filter(({ said: { code } }) => code === 'slip.on-shelf');
  if (!slip || others.length > 0 || transfersOf(route).length !== 1) return null;
  const { transfer } = slip.said.params as { transfer: string };
  const kind = materials.find((own) => own.kind === 'shelf-transfer' && own.name === transfer);
  return kind !== undefined && (kind.stock ?? 0) >= pieces ? kind.name : null;
}

/** Film, powder and printer of a route’s transfers, as one name; `null` where it prints none, or for several prints. */
export function filmOf(route: Route): string | null {
  const [own, ...others] = transfersOf(route);
  if (!own || others.length > 0) return null;
  return [own.film, own.powder, own.printer].map((source) => source?.id ?? '').join(' ');
}
