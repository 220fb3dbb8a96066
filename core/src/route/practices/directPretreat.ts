import { say } from '../../words/index.ts';
import type { Said } from '../../words/index.ts';
import { USUAL_GRAMS, gramsFor, nearestSetting, readSprayer, wantedGm2 } from '../../spray/index.ts';
import type { Cloth, GramsForLine } from '../../spray/index.ts';
import type { Limit, ReasonSource, Setting } from '../../work/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { areaScale, fluidFor, sprayerFor } from '../equip.ts';
import { isMostlyPolyester, needsWhite } from '../fabric.ts';
import type { NozzleFit, Sprayer, SprayerDial } from '../machines.ts';
import type { Pretreatment } from '../materials.ts';
import { alone, around, byHand, on } from '../practiceParts.ts';
import type { Practice, Settle } from '../practice.ts';
import { houseCheck } from '../proposals.ts';
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
    const isMasked = house.sprayArea === 'mask';
    const gramsOver = (areaM2: number): number =>
      Math.round(areaM2 * areaScale(input) * perArea.value * 10) / 10;
    const targetG = gramsOver(isMasked ? print.sprayM2.shape : print.sprayM2.box);
    const sprayedG = gramsOver(print.sprayM2.box); // a mask keeps off the cloth what it catches, and saves none
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
      settings: [perArea, ...sprayerDial(sprayer, fluid, perArea.value, settle)],
      checks: [
        say('check.weigh'),
        fluidWords(fluid, fluidForLine(sprayedG, input.pieces)),
        isMasked ? say('check.mask', { marginMm: USUAL_GRAMS.marginMm }) : say('check.print-area-only'),
        ...(print.widthMm > sprayer.widthMm ? [say('check.two-strips', { sprayer: sprayer.name })] : []),
        ...(sprayer.isHandGun ? [say('check.hand-bands')] : []),
        isRolled ? say('check.roll-in') : houseCheck(input, 'rollering'),
        say('check.dry-within', { withinS: fluid.dryByS }),
      ],
      look: say('look.mist'),
      cautions: [CAUTIONS.irritant, CAUTIONS.mist],
      weighIn: {
        targetG,
        toleranceG: Math.max(0.5, Math.round(targetG * TRADE.pretreatmentTolerance.start * 10) / 10),
      },
      consumes: [
        {
          id: fluid.id,
          what: fluid.name,
          amount: sprayedG,
          kind: 'mass',
          cents: (sprayedG / 1000) * fluid.centsPerKg,
          isAssumed: true,
        },
      ],
      waitAfter: { minS: 0, maxS: fluid.dryByS, why: say('wait.wet-pretreatment') },
    };
  },
};

/** Fluid for all of a line's pieces, with what goes beside them, what primes the nozzle, and a little over. */
export const fluidForLine = (targetG: number, pieces: number): GramsForLine =>
  gramsFor({ ...USUAL_GRAMS, targetGm2: targetG, sprayMm2: 1e6, count: pieces });

const fluidWords = ({ name, centsPerKg }: Pretreatment, { lineMl, bottles }: GramsForLine): Said =>
  say('check.fluid-for-line', {
    fluid: name,
    ml: Math.round(lineMl),
    bottles,
    bottleMl: USUAL_GRAMS.bottleMl,
    cents: Math.round((lineMl * USUAL_GRAMS.densityGPerMl * centsPerKg) / 1000),
  });

/** Dial and passes: by this shop's weighings of the fluid on the nozzle that is in it, else by the maker's table. */
function sprayerDial(sprayer: Sprayer, fluid: Pretreatment, gM2: number, settle: Settle): Setting[] {
  const fit = sprayer.fits.find(({ fluidId, nozzle }) => fluidId === fluid.id && nozzle === sprayer.nozzle);
  const found = fit && sprayer.setting ? byWeighings(sprayer, sprayer.setting, fit, gM2) : null;
  const table = byTable(sprayer, gM2);
  const ways = [found, table].filter((own) => own !== null);
  const [best] = ways;
  if (best === undefined) return [];
  const { setting, dial } = sprayer;
  const marks = dial.map((own) => own.mark);
  return [
    settle({
      key: 'dial',
      sets: 'dial',
      label: setting?.name ?? 'Dial',
      kind: 'mark',
      reasons: ways.map(({ source, said, mark }) => ({ source, said, value: mark })),
      limits: [],
      ability: setting
        ? { min: setting.least, max: setting.most }
        : { min: Math.min(...marks), max: Math.max(...marks) },
    }),
    settle({
      key: 'sprayPasses',
      sets: 'spray-passes',
      label: 'Spray passes',
      kind: 'count',
      reasons: ways.map(({ source, said, passes }) => ({ source, said, value: passes })),
      limits: [],
      ability: { min: 1, max: MOST_PASSES },
    }),
  ];
}

