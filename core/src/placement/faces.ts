import type { PlacementKey } from './placements.ts';

/** The part of a blank that lies under a plate at once, and the side of it. */
interface Face {
  region: string;
  side: 'front' | 'back';
}

const body = (side: Face['side']): Face => ({ region: 'body', side });
const alone = (region: string): Face => ({ region, side: 'front' });

/** Front and back of a body are pressed through each other; a sleeve, a leg and each place on a cap are laid by themselves. */
const FACES: Record<PlacementKey, Face> = {
  'full-front': body('front'),
  'left-chest': body('front'),
  'right-chest': body('front'),
  back: body('back'),
  'left-sleeve': alone('left-sleeve'),
  'right-sleeve': alone('right-sleeve'),
  pocket: body('front'),
  'tote-front': body('front'),
  'tote-back': body('back'),
  'cap-front': alone('cap-front'),
  'cap-corner': alone('cap-front'),
  'cap-side': alone('cap-side'),
  'cap-rear': { region: 'cap-rear', side: 'back' },
  'apron-front': body('front'),
  'cushion-front': body('front'),
  'mask-front': body('front'),
  'jeans-leg': alone('leg'),
  'patch-face': body('front'),
  'leggings-leg': alone('leg'),
  'blanket-corner': alone('corner'),
  'bag-front': body('front'),
};

/** What is laid under a plate together: one name for all placements that are. */
export const regionOf = (key: PlacementKey): string => FACES[key].region;

/** Which side of the blank a placement is seen from. */
export const sideOf = (key: PlacementKey): Face['side'] => FACES[key].side;

/** How the heat for one placement meets what is at another: under the same plate, through the fabric, or not at all. */
export type Reach = 'under-plate' | 'through';
export function reachOf(heated: PlacementKey, other: PlacementKey): Reach | null {
  const [p, q] = [FACES[heated], FACES[other]];
  if (p.region !== q.region) return null;
  return p.side === q.side ? 'under-plate' : 'through';
}
