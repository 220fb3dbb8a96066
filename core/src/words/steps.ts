import type { Figures } from './speech.ts';

/** A length that matters to a hundredth of a millimetre. */
const fine = (mm: number, f: Figures): string => f.q(mm, 'length', f.speech.system.length === 'mm' ? 2 : 3);

/** What is done to a file before it is printed: a name of each step, what it does, and what the button says that adds it. */
export const STEPS = {
  'step-title.knock-out': ({ hex }: { hex: string }) => `Take out ${hex}`,
  'step.knock-out': ({ isEverywhere }: { isEverywhere: boolean }) =>
    isEverywhere ? 'wherever it is' : 'where it is joined to the border',
  'step-title.crop-margin': () => 'Crop the empty margin',
  'step.crop-margin': () => 'the printed width is then the art’s own',
  'step-title.remove-checkerboard': () => 'Take the painted checkerboard out',
  'step.remove-checkerboard': ({ first, second }: { first: string; second: string }) =>
    `squares of ${first} and ${second}`,
  'step-title.harden-edges': () => 'Harden edges',
  'step.harden-edges': ({ share }: { share: number }, f: Figures) =>
    `full ink from ${f.percent(share)} alpha, none below`,
  'step-title.screen-soft': () => 'Screen soft parts',
  'step.screen-soft': ({ cellMm }: { cellMm: number }, f: Figures) => `dots ${fine(cellMm, f)} apart`,
  'step-title.thicken': ({ byMm }: { byMm: number }, f: Figures) => `Thicken by ${fine(byMm, f)}`,
  'step.thicken': ({ thinnerThanMm }: { thinnerThanMm: number }, f: Figures) =>
    `what is thinner than ${fine(thinnerThanMm, f)}`,
  'step-title.drop-specks': () => 'Drop specks',
  'step.drop-specks': ({ smallerThanMm2 }: { smallerThanMm2: number }) =>
    `smaller than ${smallerThanMm2} mm²`,
  'step-title.perforate': () => 'Perforate solids',
  'step.perforate': (
    { holeMm, pitchMm, openShare }: { holeMm: number; pitchMm: number; openShare: number },
    f: Figures,
  ) => `holes of ${fine(holeMm, f)} every ${fine(pitchMm, f)}: ${f.percent(openShare)} open`,
  'fix.print-width': ({ widthMm }: { widthMm: number }, f: Figures) => `Print it ${f.mm(widthMm)} wide`,
  'fix.knock-out': ({ hex, isEverywhere }: { hex: string; isEverywhere: boolean }) =>
    isEverywhere ? `Take ${hex} out everywhere` : `Take ${hex} out from the border in`,
  'fix.remove-checkerboard': () => 'Take the checkerboard out',
  'fix.harden-edges': () => 'Harden it',
  'fix.screen-soft': () => 'Screen it into dots',
};
