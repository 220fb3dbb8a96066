import { say } from '../../words/index.ts';
import { boughtPeel, boughtPress, boughtSecondPress, boughtTrim } from '../practices/boughtIn.ts';
import { inspect } from '../practices/inspect.ts';
import { creaseMiddle } from '../practices/centre.ts';
import { bondTest } from '../practices/bondTest.ts';
import { capPress, capSecondPress } from '../practices/capPress.ts';
import { prePress, prePressCap } from '../practices/prePress.ts';
import { supplierFor } from '../equip.ts';
import { doubtfulFaces } from '../fabric.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../processNames.ts';
import type { ProcessModule } from './processModule.ts';
import { pressingRoles, sourceRefusals, unless } from './refusals.ts';

/** A supplier's transfers: nothing but a press is needed, but a minimum and a lead time. */
export const boughtInTransfer: ProcessModule = {
  id: 'bought-in',
  name: PROCESS_NAMES['bought-in'],
  shortName: PROCESS_SHORT_NAMES['bought-in'],
  artProcess: () => 'dtf',
  practices: [
    boughtTrim,
    bondTest,
    prePress,
    prePressCap,
    creaseMiddle,
    boughtPress,
    capPress,
    boughtPeel,
    boughtSecondPress,
    capSecondPress,
    inspect,
  ],
  sources: (line) => [
    'supplier',
    ...pressingRoles(
      line,
      line.equipment.boughtIns.some(({ secondPressS }) => secondPressS > 0),
    ),
  ],
  refusals: (line) => [
    ...sourceRefusals(line, boughtInTransfer.sources(line)),
    ...unless(line.house.filmUse === 'at-once', say('refusal.stock-bought')),
  ],
  look: () => ({
    opacity: 0.95,
    softness: 0.55,
    breathing: 0.45,
    stretch: 0.65,
    said: say('hand.supplier'),
  }),
  risks: (line) => [
    ...doubtfulFaces(line.garment).map((face) => say('risk.adhesion', { face })),
    say('risk.lead-time', { days: supplierFor(line).leadDays }),
    say('risk.no-reprint'),
  ],
  heatedAgain: {
    harm: 1,
    said: say('again.supplier'),
  },
  restBeforeDispatchS: 0,
};
