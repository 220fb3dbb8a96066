import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { areaScale, needed, sprayerFor } from '../equip.ts';
import { isMostlyPolyester, needsWhite } from '../fabric.ts';
import { alone, around, byHand, houseReason, on } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { makerReason } from '../resolveSetting.ts';
import { TRADE } from '../tradeRanges.ts';

/** Dark and polyester garments are pretreated; pale cotton is not. */
export const isPretreated = ({ garment }: Pick<PrintInput, 'garment'>): boolean =>
  needsWhite(garment) || isMostlyPolyester(garment);

/** Keeps white ink on top of the fibres. Weighed, since a dial is not grams. */
export const directPretreat: Practice = {
  id: 'pretreat',
  role: 'spray',
  part: 'blank',
  station: 'sprayer',
  applies: isPretreated,
  plan: (input, settle) => {
    const { garment, print, equipment, house } = input;
    const fibre = isMostlyPolyester(garment) ? 'polyester' : 'cotton';
    const fluid = needed(equipment.pretreatments[fibre], `pretreatment for ${fibre}`);
    const { wished, isFleece, why } = fluidWish(input);
    const perArea = settle({
      key: 'gM2',
      sets: 'fluid',
      label: 'Pretreatment per area',
      kind: 'arealMass',
      reasons: [
        ...(isFleece ? [] : [makerReason(fluid.name, fluid.gM2, wished, 'arealMass')]),
        { source: 'trade', text: why, value: wished },
      ],
      limits: isFleece
        ? []
        : [{ ...fluid.gM2, text: `the sheet of “${fluid.name}”: less is dull, more stains and stiffens.` }],
      ability: { min: 1, max: 1000 },
    });
    const targetG = Math.round(print.pretreatmentM2 * areaScale(input) * perArea.value * 10) / 10;
    const sprayer = sprayerFor(input);
    const isRolled = house.rollering === 'rollered';
    const rollS = isRolled ? 10 : 0;
    return {
      title: 'Pretreat and weigh',
      unit: 'piece',
      on: on('sprayer', sprayer),
      phases: sprayer.isHandGun
        ? [byHand('spray', 75 + rollS)]
        : around(40 + rollS, [alone('spray', 15, { isTimed: false })]),
      settings: [perArea],
      checks: [
        'Weigh before and after',
        'Only the print area and a margin; fold nothing on itself',
        ...(print.widthMm > sprayer.widthMm
          ? [`Wider than ${sprayer.name} sprays: two strips side by side, without a gap`]
          : []),
        ...(sprayer.isHandGun
          ? [
              'Prime the gun off to the side; 200 to 250 mm away, three bands across, two down, each begun and ended off the garment',
            ]
          : []),
        isRolled ? 'Roll it in, one direction' : houseReason(input, 'rollering', null).text,
        `Dry within ${Math.round(fluid.dryByS / 60)} min`,
      ],
      look: 'An even, fine mist standing on the fibres.',
      cautions: [CAUTIONS.irritant, CAUTIONS.fumes],
      weighIn: {
        targetG,
        toleranceG: Math.max(0.5, Math.round(targetG * TRADE.pretreatmentTolerance.start * 10) / 10),
      },
      consumes: [
        {
          id: fluid.id,
          what: fluid.name,
          amount: targetG,
          kind: 'mass',
          cents: (targetG / 1000) * fluid.centsPerKg,
          isAssumed: true,
        },
      ],
      waitAfter: {
        minS: 0,
        maxS: fluid.dryByS,
        why: 'Wet pretreatment spreads and sets unevenly when it lies.',
      },
    };
  },
};

/** What the fabric asks for, g/m², and why. Fleece drinks more than any sheet for tees says. */
export function fluidWish({ garment }: PrintInput): { wished: number; isFleece: boolean; why: string } {
  const base = TRADE.pretreatmentCottonGM2;
  const times = ({ start }: { start: number }): number => Math.round(base.start * start);
  if (isMostlyPolyester(garment))
    return {
      wished: times(TRADE.pretreatmentPolyesterFactor),
      isFleece: false,
      why: 'Polyester takes 20 to 40 % more, of its own solution.',
    };
  return garment.construction === 'fleece'
    ? {
        wished: times(TRADE.pretreatmentFleeceFactor),
        isFleece: true,
        why: 'Thick fleece drinks two to three times what a tee takes.',
      }
    : { wished: base.start, isFleece: false, why: `${base.min} to ${base.max} g/m² on a dark cotton tee.` };
}
