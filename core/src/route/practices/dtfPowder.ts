import { CAUTIONS } from '../cautions.ts';
import { rest } from '../practice.ts';
import type { Practice } from '../practice.ts';

/** Adhesive onto the wet white. */
export const dtfPowder: Practice = {
  id: 'powder',
  station: 'powder',
  applies: () => true,
  plan: ({ print, pieces, equipment }, settle) => {
    const totalG = print.powderG * pieces;
    const handsS = 60 + 10 * pieces;
    const powder = settle({
      key: 'powderG',
      label: 'Powder picked up',
      kind: 'mass',
      reasons: [
        {
          source: 'model',
          text: `${pieces} prints of ${(print.inkMm2 / 100).toFixed(0)} cm² of ink, 45 g/m² picked up (assumed; weigh a sheet before and after).`,
          value: Math.round(totalG * 10) / 10,
        },
      ],
      limits: [],
      ability: { min: 0, max: 100000 },
    });
    return {
      title: 'Powder the film',
      per: 'batch',
      handsS,
      settings: [powder],
      checks: [
        'Every inked part coated',
        'Back flicked hard, no grain left on bare film',
        'Room under 60 % humidity, or powder clings',
      ],
      look: 'Even white frost on the ink, clear film between.',
      cautions: [CAUTIONS.dust],
      phases: [rest('powder', Math.min(handsS, 120), true)],
      consumes: [
        {
          what: equipment.powder.name,
          amount: print.powderG,
          kind: 'mass',
          cents: (print.powderG / 1000) * equipment.powder.centsPerKg,
          isAssumed: true,
        },
      ],
      waitAfter: {
        minS: 0,
        maxS: 600,
        why: 'Loose powder shakes off: melt it before the film is moved about.',
      },
    };
  },
};
