import { isCap } from '../../blank/index.ts';
import type { PrintInput } from '../documents.ts';
import { filmFor } from '../equip.ts';
import { byShare, needsWhite, withinHeat } from '../fabric.ts';
import { filmCut, filmStore } from '../practices/filmCut.ts';
import { filmMelt, filmMeltHover } from '../practices/filmMelt.ts';
import { filmPeel } from '../practices/filmPeel.ts';
import { filmPowder } from '../practices/filmPowder.ts';
import { filmSource, isPressedNow } from '../practices/filmPress.ts';
import { filmSecondPress } from '../practices/filmSecondPress.ts';
import { inspect } from '../practices/inspect.ts';
import { prePress } from '../practices/prePress.ts';
import { sublimationFeed, sublimationPrint } from '../practices/sublimationPrint.ts';
import { pressTransfer } from '../practices/transferPress.ts';
import { tradeReason } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { TRADE } from '../tradeRanges.ts';
import { whenPressed } from './filmTransfer.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../processNames.ts';
import type { ProcessModule } from './processModule.ts';
import { filmWorkNeeds, printerNeed, unless } from './refusals.ts';

/** Schools differ widely; where the film's sheet speaks it decides. */
const subPress: Practice = {
  id: 'press-transfer',
  role: 'bond',
  part: 'blank',
  station: 'press',
  applies: isPressedNow,
  plan: (input: PrintInput, settle) => {
    const { start, min, max } = TRADE.subTransferC;
    const dwell = TRADE.subTransferS;
    const kPa = byShare(input.garment, TRADE.transferCottonKPa, TRADE.transferPolyesterKPa, 'kPa');
    return pressTransfer(input, settle, filmSource(input), {
      temp: withinHeat(
        input.garment,
        start,
        `Sublimation ink on film: ${min} to ${max} °C, schools differ widely; starting at ${start} °C.`,
      ),
      dwell: {
        value: dwell.start,
        reason: tradeReason(dwell.start, `${dwell.min} to ${dwell.max} s, starting at ${dwell.start} s.`),
      },
      kPa: kPa.value,
      kPaWhy: kPa.reason.text,
    });
  },
};

/** Colour without white on film from a desk printer: light garments only. */
export const sublimationFilm: ProcessModule = {
  id: 'sub-film',
  name: PROCESS_NAMES['sub-film'],
  shortName: PROCESS_SHORT_NAMES['sub-film'],
  artProcess: () => 'sub',
  ink: 'sublimation',
  practices: [
    sublimationFeed,
    sublimationPrint,
    filmPowder,
    filmMelt,
    filmMeltHover,
    filmCut,
    filmStore,
    whenPressed(prePress),
    subPress,
    filmPeel,
    filmSecondPress,
    inspect,
  ],
  refusals: (line) => [
    ...unless(
      !needsWhite(line.garment),
      `This ink has no white: on ${line.garment.colourName.toLowerCase()} the art would vanish.`,
    ),
    ...unless(!isCap(line.garment), 'Caps are pressed too cool for this ink.'),
    ...printerNeed(line, 'sublimation', 'sublimation printer'),
    ...unless(line.equipment.inkSets.sublimation !== undefined, 'No sublimation ink is set up.'),
    ...filmWorkNeeds(line),
  ],
  look: (line) => ({
    opacity: 0,
    softness: 0.7,
    breathing: 0.5,
    stretch: 0.7,
    words: `colour only, white parts show the garment${line.equipment.films.length > 0 && filmFor(line).isGlitter ? ', with glitter' : ''}`,
  }),
  risks: ({ garment }) => [
    'White in the art becomes the garment’s colour',
    ...(garment.fibres.polyester > 0 ? ['The ink may spread in polyester when it is pressed hot'] : []),
    'Light film slips in a desk printer’s rollers',
  ],
  heatedAgain: {
    harm: null,
    text: 'sublimation ink turns to vapour again under a plate and stains what lies on it',
  },
  restBeforeDispatchS: 0,
};
