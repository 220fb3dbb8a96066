import type { Garment, Limit, Range, Reason } from './documents.ts';
import type { TradeRange } from './tradeRanges.ts';

/** Above about this temperature the dye of polyester starts to wander into the print, °C (trade). */
const DYE_MIGRATION_C = 140;
/** Cotton yellows when pressed for long above this, °C (textbook: about a minute at 200 °C, four at 180). */
const COTTON_SCORCH_C = 180;
/** From this share on polyester decides about dye migration. */
const MOSTLY_POLYESTER = 0.5;

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** "100 % cotton", "52 % cotton, 48 % polyester", largest share first. */
export function fibreWords({ fibres }: Garment): string {
  const named: [string, number][] = [
    ['cotton', fibres.cotton],
    ['polyester', fibres.polyester],
    ['elastane', fibres.elastane],
    ['other fibre', fibres.other],
  ];
  return named
    .filter(([, share]) => share > 0)
    .sort((p, q) => q[1] - p[1])
    .map(([name, share]) => `${percent(share)} ${name}`)
    .join(', ');
}

/** True when dye migration and shine rule the settings. */
export const isMostlyPolyester = ({ fibres }: Garment): boolean => fibres.polyester >= MOSTLY_POLYESTER;

/** White ink is needed unless the fabric is white, nearly white or a pale tint. */
export const needsWhite = ({ tone }: Garment): boolean => tone === 'dark';

/**
 * A starting value between the one for cotton and the one for polyester, by the polyester share:
 * a blend lies between, a heather is a blend.
 */
export function byShare(
  garment: Garment,
  cotton: TradeRange,
  polyester: TradeRange,
  unit: string,
): { value: number; range: Range; reason: Reason } {
  const share = garment.fibres.polyester;
  const between = (p: number, q: number): number => p + (q - p) * share;
  const value = Math.round(between(cotton.start, polyester.start));
  const range = {
    min: Math.round(between(cotton.min, polyester.min)),
    max: Math.round(between(cotton.max, polyester.max)),
  };
  const text =
    share === 0 || share === 1
      ? `Practice on ${share === 0 ? 'cotton' : 'polyester'}: ${range.min} to ${range.max} ${unit}, starting at ${value}.`
      : `A blend lies between by its polyester share (${percent(share)}): ${range.min} to ${range.max} ${unit}, starting at ${value}.`;
  return { value, range, reason: { source: 'trade', text, value } };
}

/** {@link byShare} for a plate's temperature: never wished hotter than this garment can stand, and the reason says so. */
export function heatByShare(
  garment: Garment,
  cotton: TradeRange,
  polyester: TradeRange,
): ReturnType<typeof byShare> {
  const usual = byShare(garment, cotton, polyester, '°C');
  const [tightest] = heatLimits(garment).sort((p, q) => (p.max ?? Infinity) - (q.max ?? Infinity));
  const most = tightest?.max ?? Infinity;
  if (tightest === undefined || usual.value <= most) return usual;
  const text = `${usual.reason.text} Here no more than ${most} °C: ${tightest.text}`;
  return { ...usual, value: most, reason: { ...usual.reason, text, value: most } };
}

/** What the fabric can stand, °C: the maker's label, dye migration, scorch. */
export function heatLimits(garment: Garment): Limit[] {
  const limits: Limit[] = [];
  if (garment.maxPressC !== null) {
    limits.push({
      min: null,
      max: garment.maxPressC,
      text: `the maker of “${garment.name}” allows no more.`,
    });
  }
  if (isMostlyPolyester(garment)) {
    limits.push({
      min: null,
      max: DYE_MIGRATION_C,
      text: 'hotter than this, polyester dye wanders into the print (trade).',
    });
  } else if (garment.fibres.polyester > 0) {
    const max = Math.round(
      COTTON_SCORCH_C - (COTTON_SCORCH_C - DYE_MIGRATION_C) * 2 * garment.fibres.polyester,
    );
    limits.push({
      min: null,
      max,
      text: `dye migration, by the ${percent(garment.fibres.polyester)} polyester in the blend (trade).`,
    });
  } else {
    limits.push({ min: null, max: COTTON_SCORCH_C, text: 'cotton begins to yellow (textbook).' });
  }
  if (garment.fibres.elastane > 0)
    limits.push({ min: null, max: 160, text: 'elastane loses its stretch when hotter (trade).' });
  return limits;
}
