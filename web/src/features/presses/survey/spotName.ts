import { placeOn } from '@saltflat/core/press';
import type { PlateSize, Spot } from '@saltflat/core/press';
import { plateWords } from '@saltflat/core/words';

/** Where a spot is as one stands before the press: "front right". */
export const spotName = (spot: Spot, size: PlateSize): string => plateWords(placeOn(spot, size));
