import { say } from '../../words/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { areaScale, powderFor } from '../equip.ts';
import { LOOSE_POWDER_S, filmSheets } from '../filmSheets.ts';
import { alone, byHand } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import type { SettingProposal } from '../resolveSetting.ts';
import { houseReason, tradeReason } from '../proposals.ts';
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
    const { house } = input;
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
        tradeReason(TRADE.powderStandS.start, say('reason.powder-wet', { max: TRADE.powderStandS.max })),
      ],
      limits: [
        {
          min: null,
          max: TRADE.powderStandS.max,
          said: say('limit.powder-wet'),
        },
      ],
      ability: { min: 0, max: 3600 },
    });
    const amount = settle(powderAmount(input));
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
        say('check.all-coated'),
        say('check.flicked'),
        say('check.humidity'),
        say('check.excess-back'),
      ],
      look: say('look.powdered'),
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
        why: say('wait.loose-powder'),
      },
    };
  },
};

/** What the whole line picks up: as the powder is known to, once or twice. */
function powderAmount(input: PrintInput): SettingProposal {
  const { print, pieces, house } = input;
  const powder = powderFor(input);
  const isTwice = house.powderCoats === 'two';
  const usualG = Math.round(powderPerPrintG(input) * pieces * 10) / 10;
  return {
    key: 'powderG',
    sets: 'powder',
    label: 'Powder picked up',
    kind: 'mass',
    reasons: [
      {
        source: 'model',
        said: say('reason.powder-load', {
          prints: pieces,
          inkMm2: print.inkMm2,
          gM2: powder.gM2,
          isWeighed: powder.status === 'weighed',
          isTwice,
        }),
        value: usualG,
      },
      ...(isTwice ? [houseReason(input, 'powderCoats', null)] : []),
    ],
    limits: [
      {
        min: Math.floor(usualG * TRADE.powderLoadShare.min * 10) / 10,
        max: Math.ceil(usualG * TRADE.powderLoadShare.max * 10) / 10,
        said: say('limit.powder-load'),
      },
    ],
    ability: { min: 0, max: 100000 },
  };
}