const MOST_PASSES = 4; // out and back twice (assumption)

/** A way to set a sprayer, and who says so. */
interface SprayWay {
  source: ReasonSource;
  said: Said;
  mark: number;
  passes: number;
}

/**
 * By the fit: one pass where it gives enough within what was weighed, else two. What neither gives is said with the nearest
 * end of the range, so that nobody takes it for what was wanted.
 */
function byWeighings({ name }: Sprayer, setting: SprayerDial, fit: NozzleFit, gM2: number): SprayWay {
  const asked = readSprayer(fit);
  const single = asked.settingFor(gM2, 1);
  const reached = [single, asked.settingFor(gM2, 2)].filter((own) => own.setting !== null);
  const tried = reached.filter(({ passesUntried }) => !passesUntried);
  const best = tried.find(({ extrapolates }) => !extrapolates) ?? tried[0] ?? reached[0];
  const isLessThanAny = gM2 < single.reachable[0];
  const end = isLessThanAny === (setting.sense === 'up') ? setting.least : setting.most;
  const passes = best?.passes ?? (isLessThanAny ? 1 : 2);
  const wished = best?.setting ?? end;
  const mark = nearestSetting(setting, setting.step, wished);
  const {
    gm2: gives,
    sprayLow: low,
    sprayHigh: high,
    extrapolates,
    passesUntried,
  } = asked.gm2At(mark, passes);
  const isGuessed = extrapolates || passesUntried;
  return {
    source: 'proven',
    said: best
      ? say('reason.sprayer-weighed', { sprayer: name, n: fit.n, gives, low, high, passes, isGuessed })
      : say('reason.sprayer-cannot', { sprayer: name, n: fit.n, wanted: gM2, gives, passes }),
    mark,
    passes,
  };
}

/** By the sprayer's own table: the fewest passes that come within a tenth, else the nearest. */
function byTable({ name, dial }: Sprayer, gM2: number): SprayWay | null {
  if (dial.length === 0) return null;
  const off = ({ gives }: { gives: number }): number => Math.abs(gives - gM2);
  const bests = Array.from({ length: MOST_PASSES }, (_, i) =>
    dial
      .map((own) => ({ mark: own.mark, passes: i + 1, gives: own.gM2 * (i + 1) }))
      .reduce((best, own) => (off(own) < off(best) ? own : best)),
  );
  const nearest = bests.reduce((best, own) => (off(own) < off(best) ? own : best));
  const { mark, passes, gives } = bests.find((own) => off(own) <= gM2 / 10) ?? nearest;
  return {
    source: 'trade',
    said: say('reason.sprayer-table', { sprayer: name, gives, passes }),
    mark,
    passes,
  };
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

/** What the cloth asks for, g/m², and why: by its fibres and, by the root, its weight; fleece drinks more than any tee. */
export function fluidWish({ garment }: Pick<PrintInput, 'garment'>): { wished: number; said: Said } {
  const { massGM2 } = garment;
  const cloth = clothOf(garment);
  const wanted = (own: Cloth): number => wantedGm2(own, 'dark', massGM2).targetGm2;
  const [min, max] = wantedGm2(cloth, 'dark', massGM2).rangeGm2;
  const wished = Math.round(
    KNITS.includes(cloth) ? byFibres(garment.fibres.polyester, wanted) : wanted(cloth),
  );
  return { wished, said: say('reason.pretreat-cloth', { cloth, clothGM2: massGM2, wished, min, max }) };
}

const KNITS: readonly Cloth[] = ['cotton-knit', 'blend', 'polyester-knit'];

/** The class of cloth that figures of pretreatment are known for. */
export function clothOf({
  construction,
  fibres,
}: Pick<PrintInput['garment'], 'construction' | 'fibres'>): Cloth {
  if (isMostlyPolyester({ fibres })) return 'polyester-knit';
  if (construction === 'fleece') return 'fleece';
  if (construction === 'woven') return 'canvas';
  return fibres.polyester > 0 ? 'blend' : 'cotton-knit';
}

/** A knit between cotton and polyester: evenly from one to the half-and-half blend and on to the other. */
function byFibres(polyester: number, wanted: (cloth: Cloth) => number): number {
  const mix = (from: Cloth, to: Cloth, share: number): number =>
    wanted(from) + share * (wanted(to) - wanted(from));
  return polyester <= 0.5
    ? mix('cotton-knit', 'blend', 2 * polyester)
    : mix('blend', 'polyester-knit', 2 * polyester - 1);
}
