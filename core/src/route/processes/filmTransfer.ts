import { hasFeature } from '../../blank/index.ts';
import { isMostlyPolyester } from '../fabric.ts';
import { capPress } from '../practices/capPress.ts';
import { filmCut, filmStore } from '../practices/filmCut.ts';
import { filmMelt, filmMeltHover } from '../practices/filmMelt.ts';
import { filmPeel } from '../practices/filmPeel.ts';
import { filmPowder } from '../practices/filmPowder.ts';
import { filmPress, isPressedNow } from '../practices/filmPress.ts';
import { filmPrint, filmReady } from '../practices/filmPrint.ts';
import { filmSecondPress } from '../practices/filmSecondPress.ts';
import { inspect } from '../practices/inspect.ts';
import { prePress, prePressCap } from '../practices/prePress.ts';
import type { Practice } from '../practice.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../processNames.ts';
import type { LineInput, Look, ProcessModule } from './processModule.ts';
import { filmWorkNeeds, printerNeed, unless } from './refusals.ts';

/** Left out where transfers go on the shelf. */
export const whenPressed = (practice: Practice): Practice => ({
  ...practice,
  applies: (input) => isPressedNow(input) && practice.applies(input),
});

/** From wet powder to a finished piece: the same wherever film was printed. */
export const AFTER_FILM: readonly Practice[] = [
  filmPowder,
  filmMelt,
  filmMeltHover,
  filmCut,
  filmStore,
  whenPressed(prePress),
  whenPressed(prePressCap),
  filmPress,
  capPress,
  filmPeel,
  filmSecondPress,
  inspect,
];

/** How film with white behind it looks, whichever printer made it. */
export function filmLook({ garment, house, print }: LineInput): Look {
  const isSolid = print.inkMm2 > 0.6 * print.widthMm * print.heightMm;
  const isTwice = house.powderCoats === 'two';
  return {
    opacity: 0.95,
    softness: (isSolid ? 0.4 : 0.6) - (isTwice ? 0.1 : 0),
    breathing: isSolid ? 0.2 : 0.5,
    stretch: garment.fibres.elastane > 0 ? 0.6 : 0.7,
    words: isSolid ? 'bright, a patch that is felt and does not breathe' : 'bright, a thin skin that is felt',
  };
}

export const filmRisks = ({ garment, house, print }: LineInput): string[] => [
  ...(isMostlyPolyester(garment) || garment.dyeMigrates ? ['Dye may wander when it is pressed too hot'] : []),
  ...(hasFeature(garment, 'panel-seam') ? ['Cracks along a seam under the print'] : []),
  ...(print.inkMm2 > 0.6 * print.widthMm * print.heightMm ? ['A large solid feels heavy and sweaty'] : []),
  ...(house.secondPress === 'none' ? ['Edges may lift: no second press'] : []),
  'Powder clings to bare film in a damp room',
];

/** Printed on film, powdered, melted, pressed on. */
export const filmTransfer: ProcessModule = {
  id: 'dtf',
  name: PROCESS_NAMES.dtf,
  shortName: PROCESS_SHORT_NAMES.dtf,
  artProcess: () => 'dtf',
  ink: 'film',
  practices: [filmReady, filmPrint, ...AFTER_FILM],
  refusals: (line) => [
    ...printerNeed(line, 'film', 'film printer'),
    ...unless(line.equipment.inkSets.film !== undefined, 'No film ink is set up.'),
    ...filmWorkNeeds(line),
  ],
  look: filmLook,
  risks: filmRisks,
  heatedAgain: {
    harm: 1,
    text: 'Its glue softens again: cover it, and let it cool before it is touched.',
  },
  restBeforeDispatchS: 0,
};
