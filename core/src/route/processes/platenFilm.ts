import { say } from '../../words/index.ts';
import { printerFor } from '../equip.ts';
import { platenFilmPrint } from '../practices/filmPrint.ts';
import { AFTER_FILM, filmLook, filmRisks } from './filmTransfer.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../processNames.ts';
import type { ProcessModule } from './processModule.ts';
import { FILM_ROLES, melterNeed, filmPressingRoles, sourceRefusals } from './refusals.ts';

/** Film made on a direct printer's platen: for a shop with one printer. */
export const platenFilm: ProcessModule = {
  id: 'dtf-platen',
  name: PROCESS_NAMES['dtf-platen'],
  shortName: PROCESS_SHORT_NAMES['dtf-platen'],
  artProcess: () => 'dtf',
  practices: [platenFilmPrint, ...AFTER_FILM],
  sources: (line) => [...FILM_ROLES, ...filmPressingRoles(line)],
  refusals: (line) => [...sourceRefusals(line, platenFilm.sources(line)), ...melterNeed(line)],
  look: filmLook,
  risks: (line) => [
    ...(printerFor(line).whiteJobs === 'two' ? [say('risk.shift-between-jobs')] : []),
    say('risk.garment-ink-runs'),
    ...filmRisks(line),
  ],
  heatedAgain: {
    harm: 1,
    said: say('again.film'),
  },
  restBeforeDispatchS: 0,
};
