import { inEnglish } from '../language/index.ts';
import type { Phrasing } from '../language/index.ts';
import { hasFeature, isThinWicking } from '../blank/index.ts';
import type { Fibre, Garment } from '../blank/index.ts';
import type { QuantityKind } from '../units/index.ts';
import type { Limit, Range, Reason } from '../work/index.ts';
import { FIBRE_NAMES, hardestOf, say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { PrintInput } from './documents.ts';
import { FIBRE_FACTS, fibresIn, wishingFibres } from './fibres.ts';
import { TRADE } from './tradeRanges.ts';

/** From this share on polyester decides what a blend is: which pretreatment it takes, how it is loaded and cured. */
const MOSTLY_POLYESTER = 0.5;
/** Woven cloth from here on is canvas or denim: it soaks up heat and wants a firm press, g/m² (trade). */
const HEAVY_WOVEN_G_M2 = 250;

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** "100 % cotton", "52 % cotton, 48 % polyester", largest share first. */
export const fibreWords = (blend: Pick<Garment, 'fibres'>, t: Phrasing = inEnglish): string =>
  fibresIn(blend)
    .map(({ fibre, share }) => `${percent(share)} ${t(FIBRE_NAMES[fibre])}`)
    .join(', ');

/** True where a blend is treated as polyester as a whole. */
export const isMostlyPolyester = ({ fibres }: Pick<Garment, 'fibres'>): boolean =>
  fibres.polyester >= MOSTLY_POLYESTER;

/** The fibre a pretreatment must be made for here. */
export const fluidFibre = (garment: Pick<Garment, 'fibres'>): 'cotton' | 'polyester' =>
  isMostlyPolyester(garment) ? 'polyester' : 'cotton';

/** Canvas and denim. */
export const isHeavyWoven = ({ construction, massGM2, fibres }: Garment): boolean =>
  construction === 'woven' && massGM2 >= HEAVY_WOVEN_G_M2 && fibres.leatherette < 0.5;

/** Thin wicking knits are opened up for direct print, so that ink and heat meet one layer only. */
export const isSplitOpen = ({ process, garment }: Pick<PrintInput, 'process' | 'garment'>): boolean =>
  process === 'dtg' && isThinWicking(garment);

/** White ink is needed unless the fabric is white, nearly white or a pale tint. */
export const needsWhite = ({ tone }: Pick<Garment, 'tone'>): boolean => tone === 'dark';

/** Straight between two ranges by a share, 0–1, in whole units. */
export function between(cotton: Range, polyester: Range, share: number): Range {
  const at = (p: number, q: number): number => Math.round(p + (q - p) * share);
  return { min: at(cotton.min, polyester.min), max: at(cotton.max, polyester.max) };
}

/** A wished value with why it is wished, and the span practice gives it. */
export interface Wish {
  value: number;
  range: Range;
  reason: Reason;
}

type Wished = 'transferC' | 'transferS' | 'transferKPa' | 'cureC';

/** Where practice starts with a fabric: each fibre's own start by its share, so that a blend lies between, and a heather is a blend. */
export function byShare(garment: Pick<Garment, 'fibres'>, wished: Wished, kind: QuantityKind): Wish {
  const shares = wishingFibres(garment);
  const mean = (end: 'min' | 'max' | 'start'): number =>
    Math.round(shares.reduce((sum, { fibre, share }) => sum + share * FIBRE_FACTS[fibre][wished][end], 0));
  const value = mean('start');
  const range = { min: mean('min'), max: mean('max') };
  const figures = { ...range, start: value, kind };
  const [first, ...others] = shares;
  const said =
    first !== undefined && others.length === 0
      ? say('reason.practice', { fabric: first.fibre, ...figures })
      : say('reason.blend', { shares, ...figures });
  return { value, range, reason: { source: 'trade', said, value } };
}

/** {@link byShare} for a plate's temperature: never wished hotter than this garment can stand, and the reason says so. */
export function heatByShare(garment: Garment, wished: 'transferC' | 'cureC'): Wish {
  const usual = byShare(garment, wished, 'temperature');
  return { ...usual, ...withinHeat(garment, usual.value, usual.reason.said) };
}

/** A wished temperature, lowered to what this garment can stand, with the reason for it. */
export const withinHeat = (garment: Garment, wishC: number, why: Said): Pick<Wish, 'value' | 'reason'> =>
  lowered(heatLimits(garment), { value: wishC, said: why, kind: 'temperature' });

/** A wish, lowered to the tightest of some limits, with the reason for it. */
export function lowered(
  limits: readonly Limit[],
  { value, said, kind }: { value: number; said: Said; kind: QuantityKind },
): Pick<Wish, 'value' | 'reason'> {
  const [tightest] = [...limits].sort((p, q) => (p.max ?? Infinity) - (q.max ?? Infinity));
  const most = tightest?.max ?? Infinity;
  if (tightest === undefined || value <= most) return { value, reason: { source: 'trade', said, value } };
  const why = say('reason.lowered', { usual: said, most, kind, limit: tightest.said });
  return { value: most, reason: { source: 'trade', said: why, value: most } };
}

const atMost = (max: number, said: Said): Limit => ({ min: null, max, said });

/** From cotton's value straight to a fibre's own at the share from which it decides, and that from there on. */
const towards = (cotton: number, own: number, share: number, decidesFrom: number): number =>
  Math.round(cotton + (own - cotton) * Math.min(1, share / decidesFrom));

/** What the fabric can stand, °C: the maker's label, what each fibre stands by its share, dye migration, coatings. */
export function heatLimits(garment: Garment): Limit[] {
  const { maxPressC, name } = garment;
  return [
    ...(maxPressC !== null ? [atMost(maxPressC, say('limit.label', { blank: name }))] : []),
    ...fibresIn(garment).map(standsLimit),
    ...dyeLimit(garment),
    ...(hasFeature(garment, 'coating') ? [atMost(TRADE.coatingC.start, say('limit.coating'))] : []),
    ...(hasFeature(garment, 'water-repellent')
      ? [atMost(TRADE.repellentC.start, say('limit.water-repellent'))]
      : []),
  ];
}

const SCORCH_C = FIBRE_FACTS.cotton.standsC.start;

function standsLimit({ fibre, share }: { fibre: Fibre; share: number }): Limit {
  const { standsC, decidesFrom } = FIBRE_FACTS[fibre];
  if (fibre === 'cotton' || fibre === 'linen') return atMost(standsC.start, say('limit.scorch', { fibre }));
  const isPart = share < decidesFrom;
  return atMost(
    towards(SCORCH_C, standsC.start, share, decidesFrom),
    say(`limit.${fibre}`, { share, isPart }),
  );
}

/** Where dye begins to wander: all at once in polyester, by share in a blend, sooner with a dye known for it; nowhere without dye. */
function dyeLimit({ fibres: { polyester: share }, dye }: Garment): Limit[] {
  if (share === 0 || dye === 'undyed') return [];
  const isProne = dye === 'migrating';
  const dyeC = isProne ? TRADE.dyeMigrationProneC.start : TRADE.dyeMigrationC.start;
  const said =
    share >= MOSTLY_POLYESTER ? say('limit.dye', { isProne }) : say('limit.dye-blend', { share, isProne });
  return [atMost(towards(SCORCH_C, dyeC, share, MOSTLY_POLYESTER), said)];
}

/**
 * The firmest press a fabric takes, kPa: fibres that melt shine when they are pressed firm, silk loses its lustre, foam
 * stays flat. Hard presses are for where they are stated: cap fronts, the pile of fleece.
 *
 * @param isHardStated this practice is one of those
 */
export function pressureLimits(garment: Garment, isHardStated = false): Limit[] {
  return [
    ...fibresIn(garment)
      .filter(({ fibre }) => FIBRE_FACTS[fibre].firmest !== 'hard')
      .map(({ fibre, share }) => {
        const { firmest, decidesFrom } = FIBRE_FACTS[fibre];
        const kPa = towards(hardestOf('hard'), hardestOf(firmest), share, decidesFrom);
        return atMost(kPa, say('limit.fabric-pressure', { fibre, share, isPart: share < decidesFrom }));
      }),
    ...(hasFeature(garment, 'foam') ? [atMost(TRADE.foamKPa.max, say('limit.foam'))] : []),
    ...(isHardStated ? [] : [atMost(hardestOf('firm'), say('limit.hard-only-stated'))]),
  ];
}

/** What a transfer's glue or a print's ink may not hold on, in words to warn with; empty where it is known to hold. */
export function doubtfulFaces(garment: Garment): (Fibre | 'coating' | 'water-repellent')[] {
  return [
    ...fibresIn(garment)
      .filter(
        ({ fibre, share }) =>
          FIBRE_FACTS[fibre].filmHolds === 'tried' && share >= FIBRE_FACTS[fibre].decidesFrom,
      )
      .map(({ fibre }) => fibre),
    ...(['coating', 'water-repellent'] as const).filter((face) => hasFeature(garment, face)),
  ];
}

/** The fibre textile ink does not hold on, where there is so much of it that a print would go with it. */
export const inkRefuses = (garment: Garment): Fibre | null =>
  fibresIn(garment).find(({ fibre, share }) => FIBRE_FACTS[fibre].inkHolds === 'not' && share >= 0.5)
    ?.fibre ?? null;

/** The fibre textile ink holds on only weakly. */
export const inkHoldsWeakly = (garment: Garment): Fibre | null =>
  fibresIn(garment).find(({ fibre, share }) => FIBRE_FACTS[fibre].inkHolds === 'weakly' && share >= 0.3)
    ?.fibre ?? null;
