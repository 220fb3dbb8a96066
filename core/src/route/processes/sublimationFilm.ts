import { parseHex, toLab } from '../../artwork/index.ts';
import { isCap } from '../../blank/index.ts';
import type { Garment } from '../../blank/index.ts';
import { say } from '../../words/index.ts';
import { filmFor, printerFor } from '../equip.ts';
import { creaseMiddle } from '../practices/centre.ts';
import { bondTest } from '../practices/bondTest.ts';
import { filmStore } from '../practices/filmCut.ts';
import { filmPeel } from '../practices/filmPeel.ts';
import { filmPress } from '../practices/filmPress.ts';
import { filmSecondPress } from '../practices/filmSecondPress.ts';
import { inspect } from '../practices/inspect.ts';
import { prePress } from '../practices/prePress.ts';
import { isFed, sublimationFeed, sublimationPrint } from '../practices/sublimationPrint.ts';
import { FUSED_AND_CUT, whenPressed } from './filmTransfer.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../processNames.ts';
import type { ProcessModule } from './processModule.ts';
import { FILM_ROLES, melterNeed, filmPressingRoles, sourceRefusals, unless } from './refusals.ts';

/** Lightness L* of a ground, 0–100: from the first on colours stand as they are, below the second they are lost (assumptions). */
const BRIGHT_FROM = 88;
const LOST_BELOW = 65;
const groundOf = ({ colourHex }: Pick<Garment, 'colourHex'>): number => toLab(parseHex(colourHex)).lightness;

/** Colour without white on film from a desk printer: white and pale grounds. */
export const sublimationFilm: ProcessModule = {
  id: 'sub-film',
  name: PROCESS_NAMES['sub-film'],
  shortName: PROCESS_SHORT_NAMES['sub-film'],
  artProcess: () => 'sub',
  practices: [
    sublimationFeed,
    sublimationPrint,
    ...FUSED_AND_CUT,
    filmStore,
    whenPressed(bondTest),
    whenPressed(prePress),
    whenPressed(creaseMiddle),
    filmPress,
    filmPeel,
    filmSecondPress,
    inspect,
  ],
  sources: (line) => [...FILM_ROLES, ...filmPressingRoles(line)],
  refusals: (line) => [
    ...(groundOf(line.garment) < LOST_BELOW
      ? [
          say('refusal.sublimation-ground', {
            colour: line.garment.colourName,
            lightness: groundOf(line.garment),
          }),
        ]
      : []),
    ...unless(!isCap(line.garment), say('refusal.cap-too-cool')),
    ...sourceRefusals(line, sublimationFilm.sources(line)),
    ...melterNeed(line),
  ],
  look: (line) => ({
    opacity: 0,
    softness: 0.7,
    breathing: 0.5,
    stretch: 0.7,
    said: say('hand.sublimation', {
      isGlitter: filmFor(line).isGlitter,
    }),
  }),
  risks: (line) => [
    ...(groundOf(line.garment) < BRIGHT_FROM
      ? [say('risk.dull-ground', { colour: line.garment.colourName })]
      : []),
    say('risk.white-vanishes'),
    ...(line.garment.fibres.polyester > 0 ? [say('risk.ink-spreads')] : []),
    ...(isFed(printerFor(line)) ? [say('risk.film-slips')] : []),
  ],
  heatedAgain: {
    harm: null,
    said: say('again.sublimation'),
  },
  restBeforeDispatchS: 0,
};
