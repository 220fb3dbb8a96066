import { say } from '../../words/index.ts';
import type { Said } from '../../words/index.ts';
import type { Limit, Setting } from '../../work/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { areaScale, fluidFor, sprayerFor } from '../equip.ts';
import { isMostlyPolyester, needsWhite } from '../fabric.ts';
import type { Sprayer } from '../machines.ts';
import type { Pretreatment } from '../materials.ts';
import { alone, around, byHand, on } from '../practiceParts.ts';
import type { Practice, Settle } from '../practice.ts';
import { houseCheck, tradeReason } from '../proposals.ts';
import { makerReason, spanOf } from '../resolveSetting.ts';
import { TRADE } from '../tradeRanges.ts';

/** Dark and polyester garments want pretreatment; pale cotton does not. */
const wantsFluid = ({ garment }: Pick<PrintInput, 'garment'>): boolean =>
  needsWhite(garment) || isMostlyPolyester(garment);

/** True where it is sprayed here: not on what was bought pretreated. */
export const isSprayed = (input: Pick<PrintInput, 'garment'>): boolean =>
  wantsFluid(input) && input.garment.pretreated === null;

/** Keeps white ink on top of the fibres. Weighed, since a dial is not grams. */
export const directPretreat: Practice = {
  id: 'pretreat',
  role: 'spray',
  part: 'blank',
  station: 'sprayer',
  applies: isSprayed,
  plan: (input, settle) => {
    const { print, house } = input;
    const fluid = fluidFor(input);
    const { wished, said } = fluidWish(input);
    const sheet = fluidSheet(input, fluid);
    const perArea = settle({
      key: 'gM2',
      sets: 'fluid',
      label: 'Pretreatment per area',
      kind: 'arealMass',
      reasons: [
        makerReason(fluid.name, spanOf(sheet), wished, 'arealMass'),
        { source: 'trade', said, value: wished },
      ],
      limits: [sheet],
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
      settings: [perArea, ...sprayerDial(sprayer, perArea.value, settle)],
      checks: [
        say('check.weigh'),
        say('check.print-area-only'),
        ...(print.widthMm > sprayer.widthMm ? [say('check.two-strips', { sprayer: sprayer.name })] : []),
        ...(sprayer.isHandGun ? [say('check.hand-bands')] : []),
        isRolled ? say('check.roll-in') : houseCheck(input, 'rollering'),
        say('check.dry-within', { withinS: fluid.dryByS }),
      ],
      look: say('look.mist'),
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
      waitAfter: { minS: 0, maxS: fluid.dryByS, why: say('wait.wet-pretreatment') },
    };
  },
};

const MOST_PASSES = 4; // out and back twice (assumption)

/** Dial and passes by the sprayer's own table: the fewest passes that come within a tenth, else the nearest. */
function sprayerDial({ name, dial }: Sprayer, gM2: number, settle: Settle): Setting[] {
  if (dial.length === 0) return [];
  const off = ({ gives }: { gives: number }): number => Math.abs(gives - gM2);
  const bests = Array.from({ length: MOST_PASSES }, (_, i) =>
    dial
      .map((own) => ({ mark: own.mark, passes: i + 1, gives: own.gM2 * (i + 1) }))
      .reduce((best, own) => (off(own) < off(best) ? own : best)),
  );
  const nearest = bests.reduce((best, own) => (off(own) < off(best) ? own : best));
  const { mark, passes, gives } = bests.find((own) => off(own) <= gM2 / 10) ?? nearest;
  const said = say('reason.sprayer-table', { sprayer: name, gives, passes });
  const marks = dial.map((own) => own.mark);
  return [
    settle({
      key: 'dial',
      sets: 'dial',
      label: 'Dial',
      kind: 'count',
      reasons: [tradeReason(mark, said)],
      limits: [],
      ability: { min: Math.min(...marks), max: Math.max(...marks) },
    }),
    settle({
      key: 'sprayPasses',
      sets: 'spray-passes',
      label: 'Spray passes',
      kind: 'count',
      reasons: [tradeReason(passes, said)],
      limits: [],
      ability: { min: 1, max: MOST_PASSES },
    }),
  ];
}

const isFleece = ({ garment }: Pick<PrintInput, 'garment'>): boolean =>
  garment.construction === 'fleece' && !isMostlyPolyester(garment);

/** What the fluid's sheet allows here: sheets speak of tees, and thick fleece drinks two to three times that. */
function fluidSheet(
  input: PrintInput,
  { name: fluid, gM2 }: Pretreatment,
): Limit & { min: number; max: number } {
  if (!isFleece(input)) return { ...spanOf(gM2), said: say('limit.sheet-fluid', { fluid }) };
  const { min, max } = TRADE.pretreatmentFleeceFactor;
  return {
    min: Math.round(gM2.min * min),
    max: Math.round(gM2.max * max),
    said: say('limit.sheet-fleece', { fluid }),
  };
}

/** What the fabric asks for, g/m², and why: polyester takes more, by its share; fleece drinks more than any tee. */
export function fluidWish(input: Pick<PrintInput, 'garment'>): { wished: number; said: Said } {
  const { polyester } = input.garment.fibres;
  const { start: base, ...span } = TRADE.pretreatmentCottonGM2;
  const factor = TRADE.pretreatmentPolyesterFactor;
  const times = (own: number): number => Math.round(base * own);
  if (isFleece(input))
    return { wished: times(TRADE.pretreatmentFleeceFactor.start), said: say('reason.pretreat-fleece') };
  const wished = times(1 + (factor.start - 1) * polyester);
  if (polyester >= 1) return { wished, said: say('reason.pretreat-polyester', spanOf(factor)) };
  return polyester > 0
    ? { wished, said: say('reason.pretreat-blend', { share: polyester }) }
    : { wished, said: say('reason.pretreat-tee', spanOf(span)) };
}
