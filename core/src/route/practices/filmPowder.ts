import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { areaScale, powderFor } from '../equip.ts';
import { LOOSE_POWDER_S, filmSheets } from '../filmSheets.ts';
import { alone, byHand, houseReason, tradeReason } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { TRADE } from '../tradeRanges.ts';

const SECOND_COAT = 0.7; // of the first: part of it finds no wet ink any more (assumption)

/** Powder picked up by one print, g. */
export function powderPerPrintG(input: PrintInput): number {
  const coats = input.house.powderCoats === 'two' ? 1 + SECOND_COAT : 1;
  const { inkMm2, powderG } = input.print;
  const once = powderG > 0 ? powderG : (inkMm2 / 1e6) * powderFor(input).gM2;
  return once * areaScale(input) * coats;
}

/** Adhesive onto the wet ink. */
export const filmPowder: Practice = {
  id: 'powder',
  role: 'powder',
  part: 'transfer',
  station: 'powder',
  applies: () => true,
  plan: (input, settle) => {
    const { print, pieces, house } = input;
    const powder = powderFor(input);
    const isTwice = house.powderCoats === 'two';
    const perPrintG = powderPerPrintG(input);
    const coats = isTwice ? 2 : 1;
    const stand = settle({
      key: 'standS',
      sets: 'stand',
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
      sets: 'powder',
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
      unit: 'sheet',
      size: filmSheets(input).perSheet,
      phases: [
        ...(stand.value > 0 ? [alone('stand', stand.value)] : []),
        byHand('powder', 25 * coats, { eachS: 10 * coats, canPause: false }),
      ],
      settings: [stand, amount],
      checks: [
        'Every inked part coated',
        'Back flicked hard, no grain left on bare film',
        'Room under 60 % humidity, or powder clings',
        'Excess back into the closed container',
      ],
      look: 'Even white frost on the ink, clear film between.',
      cautions: [CAUTIONS.dust],
      consumes: [
        {
          id: powder.id,
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
