import { rest } from '../practice.ts';
import type { Practice } from '../practice.ts';

/** Takes the film off. */
export const dtfPeel: Practice = {
  id: 'peel',
  station: 'cooling',
  applies: () => true,
  plan: ({ equipment }) => ({
    title: `Peel ${equipment.film.peel}`,
    per: 'piece',
    handsS: 8,
    checks: ['Slow and steady, low angle', 'It resists? Stop: still too warm, or pressed too short'],
    look: 'Film comes off clean, nothing left on it.',
    phases: [rest('peel', 8, true)],
  }),
};
