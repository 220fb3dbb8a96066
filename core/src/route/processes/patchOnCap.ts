import { hasFeature, isCap } from '../../blank/index.ts';
import { filmCut } from '../practices/filmCut.ts';
import { filmMelt, filmMeltHover } from '../practices/filmMelt.ts';
import { filmPeel } from '../practices/filmPeel.ts';
import { filmPowder } from '../practices/filmPowder.ts';
import { filmPrint, filmReady } from '../practices/filmPrint.ts';
import { inspect } from '../practices/inspect.ts';
import { patchCapPress, patchPress, patchTackIron, patchTackPress } from '../practices/patch.ts';
import { prePressCap } from '../practices/prePress.ts';
import { TRADE } from '../tradeRanges.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../processNames.ts';
import type { ProcessModule } from './processModule.ts';
import { filmWorkNeeds, printerNeed, unless } from './refusals.ts';

/** A film transfer on a leatherette patch, and the patch on a cap. */
export const patchOnCap: ProcessModule = {
  id: 'patch-cap',
  name: PROCESS_NAMES['patch-cap'],
  shortName: PROCESS_SHORT_NAMES['patch-cap'],
  artProcess: () => 'dtf',
  ink: 'film',
  practices: [
    filmReady,
    filmPrint,
    filmPowder,
    filmMelt,
    filmMeltHover,
    filmCut,
    patchPress,
    filmPeel,
    prePressCap,
    patchTackIron,
    patchTackPress,
    patchCapPress,
    inspect,
  ],
  refusals: (line) => {
    const { garment, equipment, house } = line;
    return [
      ...unless(isCap(garment), `“${garment.name}” is no cap.`),
      ...unless(equipment.patch !== null, 'No leatherette patch is set up among the blanks.'),
      ...unless(equipment.presses.length > 0, 'The patch is pressed flat first; no press is set up.'),
      ...unless(house.filmUse === 'at-once', 'Patches for the shelf are a line of their own, on the patch.'),
      ...printerNeed(line, 'film', 'film printer'),
      ...unless(equipment.inkSets.film !== undefined, 'No film ink is set up.'),
      ...filmWorkNeeds(line),
    ];
  },
  look: () => ({
    opacity: 0.95,
    softness: 0.3,
    breathing: 0.2,
    stretch: 0.2,
    words: 'a patch with an edge, worth more to look at than a bare print',
  }),
  risks: ({ garment }) => [
    'Rim of glue round the patch when pressed too hard or long',
    ...(hasFeature(garment, 'stiffener') ? ['Front bubbles when heated from below'] : []),
    'Print stretched by pushing the iron',
  ],
  heatedAgain: {
    harm: null,
    text: 'the patch has been heated twice by then: a third time squeezes its glue out',
  },
  restBeforeDispatchS: TRADE.patchRestS.start,
};
