import { say } from '../../words/index.ts';
import type { Consumption } from '../../work/index.ts';
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

/** Powder picked up by one print in one coat, g. */
function coatG(input: PrintInput): number {
  const { inkMm2, powderG } = input.print;
  const once = powderG > 0 ? powderG : (inkMm2 / 1e6) * powderFor(input).gM2;
  return once * areaScale(input);
}

/** Coats laid one on the other before the heat, as parts of the first. */
const coatsAtOnce = ({ house }: PrintInput): number => (house.powderCoats === 'two' ? 1 + SECOND_COAT : 1);

export const isMeltedBetween = ({ house }: Pick<PrintInput, 'house'>): boolean =>
  house.powderCoats === 'melted-between';

/** Adhesive onto the wet ink. */
export const filmPowder: Practice = {
  id: 'powder',
  role: 'powder',
  part: 'transfer',
  station: 'powder',
  applies: () => true,
  plan: (input, settle) => {
    const { house } = input;
    const isTwice = house.powderCoats === 'two';
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
    const amount = settle(powderAmount(input, coatsAtOnce(input)));
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
      consumes: [powderUse(input, coatsAtOnce(input))],
      waitAfter: {
        minS: 0,
        maxS: LOOSE_POWDER_S,
        why: say('wait.loose-powder'),
      },
    };
  },
};

/** A second coat on the glue of the first, while it is warm and clings. */
export const filmPowderAgain: Practice = {
  id: 'powder-again',
  role: 'powder',
  part: 'transfer',
  station: 'powder',
  applies: isMeltedBetween,
  plan: (input, settle) => ({
    title: 'Powder again, on the warm glue',
    unit: 'sheet',
    size: filmSheets(input).perSheet,
    phases: [byHand('powder', 25, { eachS: 10, canPause: false })],
    settings: [settle(powderAmount(input, SECOND_COAT))],
    checks: [say('check.powder-warm'), say('check.flicked'), say('check.excess-back')],
    look: say('look.powdered'),
    cautions: [CAUTIONS.dust, CAUTIONS.hotFilm],
    consumes: [powderUse(input, SECOND_COAT)],
    waitAfter: { minS: 0, maxS: LOOSE_POWDER_S, why: say('wait.loose-powder') },
  }),
};

/** Powder one print takes. */
function powderUse(input: PrintInput, coats: number): Consumption {
  const { id, name, centsPerKg, status } = powderFor(input);
  const amount = coatG(input) * coats;
  return {
    id,
    what: name,
    amount,
    kind: 'mass',
    cents: (amount / 1000) * centsPerKg,
    isAssumed: status === 'assumed',
  };
}

/** What the whole line picks up: as the powder is known to, in so many coats of the first. */
function powderAmount(input: PrintInput, coats: number): SettingProposal {
  const { print, pieces } = input;
  const powder = powderFor(input);
  const usualG = Math.round(coatG(input) * coats * pieces * 10) / 10;
  const share = TRADE.powderLoadShare;
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
          coats,
        }),
        value: usualG,
      },
      ...(coats === 1 ? [] : [houseReason(input, 'powderCoats', null)]),
    ],
    limits: [
      {
        min: Math.floor(usualG * share.min * 10) / 10,
        max: Math.ceil(usualG * share.max * 10) / 10,
        said: say('limit.powder-load'),
      },
    ],
    ability: { min: 0, max: 100000 },
  };
}
