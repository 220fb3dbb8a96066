import type { Practice, Settle } from '../practice.ts';
import type { Setting } from '../documents.ts';
import { rest } from '../practice.ts';
import { TRADE } from '../tradeRanges.ts';
import { settleChoke } from './chokeSetting.ts';

const ANY_SHARE = { min: 0, max: 1 };

/** Colour, then white, mirrored, on the coated side of the film. */
export const dtfPrint: Practice = {
  id: 'print-film',
  station: 'film-printer',
  applies: () => true,
  plan: ({ print, pieces, equipment }, settle) => {
    const printer = equipment.printers.dtf;
    const ink = equipment.inkSets.dtf;
    const machineS = Math.round(print.filmM2 * pieces * printer.minPerM2 * 60);
    const isAssumed = ink.status === 'assumed';
    return {
      title: 'Print the film',
      per: 'batch',
      handsS: 120,
      machineS,
      timerS: machineS,
      settings: whiteSettings(settle),
      checks: [
        'White ink agitated, nozzle check clean',
        'Coated (matt) side up: a damp finger clouds it',
        'Colour first, then white',
        'Mirrored once: in the print software or here, not both',
      ],
      look: 'No puddles, no lines; the white covers all colour but a hair at the edge.',
      phases: [rest('print', machineS)],
      consumes: [
        {
          what: `${ink.name}, colour`,
          amount: print.colourMl,
          kind: 'volume',
          cents: print.colourMl * ink.colourCentsPerMl,
          isAssumed,
        },
        {
          what: `${ink.name}, white`,
          amount: print.whiteMl,
          kind: 'volume',
          cents: print.whiteMl * ink.whiteCentsPerMl,
          isAssumed,
        },
        {
          what: equipment.film.name,
          amount: print.filmM2,
          kind: 'area',
          cents: print.filmM2 * equipment.film.centsPerM2,
          isAssumed: false,
        },
      ],
      waitAfter: {
        minS: 0,
        maxS: TRADE.powderStandS.max,
        why: 'Powder holds only on wet ink: minutes, not tens of minutes.',
      },
    };
  },
};

function whiteSettings(settle: Settle): Setting[] {
  const density = settle({
    key: 'whiteDensity',
    label: 'White density',
    kind: 'share',
    reasons: [
      {
        source: 'trade',
        text: 'Film white is run at 50 to 70 %: more hides better, but feels heavier and dries slower.',
        value: TRADE.filmWhiteDensity.start,
      },
    ],
    limits: [],
    ability: ANY_SHARE,
  });
  const choke = settleChoke(
    settle,
    TRADE.filmChokeMm,
    'White stays this far inside the colour so that no white rim shows; fine lines lose white when it is more.',
  );
  const pause = settle({
    key: 'pauseS',
    label: 'Pause between colour and white',
    kind: 'duration',
    reasons: [
      {
        source: 'trade',
        text: 'Lets the colour set so that white does not sink in: 15 to 20 s.',
        value: TRADE.filmPauseS.start,
      },
    ],
    limits: [],
    ability: { min: 0, max: 120 },
  });
  return [density, choke, pause];
}
