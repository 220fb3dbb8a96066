import { expect } from 'chai';
import {
  ROUTES_AS_TOLD,
  cap,
  cottonTee,
  hoodie,
  housed,
  lineInput,
  lineOf,
  polyesterBib,
  routeOf,
  small,
} from '../fixtures/index.ts';
import { formatDuration, formatQuantity } from '../units/index.ts';
import { goesWords, plannedMode } from '../work/index.ts';
import type { Operation, Phase } from '../work/index.ts';
import type { PrintInput, Route } from './index.ts';

const white = { ...cottonTee, tone: 'light' as const, colourName: 'White', colourHex: '#ffffff' };
const capFront = { garment: cap, ...small('cap-front') };

/** Lines that between them go through every practice. */
const LINES: Record<string, Partial<PrintInput>> = {
  'film on cotton': { process: 'dtf' },
  'film on polyester, hot peel': {
    process: 'dtf',
    garment: polyesterBib,
    house: housed({ filmPeel: 'hot', meltMeans: 'griddle' }),
  },
  'film for stock, two coats, hovered': {
    process: 'dtf',
    house: housed({ filmUse: 'stock', powderCoats: 'two', meltMeans: 'hover' }),
  },
  'film on a cap, warm from below': { process: 'dtf', ...capFront, house: housed({ capLower: 'warm' }) },
  'film on fleece through silicone': {
    process: 'dtf',
    garment: hoodie,
    house: housed({ coverSheet: 'silicone', secondPress: '15', preheat: 'long' }),
  },
  'film made on the direct printer': {
    process: 'dtf-platen',
    house: housed({ filmHold: 'liquid', powderStand: 'stand' }),
  },
  'direct on navy cotton': { process: 'dtg' },
  'direct on white cotton': { process: 'dtg', garment: white },
  'direct on a thin polyester': {
    process: 'dtg',
    garment: polyesterBib,
    house: housed({ spraying: 'hand' }),
  },
  'direct on fleece over its pocket, air-dried': {
    process: 'dtg',
    garment: hoodie,
    house: housed({ pretreatmentDrying: 'air', rollering: 'left' }),
    placement: { ...lineInput().placement, dropMm: 140 },
  },
  'direct, hovered dry, cured in bursts': {
    process: 'dtg',
    house: housed({ pretreatmentDrying: 'hover', directCure: 'bursts', whiteHits: 'double' }),
  },
  'sublimation ink on film': { process: 'sub-film', garment: white, ...small('left-chest') },
  'bought-in transfers': { process: 'bought-in' },
  'a patch on a cap under a mat, tacked with the iron': { process: 'patch-cap', ...capFront },
  'a patch on a cap, bare, tacked with the press': {
    process: 'patch-cap',
    ...capFront,
    house: housed({ patchTack: 'press', capMat: 'bare' }),
  },
};

const seconds = (s: number): string => formatDuration(Math.round(s)).replaceAll('\u00a0', ' ');
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');

/** An operation as it would be told over the bench: what, on what, how long, how set, with what, and then what. */
function told(operation: Operation): string {
  const { id, role, lane, takes, awaits, settings, sheet, waitAfter, weighIn, consumes } = operation;
  const { machine, phases, pools } = plannedMode(operation);
  const stacks = phases.flatMap(({ heat }) => heat?.stack ?? []);
  const parts = [
    `${id} (${role})${machine ? ` on ${machine.name}` : ''}`,
    `${lane}${takes.length > 0 ? ` takes ${takes.join()}` : ''}${awaits.length > 0 ? ` awaits ${awaits.join()}` : ''}`,
    goesWords(operation),
    phases.map(phaseTold).join(', '),
    settings.map(({ key, value, kind }) => `${key} ${plain(formatQuantity(value, kind))}`).join(', '),
    sheet ? `under ${sheet.name}` : '',
    weighIn ? `weigh in ${weighIn.targetG} ± ${weighIn.toleranceG} g` : '',
    pools.map(({ name }) => `a place on ${name}`).join(', '),
    consumes.map(({ what, amount, cents }) => `${what} ${short(amount)} for ${short(cents)} c`).join(', '),
    stacks
      .slice(-1)
      .flatMap(({ layers, pad }) => [...layers, ...(pad ? [pad] : [])])
      .map(({ material, dMm, waterGM2 }) => `${material} ${dMm}${waterGM2 ? ` ${waterGM2} g` : ''}`)
      .join(' / '),
    waitAfter
      ? `then ${seconds(waitAfter.minS)} to ${waitAfter.maxS === null ? 'any time' : seconds(waitAfter.maxS)}`
      : '',
  ];
  return parts.filter((part) => part !== '').join(' | ');
}

const phaseTold = ({ label, onceS, eachS, people, isTimed }: Phase): string =>
  `${people > 0 ? '' : isTimed ? '▷' : '▹'}${label} ${[
    ...(onceS > 0 || eachS === 0 ? [seconds(onceS)] : []),
    ...(eachS > 0 ? [`${seconds(eachS)} each`] : []),
  ].join(' + ')}`;
const short = (value: number): string => String(Number(value.toPrecision(3)));

const routeAsTold = (route: Route): string[] => [
  `${seconds(route.totals.handsS)} of hands, ${seconds(route.totals.elapsedS)} in all, rests ${seconds(route.restBeforeDispatchS)}`,
  ...route.operations.map(told),
];

describe('a route as it would be told over the bench', () => {
  for (const [name, own] of Object.entries(LINES))
    it(name, () => {
      expect(routeAsTold(routeOf(lineOf(own)))).to.deep.equal(ROUTES_AS_TOLD[name]);
    });

  it('is written down for every line above and for no other', () => {
    expect(Object.keys(ROUTES_AS_TOLD)).to.deep.equal(Object.keys(LINES));
  });
});
