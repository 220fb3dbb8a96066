import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { Fix } from './finding.ts';
import { openShare } from './steps/index.ts';
import type { ArtStep } from './steps/index.ts';

/** A step as people say it: a name for it, and what it does. */
export function sayStep(step: ArtStep): { title: Said; detail: Said } {
  switch (step.kind) {
    case 'knock-out':
      return {
        title: say('step-title.knock-out', { hex: step.hex }),
        detail: say('step.knock-out', { isEverywhere: step.mode === 'global' }),
      };
    case 'crop-margin':
      return { title: say('step-title.crop-margin'), detail: say('step.crop-margin') };
    case 'remove-checkerboard': {
      const [first, second] = step.greys;
      return {
        title: say('step-title.remove-checkerboard'),
        detail: say('step.remove-checkerboard', { first, second }),
      };
    }
    case 'harden-edges':
      return {
        title: say('step-title.harden-edges'),
        detail: say('step.harden-edges', { share: step.threshold / 255 }),
      };
    case 'screen-soft':
      return {
        title: say('step-title.screen-soft'),
        detail: say('step.screen-soft', { cellMm: step.cellMm }),
      };
    case 'thicken':
      return {
        title: say('step-title.thicken', { byMm: step.byMm }),
        detail: say('step.thicken', { thinnerThanMm: step.thinnerThanMm }),
      };
    case 'drop-specks':
      return {
        title: say('step-title.drop-specks'),
        detail: say('step.drop-specks', { smallerThanMm2: step.smallerThanMm2 }),
      };
    case 'perforate': {
      const { holeMm, pitchMm } = step;
      return {
        title: say('step-title.perforate'),
        detail: say('step.perforate', { holeMm, pitchMm, openShare: openShare(holeMm, pitchMm) }),
      };
    }
  }
}

/** What the button of a fix says. */
export function sayFix(fix: Fix): Said {
  if (fix.kind === 'print-width') return say('fix.print-width', { widthMm: fix.widthMm });
  const { step } = fix;
  switch (step.kind) {
    case 'knock-out':
      return say('fix.knock-out', { hex: step.hex, isEverywhere: step.mode === 'global' });
    case 'remove-checkerboard':
      return say('fix.remove-checkerboard');
    case 'harden-edges':
      return say('fix.harden-edges');
    case 'screen-soft':
      return say('fix.screen-soft');
    default:
      return sayStep(step).title;
  }
}
