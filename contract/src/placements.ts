export { PLACEMENTS, PLACEMENT_KEYS } from '@saltflat/core/placement';
export type { NamedPlacement, PlacementKey } from '@saltflat/core/placement';
