import type { Process } from '../documents.ts';
import { directPrint } from './directPrint.ts';
import { filmTransfer } from './filmTransfer.ts';
import { patchOnCap } from './patchOnCap.ts';
import { platenFilm } from './platenFilm.ts';
import type { ProcessModule } from './processModule.ts';
import { boughtInTransfer, shelfTransfer } from './readyMade.ts';
import { sublimationFilm } from './sublimationFilm.ts';

/** Every process, by its id: adding one is a file and a line here. */
export const PROCESS_MODULES: Record<Process, ProcessModule> = {
  dtg: directPrint,
  dtf: filmTransfer,
  'dtf-platen': platenFilm,
  'sub-film': sublimationFilm,
  'bought-in': boughtInTransfer,
  shelf: shelfTransfer,
  'patch-cap': patchOnCap,
};

export type { LineInput, Look, ProcessModule } from './processModule.ts';
