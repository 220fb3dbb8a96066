import { say } from '../../words/index.ts';
import type { Said } from '../../words/index.ts';
import { readyMadeFor, supplierFor } from '../equip.ts';
import { doubtfulFaces } from '../fabric.ts';
import { bondTest } from '../practices/bondTest.ts';
import { capPress, capSecondPress } from '../practices/capPress.ts';
import { creaseMiddle } from '../practices/centre.ts';
import { inspect } from '../practices/inspect.ts';
import { prePress, prePressCap } from '../practices/prePress.ts';
import {
  countTransfers,
  readyMadePeel,
  readyMadePress,
  readyMadeSecondPress,
} from '../practices/readyMade.ts';
import type { Practice } from '../practice.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../processNames.ts';
import type { SourceRole } from '../sources/index.ts';
import type { LineInput, Look, ProcessModule } from './processModule.ts';
import { pressingRoles, sourceRefusals, unless } from './refusals.ts';

/** From a transfer that is there to a finished piece, whoever made it and when. */
const PRESSED_AS_IT_CAME: readonly Practice[] = [
  countTransfers,
  bondTest,
  prePress,
  prePressCap,
  creaseMiddle,
  readyMadePress,
  capPress,
  readyMadePeel,
  readyMadeSecondPress,
  capSecondPress,
  inspect,
];

/** The transfer, and what presses it on; pressed again where what came with it asks for that. */
function rolesOf(line: LineInput, transfer: SourceRole): SourceRole[] {
  const isThere = sourceRefusals(line, [transfer]).length === 0;
  const { secondPressS = 0 } = (isThere ? readyMadeFor(line) : null) ?? {};
  return [transfer, ...pressingRoles(line, secondPressS > 0)];
}

const groundRisks = ({ garment }: LineInput): Said[] => [
  ...doubtfulFaces(garment).map((face) => say('risk.adhesion', { face })),
  ...(garment.pretreated === null ? [] : [say('risk.pretreated-shows')]),
];

/** Until a supplier's transfers are here. */
export const leadTime = (line: LineInput): Said =>
  say('risk.lead-time', { days: supplierFor(line).leadDays });

const LOOK: Omit<Look, 'said'> = { opacity: 0.95, softness: 0.55, breathing: 0.45, stretch: 0.65 };

/** A supplier's transfers: nothing but a press is needed, but a minimum and a lead time. */
export const boughtInTransfer: ProcessModule = {
  id: 'bought-in',
  name: PROCESS_NAMES['bought-in'],
  shortName: PROCESS_SHORT_NAMES['bought-in'],
  artProcess: () => 'dtf',
  practices: PRESSED_AS_IT_CAME,
  sources: (line) => rolesOf(line, 'supplier'),
  refusals: (line) => [
    ...sourceRefusals(line, boughtInTransfer.sources(line)),
    ...unless(line.house.filmUse === 'at-once', say('refusal.stock-bought')),
  ],
  look: () => ({ ...LOOK, said: say('hand.supplier') }),
  risks: (line) => [...groundRisks(line), leadTime(line), say('risk.no-reprint')],
  heatedAgain: {
    harm: 1,
    said: say('again.supplier'),
  },
  restBeforeDispatchS: 0,
};

/** Transfers that lie ready, made here or bought: only of art that is there, at its size. */
export const shelfTransfer: ProcessModule = {
  id: 'shelf',
  name: PROCESS_NAMES.shelf,
  shortName: PROCESS_SHORT_NAMES.shelf,
  artProcess: () => 'dtf',
  practices: PRESSED_AS_IT_CAME,
  sources: (line) => rolesOf(line, 'shelf-transfer'),
  refusals: (line) => [
    ...sourceRefusals(line, shelfTransfer.sources(line)),
    ...unless(line.house.filmUse === 'at-once', say('refusal.lies-there')),
  ],
  look: () => ({ ...LOOK, said: say('hand.shelf') }),
  risks: (line) => [...groundRisks(line), say('risk.aged-glue')],
  heatedAgain: {
    harm: 1,
    said: say('again.film'),
  },
  restBeforeDispatchS: 0,
};
