import { canonical } from '../../canonical.ts';
import type { LineDocument, PrintArt } from '@saltflat/contract';
import type { NewRouteVersion, WholeVersion } from './routeStore.ts';

/** True where a plan comes out as a version that is there already, with all that shows in its quote and picture: no other is made then. */
export function isSamePlan({ version, input }: WholeVersion, made: NewRouteVersion): boolean {
  if (input === null) return false;
  const was = [
    version.route,
    version.cost,
    version.overrides,
    version.sources,
    version.pieces,
    ...shownOf(input),
  ];
  return (
    canonical(was) ===
    canonical([made.route, made.cost, made.overrides, made.sources, made.pieces, ...shownOf(made)])
  );
}

const shownOf = ({ document, art }: { document: LineDocument; art: readonly PrintArt[] }): unknown[] => [
  document.rates,
  document.sizes,
  document.areas,
  document.prints.map(({ id, placement }) => [id, placement]),
  art.map(({ print, artworkId, analysis, job }) => ({ print, artworkId, analysis, job })),
];
