import { say } from '../../words/index.ts';
import { byHand, tapeUse } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { crossesPocket } from '../../placement/index.ts';
import type { PrintInput } from '../documents.ts';
import { isSplitOpen } from '../fabric.ts';
import { placementOf } from '../placing.ts';

/** Makes the platen level where a pocket would lift the print, once for the whole line. */
export const levelPlaten: Practice = {
  id: 'level-platen',
  role: 'set-up',
  part: 'blank',
  station: 'preparation',
  applies: isOverPocket,
  plan: (input) => ({
    title: 'Level the platen for the pocket',
    unit: 'line',
    phases: [byHand('set up', 240)],
    checks: [say('check.riser'), say('check.platen-tape'), say('check.clearance-by-hand')],
    look: say('look.straight-edge'),
    consumes: tapeUse(input, TAPE_M),
  }),
};

const TAPE_M = 0.6; // two strips beside the garment, each piece (assumption)

/** True when the print reaches over a front pocket. */
export function isOverPocket(input: PrintInput): boolean {
  return crossesPocket(input.garment, input.placement.key, placementOf(input).sizes);
}

/** Opens thin wicking shirts up, so that ink and heat meet one layer only. */
export const splitLoad: Practice = {
  id: 'split-load',
  role: 'load',
  part: 'blank',
  station: 'preparation',
  applies: isSplitOpen,
  plan: () => ({
    title: 'Split open and lay single',
    unit: 'piece',
    phases: [byHand('load single', 20)],
    checks: [say('check.one-layer'), say('check.underlay'), say('check.same-at-press')],
    look: say('look.one-layer'),
  }),
};
