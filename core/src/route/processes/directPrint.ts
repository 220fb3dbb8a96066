import { isCap } from '../../blank/index.ts';
import { isMostlyPolyester, needsWhite } from '../fabric.ts';
import { directCure } from '../practices/directCure.ts';
import { directAirDry, directDry, directLayFibres } from '../practices/directDry.ts';
import { directPretreat, isPretreated } from '../practices/directPretreat.ts';
import { isDoubleWhite, directPrint as print } from '../practices/directPrint.ts';
import { inspect } from '../practices/inspect.ts';
import { levelPlaten, splitLoad } from '../practices/levelPlaten.ts';
import { prePress } from '../practices/prePress.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../processNames.ts';
import type { ProcessModule } from './processModule.ts';
import { printerNeed, unless } from './refusals.ts';

const FLAT_OFF_A_PLATEN = ['mask', 'patch', 'jeans'];

/** Ink straight into the garment on a platen. */
export const directPrint: ProcessModule = {
  id: 'dtg',
  name: PROCESS_NAMES.dtg,
  shortName: PROCESS_SHORT_NAMES.dtg,
  artProcess: ({ tone }) => (tone === 'dark' ? 'dtg-dark' : 'dtg-light'),
  ink: 'textile',
  practices: [
    levelPlaten,
    splitLoad,
    prePress,
    directPretreat,
    directDry,
    directAirDry,
    directLayFibres,
    print,
    directCure,
    inspect,
  ],
  refusals: (line) => {
    const { garment, equipment } = line;
    const fibre = isMostlyPolyester(garment) ? 'polyester' : 'cotton';
    return [
      ...unless(!isCap(garment), 'A cap does not lie flat on a platen.'),
      ...unless(
        !FLAT_OFF_A_PLATEN.includes(garment.kind),
        `“${garment.name}” does not lie flat and smooth on a platen.`,
      ),
      ...unless(
        garment.fibres.nylon < 0.5 && !garment.features.includes('coating'),
        'Direct ink does not hold on nylon or a coating.',
      ),
      ...printerNeed(line, 'direct', 'direct printer'),
      ...unless(equipment.inkSets.textile !== undefined, 'No textile ink is set up.'),
      ...unless(equipment.presses.length > 0, 'No press is set up.'),
      ...(isPretreated({ garment })
        ? [
            ...unless(
              equipment.pretreatments[fibre] !== undefined,
              `No pretreatment for ${fibre} is set up.`,
            ),
            ...unless(equipment.sprayers.length > 0, 'No sprayer is set up.'),
          ]
        : []),
    ];
  },
  look: (line) => {
    const hasWhite = needsWhite(line.garment);
    const isDouble = isDoubleWhite(line);
    return {
      opacity: hasWhite ? (isDouble ? 0.85 : 0.7) : 1,
      softness: hasWhite ? (isDouble ? 0.65 : 0.75) : 0.95,
      breathing: hasWhite ? 0.75 : 0.95,
      stretch: 0.8,
      words: hasWhite ? 'soft, the fabric still shows through a little' : 'as soft as the fabric itself',
    };
  },
  risks: ({ garment }) => [
    ...(isMostlyPolyester(garment)
      ? ['Dye may wander into the white at the cure', 'Pretreatment of polyester stains easily']
      : []),
    ...(needsWhite(garment)
      ? ['Dull white when pretreatment is thin', 'Stain box when it is too much']
      : ['Little can go wrong on a light garment']),
    ...(garment.construction === 'fleece' ? ['Fibres through the white on a deep pile'] : []),
  ],
  heatedAgain: {
    harm: 0.2,
    text: 'Cured ink bears another press when it is covered; it dulls a little each time.',
  },
  restBeforeDispatchS: 0,
};
