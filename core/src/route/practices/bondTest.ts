import { say } from '../../words/index.ts';
import { doubtfulFaces } from '../fabric.ts';
import { alone, byHand } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';

const COLD_S = 900; // a pressed piece is cold through after a quarter of an hour on a table (assumption)

/** One piece pressed, left to cool and pulled at, before the others: where nobody knows whether glue holds. */
export const bondTest: Practice = {
  id: 'bond-test',
  shared: 'garment',
  role: 'set-up',
  part: 'blank',
  station: 'inspection',
  applies: ({ garment }) => doubtfulFaces(garment).length > 0,
  plan: ({ garment }) => ({
    title: 'Bond test on one piece',
    unit: 'line',
    awaits: ['transfer'],
    phases: [
      byHand('press one', 90),
      alone('cool', COLD_S, { maxWaitS: null }),
      byHand('scratch and pull', 60),
    ],
    checks: [
      say('check.bond-one', { faces: doubtfulFaces(garment) }),
      say('check.bond-cold'),
      say('check.bond-wash'),
      say('check.bond-fails'),
    ],
    look: say('look.bond-holds'),
  }),
};
