import { FIBRES, hasFeature, isThinWicking } from '../blank/index.ts';
import type { Garment } from '../blank/index.ts';
import type { Limit, Range, Reason } from '../work/index.ts';
import type { PrintInput } from './documents.ts';
import { TRADE } from './tradeRanges.ts';
import type { TradeRange } from './tradeRanges.ts';

/** From this share on polyester decides about dye migration. */
const MOSTLY_POLYESTER = 0.5;
/** Woven cloth from here on is canvas or denim: it soaks up heat and wants a firm press, g/m² (trade). */
const HEAVY_WOVEN_G_M2 = 250;

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** "100 % cotton", "52 % cotton, 48 % polyester", largest share first. */
export function fibreWords({ fibres }: Pick<Garment, 'fibres'>): string {
  return FIBRES.map((name): [string, number] => [name === 'other' ? 'other fibre' : name, fibres[name]])
    .filter(([, share]) => share > 0)
    .sort((p, q) => q[1] - p[1])
    .map(([name, share]) => `${percent(share)} ${name}`)
    .join(', ');
}

/** True when dye migration and shine rule the settings. */
export const isMostlyPolyester = ({ fibres }: Pick<Garment, 'fibres'>): boolean =>
  fibres.polyester >= MOSTLY_POLYESTER;

/** Canvas and denim. */
export const isHeavyWoven = ({ construction, massGM2 }: Garment): boolean =>
  construction === 'woven' && massGM2 >= HEAVY_WOVEN_G_M2;

/** Thin wicking knits are opened up for direct print, so that ink and heat meet one layer only. */
export const isSplitOpen = ({ process, garment }: Pick<PrintInput, 'process' | 'garment'>): boolean =>
  process === 'dtg' && isThinWicking(garment);

/** White ink is needed unless the fabric is white, nearly white or a pale tint. */
export const needsWhite = ({ tone }: Pick<Garment, 'tone'>): boolean => tone === 'dark';

/**
 * A starting value between the one for cotton and the one for polyester, by the share of fibres that melt:
 * a blend lies between, a heather is a blend.
 */
export function byShare(
  garment: Garment,
  cotton: TradeRange,
  polyester: TradeRange,
  unit: string,
): { value: number; range: Range; reason: Reason } {
  const share = Math.min(1, garment.fibres.polyester + garment.fibres.nylon);
  const between = (p: number, q: number): number => p + (q - p) * share;
  const value = Math.round(between(cotton.start, polyester.start));
  const range = {
    min: Math.round(between(cotton.min, polyester.min)),
    max: Math.round(between(cotton.max, polyester.max)),
  };
  const text =
    share === 0 || share === 1
      ? `Practice on ${share === 0 ? 'cotton' : 'polyester'}: ${range.min} to ${range.max} ${unit}, starting at ${value} ${unit}.`
      : `A blend lies between by its share of fibres that melt (${percent(share)}): ${range.min} to ${range.max} ${unit}, starting at ${value} ${unit}.`;
  return { value, range, reason: { source: 'trade', text, value } };
}

/** {@link byShare} for a plate's temperature: never wished hotter than this garment can stand, and the reason says so. */
export function heatByShare(
  garment: Garment,
  cotton: TradeRange,
  polyester: TradeRange,
): ReturnType<typeof byShare> {
  const usual = byShare(garment, cotton, polyester, '°C');
  return { ...usual, ...withinHeat(garment, usual.value, usual.reason.text) };
}

/** A wished temperature, lowered to what this garment can stand, with the reason for it. */
export function withinHeat(garment: Garment, wishC: number, why: string): { value: number; reason: Reason } {
  const [tightest] = heatLimits(garment).sort((p, q) => (p.max ?? Infinity) - (q.max ?? Infinity));
  const most = tightest?.max ?? Infinity;
  if (tightest === undefined || wishC <= most)
    return { value: wishC, reason: { source: 'trade', text: why, value: wishC } };
  const text = `${why} Here no more than ${most} °C: ${tightest.text}`;
  return { value: most, reason: { source: 'trade', text, value: most } };
}

/** What the fabric can stand, °C: the maker's label, dye migration, scorch, stretch, coatings. */
export function heatLimits(garment: Garment): Limit[] {
  const { fibres, maxPressC, name } = garment;
  const limits: Limit[] = [];
  const add = (max: number, text: string): void => void limits.push({ min: null, max, text });
  if (maxPressC !== null) add(maxPressC, `the maker of “${name}” allows no more.`);
  if (fibres.polyester > 0) addDyeLimit(garment, add);
  else add(TRADE.cottonScorchC.start, 'cotton begins to yellow (textbook).');
  if (fibres.elastane > 0) add(TRADE.elastaneC.start, 'elastane loses its stretch when hotter (trade).');
  if (fibres.nylon > 0) add(TRADE.nylonC.start, 'nylon shrinks and shines when hotter (trade).');
  if (hasFeature(garment, 'coating')) add(TRADE.coatingC.start, 'a coating softens and marks (assumption).');
  return limits;
}

/** Where dye begins to wander: all at once in polyester, by share in a blend, sooner with a dye known for it. */
function addDyeLimit(garment: Garment, add: (max: number, text: string) => void): void {
  const { polyester } = garment.fibres;
  const dyeC = garment.dyeMigrates ? TRADE.dyeMigrationProneC.start : TRADE.dyeMigrationC.start;
  const prone = garment.dyeMigrates ? ', and this dye is known for it' : '';
  if (isMostlyPolyester(garment)) {
    add(dyeC, `hotter than this, polyester dye wanders into the print${prone} (trade).`);
    return;
  }
  const scorchC = TRADE.cottonScorchC.start;
  const max = Math.round(scorchC - (scorchC - dyeC) * 2 * polyester);
  add(max, `dye migration, by the ${percent(polyester)} polyester in the blend${prone} (trade).`);
}
