import { CAUTIONS } from '../cautions.ts';
import type { RouteInput } from '../documents.ts';
import { areaScale, powderFor } from '../equip.ts';
import { houseReason, rest, tradeReason } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { TRADE } from '../tradeRanges.ts';

const SECOND_COAT = 0.7; // of the first: part of it finds no wet ink any more (assumption)

/** Powdered film is melted within this time: loose powder shakes off (assumption). */
export const LOOSE_POWDER_S = 600;

/** Powder picked up by one print, g. */
export function powderPerPrintG(input: RouteInput): number {
  const coats = input.house.powderCoats === 'two' ? 1 + SECOND_COAT : 1;
  const { inkMm2, powderG } = input.print;
  const once = powderG > 0 ? powderG : (inkMm2 / 1e6) * powderFor(input).gM2;
  return once * areaScale(input) * coats;
}

/** Adhesive onto the wet ink. */
export const filmPowder: Practice = {
  id: 'powder',
  station: 'powder',
  applies: () => true,
  plan: (input, settle) => {
    const { print, pieces, house } = input;
    const powder = powderFor(input);
    const isTwice = house.powderCoats === 'two';
    const perPrintG = powderPerPrintG(input);
    const handsS = (60 + 10 * pieces) * (isTwice ? 2 : 1);
    const stand = settle({
      key: 'standS',
      label: 'Stand before powdering',
      kind: 'duration',
      reasons: [
        houseReason(
          input,
          'powderStand',
          house.powderStand === 'stand' ? TRADE.powderStandDampS.start : TRADE.powderStandS.start,
        ),
        tradeReason(TRADE.powderStandS.start, 'While the ink is wet; up to 5 min in a damp room.'),
      ],
      limits: [
        {
          min: null,
          max: TRADE.powderStandS.max,
          text: 'by then the ink is dry and holds no powder (trade).',
        },
      ],
      ability: { min: 0, max: 3600 },
    });
    const amount = settle({
      key: 'powderG',
      label: 'Powder picked up',
      kind: 'mass',
      reasons: [
        {
          source: 'model',
          text: `${pieces} prints of ${(print.inkMm2 / 100).toFixed(0)} cm² of ink, ${powder.gM2} g/m² picked up (${powder.status})${isTwice ? ', and seven tenths of it again in the second coat' : ''}.`,
          value: Math.round(perPrintG * pieces * 10) / 10,
        },
        ...(isTwice ? [houseReason(input, 'powderCoats', null)] : []),
      ],
      limits: [],
      ability: { min: 0, max: 100000 },
    });
    return {
      title: isTwice ? 'Powder the film, two coats' : 'Powder the film',
      per: 'batch',
      handsS,
      machineS: stand.value,
      timerS: stand.value,
      settings: [stand, amount],
      checks: [
        'Every inked part coated',
        'Back flicked hard, no grain left on bare film',
        'Room under 60 % humidity, or powder clings',
        'Excess back into the closed container',
      ],
      look: 'Even white frost on the ink, clear film between.',
      cautions: [CAUTIONS.dust],
      phases: [rest('stand', stand.value), rest('powder', Math.min(handsS, 120), true)],
      consumes: [
        {
          what: powder.name,
          amount: perPrintG,
          kind: 'mass',
          cents: (perPrintG / 1000) * powder.centsPerKg,
          isAssumed: powder.status === 'assumed',
        },
      ],
      waitAfter: {
        minS: 0,
        maxS: LOOSE_POWDER_S,
        why: 'Loose powder shakes off: melt it before the film is moved about.',
      },
    };
  },
};
