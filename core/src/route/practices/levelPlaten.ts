import { byHand } from '../practiceParts.ts';
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
  plan: ({ equipment }) => ({
    title: 'Level the platen for the pocket',
    unit: 'line',
    phases: [byHand('set up', 240)],
    checks: [
      'Riser under the part above the pocket until the whole print is at one height',
      'Tape on the bare platen beside the garment',
      'Check the clearance to the head over the pocket’s edge by hand',
    ],
    look: 'A straight edge laid across pocket and chest touches both.',
    consumes:
      equipment.tape === null
        ? []
        : [
            {
              id: equipment.tape.id,
              what: equipment.tape.name,
              amount: TAPE_M,
              kind: 'count',
              cents: TAPE_M * equipment.tape.centsPerM,
              isAssumed: true,
            },
          ],
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
    checks: [
      'One layer only on the platen: the back hangs below',
      'Scrap fabric or paper under the print area where ink still comes through',
      'The same under the press',
    ],
    look: 'One smooth layer; the underlay is wider than the print.',
  }),
};
