import { CAUTIONS } from '../cautions.ts';
import { needsWhite } from '../fabric.ts';
import { rest } from '../practice.ts';
import type { Setting } from '../documents.ts';
import type { Practice, Settle } from '../practice.ts';
import { TRADE } from '../tradeRanges.ts';
import { settleChoke } from './chokeSetting.ts';

/** Straight onto the garment: white first where it is dark, then colour. */
export const dtgPrint: Practice = {
  id: 'print',
  station: 'direct-printer',
  applies: () => true,
  plan: ({ garment, print, equipment }, settle) => {
    const printer = equipment.printers.dtg;
    const ink = equipment.inkSets.dtg;
    const isAssumed = ink.status === 'assumed';
    const hasWhite = needsWhite(garment);
    const areaM2 = (print.widthMm * print.heightMm) / 1e6;
    const machineS = Math.round(areaM2 * printer.minPerM2 * 60 * (hasWhite ? 1 : 0.5));
    return {
      title: 'Load and print',
      per: 'piece',
      handsS: 45,
      machineS,
      timerS: machineS,
      settings: hasWhite ? whiteSettings(settle) : [],
      checks: [
        'Straight, collar at the platen’s edge, hooped, no wrinkle',
        'Platen raised until the sensor objects, then one or two steps down',
        hasWhite ? 'White ink agitated, nozzle check clean' : 'No white under a light garment',
        'Not mirrored',
      ],
      look: hasWhite ? 'Bright white under all colour, no grey fibres through.' : 'Even colour, no lines.',
      cautions: [CAUTIONS.headStrike],
      phases: [rest('print', machineS)],
      consumes: [
        {
          what: `${ink.name}, colour`,
          amount: print.colourMl,
          kind: 'volume',
          cents: print.colourMl * ink.colourCentsPerMl,
          isAssumed,
        },
        ...(hasWhite
          ? [
              {
                what: `${ink.name}, white`,
                amount: print.whiteMl,
                kind: 'volume' as const,
                cents: print.whiteMl * ink.whiteCentsPerMl,
                isAssumed,
              },
            ]
          : []),
      ],
      waitAfter: {
        minS: TRADE.directStandS.start,
        maxS: null,
        why: 'Wet ink stands about a minute and is touched by nothing.',
      },
    };
  },
};

/** How much white, and how far inside the colour. */
function whiteSettings(settle: Settle): Setting[] {
  const choke = settleChoke(
    settle,
    TRADE.directChokeMm,
    'White stays this far inside the colour so that no white rim shows.',
  );
  const density = settle({
    key: 'whiteDensity',
    label: 'White density',
    kind: 'share',
    reasons: [
      {
        source: 'trade',
        text: 'Fabric swallows white: as much as one pass lays is the usual start.',
        value: TRADE.directWhiteDensity.start,
      },
    ],
    limits: [
      {
        min: TRADE.directWhiteDensity.min,
        max: TRADE.directWhiteDensity.max,
        text: 'outside usual practice: fibres show through thin white (trade).',
      },
    ],
    ability: { min: 0, max: 1 },
  });
  return [density, choke];
}
