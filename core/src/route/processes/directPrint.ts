import { hasFeature, isCap } from '../../blank/index.ts';
import type { Garment } from '../../blank/index.ts';
import { say } from '../../words/index.ts';
import type { Said } from '../../words/index.ts';
import { fluidFibre, inkHoldsWeakly, inkRefuses, isMostlyPolyester, needsWhite } from '../fabric.ts';
import { creaseMiddle } from '../practices/centre.ts';
import { directCure } from '../practices/directCure.ts';
import { directAirDry, directDry, directLayFibres } from '../practices/directDry.ts';
import { directPretreat, isSprayed } from '../practices/directPretreat.ts';
import { isDoubleWhite, directPrint as print } from '../practices/directPrint.ts';
import { inspect } from '../practices/inspect.ts';
import { levelPlaten, splitLoad } from '../practices/levelPlaten.ts';
import { prePress } from '../practices/prePress.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../processNames.ts';
import type { ProcessModule } from './processModule.ts';
import { sourceRefusals, unless } from './refusals.ts';

const FLAT_OFF_A_PLATEN = ['mask', 'patch', 'jeans', 'bag', 'leggings'];

function weakInk(garment: Garment): Said[] {
  const fibre = inkHoldsWeakly(garment);
  return fibre === null ? [] : [say('risk.ink-weak', { fibre })];
}

/** Fluid that was made for another fibre does not hold the ink. */
function wrongFluid(garment: Garment): Said[] {
  const { name: blank, pretreated } = garment;
  return pretreated === null || pretreated.fibre === fluidFibre(garment)
    ? []
    : [say('refusal.pretreated-for', { blank, fibre: pretreated.fibre })];
}

/** Ink straight into the garment on a platen. */
export const directPrint: ProcessModule = {
  id: 'dtg',
  name: PROCESS_NAMES.dtg,
  shortName: PROCESS_SHORT_NAMES.dtg,
  artProcess: ({ tone }) => (tone === 'dark' ? 'dtg-dark' : 'dtg-light'),
  practices: [
    levelPlaten,
    splitLoad,
    prePress,
    directPretreat,
    directDry,
    directAirDry,
    directLayFibres,
    creaseMiddle,
    print,
    directCure,
    inspect,
  ],
  sources: ({ garment }) => [
    'printer',
    'platen',
    'ink',
    ...(isSprayed({ garment }) ? (['fluid', 'sprayer'] as const) : []),
    ...(isSprayed({ garment }) || garment.pretreated !== null ? (['fluid-sheet'] as const) : []),
    'press',
    'cure-sheet',
  ],
  refusals: (line) => {
    const { garment } = line;
    const fibreAgainst = inkRefuses(garment);
    return [
      ...unless(!isCap(garment), say('refusal.cap-on-platen')),
      ...unless(!FLAT_OFF_A_PLATEN.includes(garment.kind), say('refusal.not-flat', { blank: garment.name })),
      ...(fibreAgainst === null ? [] : [say('refusal.ink-on-fibre', { fibre: fibreAgainst })]),
      ...(['coating', 'water-repellent'] as const)
        .filter((face) => hasFeature(garment, face))
        .map((face) => say('refusal.ink-on-face', { face })),
      ...wrongFluid(garment),
      ...sourceRefusals(line, directPrint.sources(line)),
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
      said: say('hand.direct', { hasWhite }),
    };
  },
  risks: ({ garment }) => [
    ...weakInk(garment),
    ...(isMostlyPolyester(garment) ? [say('risk.dye-at-cure'), say('risk.polyester-stains')] : []),
    ...(needsWhite(garment) ? [say('risk.dull-white'), say('risk.stain-box')] : [say('risk.light-garment')]),
    ...(garment.construction === 'fleece' ? [say('risk.deep-pile')] : []),
  ],
  heatedAgain: {
    harm: 0.2,
    said: say('again.direct'),
  },
  restBeforeDispatchS: 0,
};
