import { isCap } from '../../blank/index.ts';
import { filmFor, printersFor } from '../equip.ts';
import type { PrinterTask } from '../machines.ts';
import type { LineInput } from './processModule.ts';

/** A sentence when the claim does not hold, nothing when it does. */
export const unless = (holds: boolean, sentence: string): string[] => (holds ? [] : [sentence]);

/** What powder, melting and pressing need wherever film is made here. */
export function filmWorkNeeds(line: LineInput): string[] {
  const { equipment, garment, print } = line;
  const { films, powder, oven, griddle, presses, capPress } = equipment;
  return [
    ...unless(films.length > 0, 'No film is set up.'),
    ...unless(
      films.length === 0 || print.widthMm <= filmFor(line).widthMm || print.heightMm <= filmFor(line).widthMm,
      'The print is larger than the film is wide.',
    ),
    ...unless(powder !== null, 'No powder is set up.'),
    ...unless(
      oven !== null || griddle !== null || presses.length > 0,
      'Nothing to melt powder with is set up: an oven, a griddle or a press.',
    ),
    ...unless(presses.length > 0 || isCap(garment), 'No press is set up.'),
    ...unless(!isCap(garment) || capPress !== null, 'Caps need a cap press; none is set up.'),
  ];
}

export function printerNeed(line: LineInput, task: PrinterTask, words: string): string[] {
  const printers = printersFor(line, task);
  if (printers.length === 0) return [`No ${words} is set up.`];
  const fits = printers.some(
    ({ widthMm, heightMm }) => line.print.widthMm <= widthMm && line.print.heightMm <= heightMm,
  );
  return unless(fits, `The print is larger than the ${words} prints.`);
}
