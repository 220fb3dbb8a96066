import { isCap } from '../../blank/index.ts';
import {
  boughtCentre,
  boughtPeel,
  boughtPress,
  boughtSecondPress,
  boughtTrim,
} from '../practices/boughtIn.ts';
import { inspect } from '../practices/inspect.ts';
import { prePress } from '../practices/prePress.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../processNames.ts';
import type { ProcessModule } from './processModule.ts';
import { unless } from './refusals.ts';

/** A supplier's transfers: nothing but a press is needed, but a minimum and a lead time. */
export const boughtInTransfer: ProcessModule = {
  id: 'bought-in',
  name: PROCESS_NAMES['bought-in'],
  shortName: PROCESS_SHORT_NAMES['bought-in'],
  artProcess: () => 'dtf',
  ink: null,
  practices: [boughtTrim, prePress, boughtCentre, boughtPress, boughtPeel, boughtSecondPress, inspect],
  refusals: ({ equipment, garment, pieces, house }) => {
    const { boughtIn, presses } = equipment;
    return [
      ...unless(boughtIn !== null, 'No supplier’s transfer is set up.'),
      ...unless(
        boughtIn === null || pieces >= boughtIn.minimum,
        `“${boughtIn?.name}” is sold from ${boughtIn?.minimum} pieces; this line has ${pieces}.`,
      ),
      ...unless(presses.length > 0, 'No press is set up.'),
      ...unless(!isCap(garment), 'The supplier’s sheet says nothing for caps.'),
      ...unless(house.filmUse === 'at-once', 'Stock is bought as such: there is nothing to make.'),
    ];
  },
  look: () => ({
    opacity: 0.95,
    softness: 0.55,
    breathing: 0.45,
    stretch: 0.65,
    words: 'bright and even, as the supplier makes it',
  }),
  risks: ({ equipment: { boughtIn } }) => [
    ...(boughtIn ? [`${boughtIn.leadDays} days until it is here`] : []),
    'A spoiled piece cannot be reprinted on the day: order spares',
  ],
  heatedAgain: {
    harm: 1,
    text: 'The supplier’s glue softens again: cover it, and let it cool before it is touched.',
  },
  restBeforeDispatchS: 0,
};
