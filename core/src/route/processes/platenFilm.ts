import { printersFor } from '../equip.ts';
import { platenFilmPrint } from '../practices/filmPrint.ts';
import { AFTER_FILM, filmLook, filmRisks } from './filmTransfer.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../processNames.ts';
import type { ProcessModule } from './processModule.ts';
import { filmWorkNeeds, printerNeed, unless } from './refusals.ts';

/** Film made on a direct printer's platen: for a shop with one printer. */
export const platenFilm: ProcessModule = {
  id: 'dtf-platen',
  name: PROCESS_NAMES['dtf-platen'],
  shortName: PROCESS_SHORT_NAMES['dtf-platen'],
  artProcess: () => 'dtf',
  ink: 'textile',
  practices: [platenFilmPrint, ...AFTER_FILM],
  refusals: (line) => [
    ...printerNeed(line, 'direct', 'direct printer'),
    ...unless(line.equipment.inkSets.textile !== undefined, 'No textile ink is set up.'),
    ...filmWorkNeeds(line),
  ],
  look: filmLook,
  risks: (line) => [
    ...(printersFor(line, 'direct')[0]?.whiteJobs === 'two'
      ? ['White beside the colour when film moves between the two jobs']
      : []),
    'Garment ink runs on film: watch for puddles',
    ...filmRisks(line),
  ],
  heatedAgain: {
    harm: 1,
    text: 'Its glue softens again: cover it, and let it cool before it is touched.',
  },
  restBeforeDispatchS: 0,
};
