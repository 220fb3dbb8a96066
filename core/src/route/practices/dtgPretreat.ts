import { CAUTIONS } from '../cautions.ts';
import { isMostlyPolyester, needsWhite } from '../fabric.ts';
import { rest } from '../practice.ts';
import type { Practice } from '../practice.ts';
import { makerReason } from '../resolveSetting.ts';
import { TRADE } from '../tradeRanges.ts';
import type { RouteInput } from '../documents.ts';

/** Dark and polyester garments are pretreated; pale cotton is not. */
export const isPretreated = ({ garment }: RouteInput): boolean =>
  needsWhite(garment) || isMostlyPolyester(garment);

/** Keeps white ink on top of the fibres. Weighed, since a dial is not grams. */
export const dtgPretreat: Practice = {
  id: 'pretreat',
  station: 'sprayer',
  applies: isPretreated,
  plan: ({ garment, print, equipment }, settle) => {
    const isPolyester = isMostlyPolyester(garment);
    const fluid = equipment.pretreatments[isPolyester ? 'polyester' : 'cotton'];
    const factor = isPolyester
      ? TRADE.pretreatmentPolyesterFactor.start
      : garment.construction === 'fleece'
        ? TRADE.pretreatmentFleeceFactor.start
        : 1;
    const wished = Math.round(TRADE.pretreatmentCottonGM2.start * factor);
    const perArea = settle({
      key: 'gM2',
      label: 'Pretreatment per area',
      kind: 'arealMass',
      reasons: [
        ...(factor === 2 ? [] : [makerReason(fluid.name, fluid.gM2, wished, 'arealMass')]),
        {
          source: 'trade',
          text: isPolyester
            ? 'Polyester takes 20 to 40 % more, of its own solution.'
            : factor > 1
              ? 'Thick fleece drinks two to three times what a tee takes.'
              : '110 to 180 g/m² on a dark cotton tee.',
          value: wished,
        },
      ],
      limits:
        factor === 2
          ? []
          : [{ ...fluid.gM2, text: `the sheet of “${fluid.name}”: less is dull, more stains and stiffens.` }],
      ability: { min: 1, max: 1000 },
    });
    const targetG = Math.round(print.pretreatmentM2 * perArea.value * 10) / 10;
    return {
      title: 'Pretreat and weigh',
      per: 'piece',
      handsS: 40,
      machineS: 15,
      settings: [perArea],
      checks: ['Weigh before and after', 'Only the print area and a margin; fold nothing on itself'],
      look: 'An even, fine mist standing on the fibres.',
      cautions: [CAUTIONS.irritant, CAUTIONS.fumes],
      weighIn: {
        targetG,
        toleranceG: Math.max(0.5, Math.round(targetG * TRADE.pretreatmentTolerance.start * 10) / 10),
      },
      consumes: [
        {
          what: fluid.name,
          amount: targetG,
          kind: 'mass',
          cents: (targetG / 1000) * fluid.centsPerKg,
          isAssumed: true,
        },
      ],
      phases: [rest('spray', 40, true)],
    };
  },
};
