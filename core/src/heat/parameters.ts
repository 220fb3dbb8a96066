import { seededRandom } from '../work/index.ts';

/** One parameter of the model: its usual value, the range it may lie in, and where both come from. */
interface Parameter {
  usual: number;
  low: number;
  high: number;
  unit: string;
  source: 'textbook' | 'derived' | 'trade' | 'free';
}

const of = (
  usual: number,
  [low, high]: readonly [number, number],
  unit: string,
  source: Parameter['source'],
): Parameter => ({ usual, low, high, unit, source });
const k = (usual: number, low: number, high: number): Parameter => of(usual, [low, high], 'W/mK', 'textbook');
const h = (usual: number, low: number, high: number, source: Parameter['source'] = 'free'): Parameter =>
  of(usual, [low, high], 'W/m²K', source);

/**
 * Everything the model assumes and may be wrong about. Nothing here was measured by anyone's press: ranges are of textbooks
 * and the trade; docs/heat.md tells each.
 */
export const PARAMETERS = {
  // contacts: pressed ones at 35 kPa, the others as they lie
  'contact-plate': h(750, 450, 1200, 'derived'),
  'contact-cover': h(700, 420, 1120, 'derived'),
  'contact-mat': h(1200, 700, 2000),
  'contact-glue': h(600, 350, 1500),
  'contact-fabric': h(400, 250, 600),
  'contact-pad': h(350, 200, 600),
  'contact-base': h(300, 200, 450),
  'contact-loose': h(50, 30, 150),
  'contact-open': h(130, 80, 200),
  'contact-draped': h(30, 20, 60),
  'contact-held': h(150, 100, 250),
  // conductivities, pressed
  'k-parchment': k(0.12, 0.07, 0.16),
  'k-kraft': k(0.1, 0.07, 0.14),
  'k-ptfe': k(0.25, 0.2, 0.3),
  'k-silicone-mat': k(0.3, 0.2, 0.8),
  'k-film': k(0.2, 0.15, 0.24),
  'k-transfer-ink': k(0.3, 0.2, 0.5),
  'k-direct-ink': k(0.25, 0.2, 0.4),
  'k-adhesive-fused': k(0.2, 0.15, 0.25),
  'k-adhesive-powder': k(0.09, 0.06, 0.12),
  'k-cotton-jersey': k(0.09, 0.06, 0.12),
  'k-fleece': k(0.07, 0.05, 0.09),
  'k-polyester-knit': k(0.09, 0.06, 0.12),
  'k-cap-twill': k(0.1, 0.07, 0.13),
  'k-canvas': k(0.11, 0.08, 0.14),
  'k-buckram': k(0.1, 0.07, 0.14),
  'k-cap-foam': k(0.045, 0.035, 0.06),
  'k-leatherette': k(0.16, 0.12, 0.2),
  'k-sponge-pad': k(0.09, 0.06, 0.15),
  'k-solid-pad': k(0.25, 0.2, 0.35),
  // the rest of the stack
  'fabric-mass': of(1, [0.9, 1.15], 'of the stated mass', 'trade'),
  'glue-latent': of(20_000, [5000, 40_000], 'J/kg', 'textbook'),
  'pad-start': of(40, [25, 60], '°C', 'trade'),
  'plate-error': of(0, [-5, 5], 'K', 'trade'),
  pressure: of(1, [0.7, 1.4], 'of the stated pressure', 'trade'),
  // surroundings
  'boil-share': of(0.5, [0, 1], 'of the pressure', 'derived'),
  evaporation: h(6, 3, 15),
  draught: h(3, 2, 5),
  shield: of(0.02, [0.01, 0.04], 'm', 'free'),
  oven: h(25, 15, 40, 'textbook'),
  // kinetics
  'bond-activation': of(90_000, [60_000, 130_000], 'J/mol', 'textbook'),
  'bond-seconds': of(12, [9, 16], 's at 130 °C', 'trade'),
  'cure-activation': of(120_000, [80_000, 140_000], 'J/mol', 'trade'),
  'cure-seconds': of(90, [70, 115], 's at 160 °C', 'trade'),
  'melt-activation': of(90_000, [60_000, 130_000], 'J/mol', 'textbook'),
  'melt-seconds': of(25, [15, 40], 's at 120 °C', 'trade'),
  'dye-activation': of(180_000, [150_000, 250_000], 'J/mol', 'textbook'),
  'dye-seconds': of(12, [5, 25], 's at 140 °C', 'trade'),
  'scorch-activation': of(125_000, [100_000, 150_000], 'J/mol', 'textbook'),
  'scorch-seconds': of(60, [45, 80], 's at 200 °C', 'trade'),
  'shine-activation': of(200_000, [150_000, 300_000], 'J/mol', 'trade'),
  'shine-seconds': of(15, [8, 30], 's at 150 °C', 'trade'),
  'stiffener-activation': of(130_000, [100_000, 180_000], 'J/mol', 'textbook'),
  'stiffener-seconds': of(15, [8, 40], 's at 130 °C', 'trade'),
} as const satisfies Record<string, Parameter>;

export type ParameterName = keyof typeof PARAMETERS;
/** One set of values the model runs with. */
export type HeatParameters = Record<ParameterName, number>;

const NAMES = Object.keys(PARAMETERS) as ParameterName[];

/** Every parameter at its usual value. */
export const usualParameters = (): HeatParameters =>
  Object.fromEntries(NAMES.map((name) => [name, PARAMETERS[name].usual])) as HeatParameters;

/** What a shop has measured of a parameter: it takes the table's place. */
export type KnownParameters = Partial<Record<ParameterName, Pick<Parameter, 'usual' | 'low' | 'high'>>>;

/** Usual values with what is known in their place. */
export const knownParameters = (known: KnownParameters): HeatParameters => ({
  ...usualParameters(),
  ...Object.fromEntries(Object.entries(known).map(([name, { usual }]) => [name, usual])),
});

/** On these a share more is as likely as a share less; the others go by differences. */
const isByRatio = ({ low }: Pick<Parameter, 'low'>, name: ParameterName): boolean =>
  low > 0 && name !== 'pad-start';

/**
 * Draws sets of parameters, each evenly within its range and by itself.
 *
 * @param seed the same seed draws the same sets
 */
export function* drawParameters(seed: number, known: KnownParameters = {}): Generator<HeatParameters, never> {
  const random = seededRandom(seed);
  for (;;) {
    const drawn = {} as HeatParameters;
    for (const name of NAMES) {
      const own = known[name] ?? PARAMETERS[name];
      const u = random();
      drawn[name] = isByRatio(own, name)
        ? own.low * (own.high / own.low) ** u
        : own.low + (own.high - own.low) * u;
    }
    yield drawn;
  }
}
