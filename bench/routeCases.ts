import { garmentOf, patchOf, routeInputOf } from '@saltflat/contract';
import type { GarmentStyle, LineDocument } from '@saltflat/contract';
import { compareProcesses } from '@saltflat/core/compare';
import { DEFAULT_RATES } from '@saltflat/core/cost';
import { PROCESSES, planRoute } from '@saltflat/core/route';
import { DEMO_BLANKS, DEMO_MACHINES, DEMO_MATERIALS } from '@saltflat/demo';

const id = '7f1d9a54-0b1e-4c5e-9a52-3f6f0b7f3a01';
const styles: GarmentStyle[] = DEMO_BLANKS.map((blank) => ({
  ...blank,
  id,
  version: 1,
  colours: blank.colours.map((colour) => ({ ...colour, id })),
}));

/** The made-up shop's line of 24 navy tees in four sizes. */
function lineDocument(): LineDocument {
  const style = styles.find(({ name }) => name === 'Harbour tee');
  const colour = style?.colours[0];
  if (!style || !colour) throw new Error('the demo has no Harbour tee');
  const patch = patchOf(styles);
  return {
    process: 'dtf',
    pieces: 24,
    blankCents: 343,
    garment: { ...garmentOf(style, colour), features: [...style.features] },
    print: {
      lineWidthMm: 240,
      widthMm: 200,
      heightMm: 210,
      inkMm2: 30_000,
      whiteShare: 0.6,
      colourMl: 0.2,
      whiteMl: 0.3,
      powderG: 1.4,
      filmM2: 0.048,
      pretreatmentM2: 0.055,
    },
    placement: {
      key: 'full-front',
      dropMm: 75,
      sizes: style.sizes.slice(0, 4).map(({ size, bodyWidthMm, collarDropMm }) => ({
        size,
        quantity: 6,
        bodyWidthMm,
        collarDropMm,
      })),
      areas: style.areas,
      grades: [],
    },
    materials: DEMO_MATERIALS.map((material) => ({ ...material, id, version: 1 })),
    machines: DEMO_MACHINES.map((machine) => ({ ...machine, id, version: 1 })),
    patch: patch && { ...patch, blank: { ...patch.blank, features: [...patch.blank.features] } },
  };
}

const input = routeInputOf(lineDocument());
const { process: _process, overrides: _overrides, print, ...line } = input;
const direct = { ...print, whiteMl: 2.2 };
const rivalText = JSON.stringify(planRoute(input));

/** Planning is quick enough when a page can do it at every key. */
export const ROUTE_CASES = [
  {
    name: 'plan one route',
    rival: 'reading the same route from its JSON',
    budget: null,
    budgetMs: 20,
    work: () => planRoute(input),
    against: () => JSON.parse(rivalText) as unknown,
  },
  {
    name: `compare all ${PROCESSES.length} processes for a line, with what would change it`,
    rival: 'reading one route from its JSON',
    budget: null,
    budgetMs: 100,
    work: () =>
      compareProcesses({
        line,
        prints: { dtf: print, sub: print, 'dtg-dark': direct, 'dtg-light': { ...print, whiteMl: 0 } },
        blankCents: 343,
        rates: DEFAULT_RATES,
      }),
    against: () => JSON.parse(rivalText) as unknown,
  },
];
