import { hasFeature } from '../../blank/index.ts';
import { say } from '../../words/index.ts';
import type { Said } from '../../words/index.ts';
import { doubtfulFaces, isMostlyPolyester } from '../fabric.ts';
import { creaseMiddle } from '../practices/centre.ts';
import { bondTest } from '../practices/bondTest.ts';
import { capPress, capSecondPress } from '../practices/capPress.ts';
import { filmCut, filmStore } from '../practices/filmCut.ts';
import { filmMelt, filmMeltAgain, filmMeltHover, filmMeltHoverAgain } from '../practices/filmMelt.ts';
import { filmPeel } from '../practices/filmPeel.ts';
import { filmPowder, filmPowderAgain } from '../practices/filmPowder.ts';
import { filmPress } from '../practices/filmPress.ts';
import { isPressedNow } from '../practices/transferPress.ts';
import { filmPrint, filmReady } from '../practices/filmPrint.ts';
import { filmSecondPress } from '../practices/filmSecondPress.ts';
import { inspect } from '../practices/inspect.ts';
import { prePress, prePressCap } from '../practices/prePress.ts';
import type { Practice } from '../practice.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../processNames.ts';
import type { LineInput, Look, ProcessModule } from './processModule.ts';
import { FILM_ROLES, melterNeed, filmPressingRoles, sourceRefusals } from './refusals.ts';

/** Left out where transfers go on the shelf. */
export const whenPressed = (practice: Practice): Practice => ({
  ...practice,
  applies: (input) => isPressedNow(input) && practice.applies(input),
});

/** From wet ink to single transfers: the same wherever film was printed and whatever it goes on. */
export const FUSED_AND_CUT: readonly Practice[] = [
  filmPowder,
  filmMelt,
  filmMeltHover,
  filmPowderAgain,
  filmMeltAgain,
  filmMeltHoverAgain,
  filmCut,
];

/** From wet ink to a finished piece. */
export const AFTER_FILM: readonly Practice[] = [
  ...FUSED_AND_CUT,
  filmStore,
  whenPressed(bondTest),
  whenPressed(prePress),
  whenPressed(prePressCap),
  whenPressed(creaseMiddle),
  filmPress,
  capPress,
  filmPeel,
  filmSecondPress,
  capSecondPress,
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
    said: say('hand.film', { isSolid }),
  };
}

export const filmRisks = ({ garment, house, print }: LineInput): Said[] => [
  ...(garment.pretreated === null ? [] : [say('risk.pretreated-shows')]),
  ...doubtfulFaces(garment).map((face) => say('risk.adhesion', { face })),
  ...(garment.dye === 'migrating' || (isMostlyPolyester(garment) && garment.dye === 'dyed')
    ? [say('risk.dye-at-press')]
    : []),
  ...(hasFeature(garment, 'panel-seam') ? [say('risk.panel-seam')] : []),
  ...(print.inkMm2 > 0.6 * print.widthMm * print.heightMm ? [say('risk.large-solid')] : []),
  ...(house.secondPress === 'none' ? [say('risk.no-second-press')] : []),
  say('risk.powder-clings'),
];

/** Printed on film, powdered, melted, pressed on. */
export const filmTransfer: ProcessModule = {
  id: 'dtf',
  name: PROCESS_NAMES.dtf,
  shortName: PROCESS_SHORT_NAMES.dtf,
  artProcess: () => 'dtf',
  practices: [filmReady, filmPrint, ...AFTER_FILM],
  sources: (line) => [...FILM_ROLES, ...filmPressingRoles(line)],
  refusals: (line) => [...sourceRefusals(line, filmTransfer.sources(line)), ...melterNeed(line)],
  look: filmLook,
  risks: filmRisks,
  heatedAgain: {
    harm: 1,
    said: say('again.film'),
  },
  restBeforeDispatchS: 0,
};
