import { filmFor, inkFor, printModeFor, printerFor } from '../equip.ts';
import { filmSheets } from '../filmSheets.ts';
import { byHand, houseReason, on } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { filmUse, inSheets, inkUse, mirrorCheck, waitForPowder, wetCheck } from './filmPrint.ts';

/** Makes film go through a desk printer's rollers. */
export const sublimationFeed: Practice = {
  id: 'feed-film',
  role: 'set-up',
  part: 'transfer',
  station: 'preparation',
  applies: () => true,
  plan: (input) => ({
    title: 'Ready the film for the desk printer',
    unit: 'sheet',
    size: filmSheets(input).perSheet,
    phases: [byHand('ready', 30)],
    checks: [
      houseReason(input, 'filmFeed', null).text,
      'Coated side to the print head: a damp finger clouds it',
      ...(filmFor(input).isGlitter ? ['Glitter film: the side without grains to the print head'] : []),
    ],
    look: 'Film and backing flush at the leading edge, no air between.',
  }),
};

/** Colour only: this ink has no white. */
export const sublimationPrint: Practice = {
  id: 'print-film',
  role: 'print',
  part: 'transfer',
  station: 'film-printer',
  applies: () => true,
  plan: (input) => {
    const printer = printerFor(input, 'sublimation');
    const ink = inkFor(input, 'sublimation');
    const film = filmFor(input);
    const mode = printModeFor(input, printer);
    return {
      title: 'Print the film, colour only',
      ...inSheets(input, 45),
      on: on('printer', printer),
      checks: [
        'No white: what is white in the art shows the garment',
        ...wetCheck(input),
        mirrorCheck(printer),
        `Mode ${mode.name}: ${mode.why}`,
      ],
      look: 'Even colour that stands on the film without running.',
      consumes: [...inkUse(input, ink), filmUse(input, film)],
      waitAfter: waitForPowder(input),
    };
  },
};
