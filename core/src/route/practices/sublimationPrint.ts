import type { RouteInput } from '../documents.ts';
import { areaScale, filmFor, inkFor, printModeFor, printerFor } from '../equip.ts';
import { houseReason, rest } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { WAIT_FOR_POWDER, filmUse, inkUse, mirrorCheck, printed, wetCheck } from './filmPrint.ts';

/** Makes film go through a desk printer's rollers. */
export const sublimationFeed: Practice = {
  id: 'feed-film',
  station: 'preparation',
  applies: () => true,
  plan: (input) => ({
    title: 'Ready the film for the desk printer',
    per: 'batch',
    handsS: 30 * sheetsOf(input),
    checks: [
      houseReason(input, 'filmFeed', null).text,
      'Coated side to the print head: a damp finger clouds it',
      ...(filmFor(input).isGlitter ? ['Glitter film: the side without grains to the print head'] : []),
    ],
    look: 'Film and backing flush at the leading edge, no air between.',
    phases: [rest('ready', 30, true)],
  }),
};

/** Colour only: this ink has no white. */
export const sublimationPrint: Practice = {
  id: 'print-film',
  station: 'film-printer',
  applies: () => true,
  plan: (input) => {
    const printer = printerFor(input, 'sublimation');
    const ink = inkFor(input, 'sublimation');
    const film = filmFor(input);
    const mode = printModeFor(input, printer);
    return {
      title: 'Print the film, colour only',
      ...printed(input, mode.minPerM2),
      on: { kind: 'printer', name: printer.name },
      handsS: 45 * sheetsOf(input),
      checks: [
        'No white: what is white in the art shows the garment',
        ...wetCheck(input, mode.minPerM2),
        mirrorCheck(printer),
        `Mode ${mode.name}: ${mode.why}`,
      ],
      look: 'Even colour that stands on the film without running.',
      consumes: [...inkUse(input, ink), filmUse(input, film)],
      waitAfter: WAIT_FOR_POWDER,
    };
  },
};

const SHEET_M2 = 0.06; // a desk printer's sheet of film, about A4

const sheetsOf = (input: RouteInput): number =>
  Math.max(1, Math.ceil((input.print.filmM2 * areaScale(input) * input.pieces) / SHEET_M2));
