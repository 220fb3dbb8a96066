import type { ArtStep, Fix } from '@saltflat/core/artwork';
import { openShare } from '@saltflat/core/artwork';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';

const fine = (value: number, system: UnitSystem): string =>
  formatQuantity(value, 'length', system, system.length === 'mm' ? 2 : 3);

/** A step as a line of the list: what it does. */
export function stepWords(step: ArtStep, system: UnitSystem): { title: string; detail: string } {
  switch (step.kind) {
    case 'knock-out':
      return {
        title: `Take out ${step.hex}`,
        detail: step.mode === 'global' ? 'wherever it is' : 'where it is joined to the border',
      };
    case 'crop-margin':
      return { title: 'Crop the empty margin', detail: 'the printed width is then the art’s own' };
    case 'remove-checkerboard':
      return { title: 'Take the painted checkerboard out', detail: `squares of ${step.greys.join(' and ')}` };
    case 'harden-edges':
      return {
        title: 'Harden edges',
        detail: `full ink from ${Math.round((100 * step.threshold) / 255)} % alpha, none below`,
      };
    case 'screen-soft':
      return { title: 'Screen soft parts', detail: `dots ${fine(step.cellMm, system)} apart` };
    case 'thicken':
      return {
        title: `Thicken by ${fine(step.byMm, system)}`,
        detail: `what is thinner than ${fine(step.thinnerThanMm, system)}`,
      };
    case 'drop-specks':
      return { title: 'Drop specks', detail: `smaller than ${step.smallerThanMm2} mm²` };
    case 'perforate':
      return {
        title: 'Perforate solids',
        detail: `holes of ${fine(step.holeMm, system)} every ${fine(step.pitchMm, system)}: ${Math.round(100 * openShare(step.holeMm, step.pitchMm))} % open`,
      };
  }
}

/** What the button of a fix says. */
export function fixWords(fix: Fix, system: UnitSystem): string {
  if (fix.kind === 'print-width') return `Print it ${formatQuantity(fix.widthMm, 'length', system)} wide`;
  const { step } = fix;
  switch (step.kind) {
    case 'knock-out':
      return step.mode === 'global'
        ? `Take ${step.hex} out everywhere`
        : `Take ${step.hex} out from the border in`;
    case 'remove-checkerboard':
      return 'Take the checkerboard out';
    case 'harden-edges':
      return 'Harden it';
    case 'screen-soft':
      return 'Screen it into dots';
    default:
      return stepWords(step, system).title;
  }
}
