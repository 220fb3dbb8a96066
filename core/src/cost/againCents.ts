import type { Route } from '../route/index.ts';

/**
 * Film, ink and powder that one transfer of a lane takes when it is made once more, cents; its own share, not a new
 * sheet's edge, and no work.
 */
export function againCents({ operations }: Pick<Route, 'operations'>, lane: string): number {
  const chain = operations.filter((own) => own.lane === lane);
  const cut = chain.findIndex(({ role }) => role === 'cut');
  return chain
    .slice(0, cut < 0 ? chain.length : cut + 1)
    .flatMap(({ consumes }) => consumes)
    .reduce((sum, { cents }) => sum + cents, 0);
}
