import { hasFeature, isCap } from '../../blank/index.ts';
import { say } from '../../words/index.ts';
import { ORIGIN_ROLES, transferOrigin } from '../equip.ts';
import { filmPeel } from '../practices/filmPeel.ts';
import { filmPrint, filmReady } from '../practices/filmPrint.ts';
import { inspect } from '../practices/inspect.ts';
import { patchCapPress, patchPress, patchTackIron } from '../practices/patch.ts';
import { prePressCap } from '../practices/prePress.ts';
import { countTransfers } from '../practices/readyMade.ts';
import type { Practice } from '../practice.ts';
import { TRADE } from '../tradeRanges.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../processNames.ts';
import { FUSED_AND_CUT } from './filmTransfer.ts';
import { leadTime } from './readyMade.ts';
import type { ProcessModule } from './processModule.ts';
import { melterNeed, sourceRefusals, unless } from './refusals.ts';

/** Left out where the transfer is bought or lies ready. */
const whenMadeHere = (practice: Practice): Practice => ({
  ...practice,
  applies: (input) => transferOrigin(input) === 'here' && practice.applies(input),
});

/** A film transfer on a leatherette patch, and the patch on a cap. */
export const patchOnCap: ProcessModule = {
  id: 'patch-cap',
  name: PROCESS_NAMES['patch-cap'],
  shortName: PROCESS_SHORT_NAMES['patch-cap'],
  artProcess: () => 'dtf',
  practices: [
    ...[filmReady, filmPrint, ...FUSED_AND_CUT].map(whenMadeHere),
    countTransfers,
    patchTackIron,
    patchPress,
    filmPeel,
    prePressCap,
    patchCapPress,
    inspect,
  ],
  sources: (line) => [
    ...ORIGIN_ROLES[transferOrigin(line)],
    ...(line.house.patchTack === 'hand-iron' && line.equipment.handIron !== null
      ? []
      : (['press', 'press-sheet'] as const)),
    'cap-press',
  ],
  refusals: (line) => {
    const { garment, equipment, house } = line;
    return [
      ...unless(isCap(garment), say('refusal.no-cap', { blank: garment.name })),
      ...unless(equipment.patch !== null, say('refusal.no-patch')),
      ...unless(house.filmUse === 'at-once', say('refusal.patch-for-shelf')),
      ...sourceRefusals(line, patchOnCap.sources(line)),
      ...(transferOrigin(line) === 'here' ? melterNeed(line) : []),
    ];
  },
  look: () => ({
    opacity: 0.95,
    softness: 0.3,
    breathing: 0.2,
    stretch: 0.2,
    said: say('hand.patch'),
  }),
  risks: (line) => [
    say('risk.glue-rim'),
    ...(hasFeature(line.garment, 'stiffener') ? [say('risk.front-bubbles')] : []),
    ...(transferOrigin(line) === 'bought' ? [leadTime(line)] : []),
    say('risk.pushed-iron'),
  ],
  heatedAgain: {
    harm: null,
    said: say('again.patch'),
  },
  restBeforeDispatchS: TRADE.patchRestS.start,
};
