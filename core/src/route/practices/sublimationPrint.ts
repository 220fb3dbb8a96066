import { say } from '../../words/index.ts';
import { filmFor, inkFor, printModeFor, printerFor } from '../equip.ts';
import { filmSheets } from '../filmSheets.ts';
import type { Printer } from '../machines.ts';
import { byHand, on } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { houseCheck } from '../proposals.ts';
import { settlePrint } from '../printSettings.ts';
import {
  filmUse,
  holding,
  inSheets,
  inkUse,
  mirrorCheck,
  onPlaten,
  waitForPowder,
  wetSetting,
  wetCheck,
} from './filmPrint.ts';

/** Printers that pull film through: only there it slips, and only there aids help. */
export const isFed = ({ platens }: Printer): boolean => platens.length === 0;

/** Makes film go through a desk printer's rollers, or lie on a platen. */
export const sublimationFeed: Practice = {
  id: 'feed-film',
  role: 'set-up',
  part: 'transfer',
  station: 'preparation',
  applies: () => true,
  plan: (input) => {
    const printer = printerFor(input);
    return {
      title: isFed(printer) ? 'Ready the film for the desk printer' : 'Ready the film on the platen',
      unit: 'sheet',
      size: filmSheets(input).perSheet,
      phases: [byHand('ready', 30)],
      checks: [
        ...(isFed(printer) ? [houseCheck(input, 'filmFeed')] : onPlaten(input)),
        say('check.head-side'),
        ...(filmFor(input).isGlitter ? [say('check.glitter-head-side')] : []),
      ],
      look: say(isFed(printer) ? 'look.film-fed' : 'look.film-held'),
      consumes: isFed(printer) ? [] : holding(input),
    };
  },
};

/** Colour only: this ink has no white. */
export const sublimationPrint: Practice = {
  id: 'print-film',
  role: 'print',
  part: 'transfer',
  station: 'film-printer',
  applies: () => true,
  plan: (input, settle) => {
    const printer = printerFor(input);
    const ink = inkFor(input);
    const film = filmFor(input);
    const wet = wetSetting(settle);
    return {
      title: 'Print the film, colour only',
      ...inSheets(input, 45),
      on: on('printer', printer),
      settings: [...settlePrint(input, printer, settle), wet],
      checks: [
        say('check.no-white'),
        ...wetCheck(input),
        mirrorCheck(printer),
        printModeFor(input, printer).said,
      ],
      look: say('look.film-colour'),
      consumes: [...inkUse(input, ink), filmUse(input, film)],
      waitAfter: waitForPowder(input, wet.value),
    };
  },
};
