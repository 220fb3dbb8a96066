import type { QuantityKind } from '../units/index.ts';
import { FIBRE_NAMES } from './names.ts';
import type { FibreName } from './names.ts';
import type { AnySaid, Tell } from './said.ts';
import { pressureWord } from './speech.ts';
import type { Figures } from './speech.ts';

export interface OfFibre {
  /** Of the fabric, 0–1. */
  share: number;
  /** Too little of it to decide alone. */
  isPart: boolean;
}

const stands = ({ share, isPart }: OfFibre, f: Figures, fibre: string, what: string): string =>
  `${fibre} ${what}${isPart ? `, by its ${f.percent(share)} of the blend` : ''}.`;

/** What binds a setting: whose limit it is, and why it is one. Said after a colon. */
export const LIMITS = {
  // what the fabric stands
  'limit.label': ({ blank }: { blank: string }) => `the maker of “${blank}” allows no more.`,
  'limit.scorch': ({ fibre }: { fibre: 'cotton' | 'linen' }) => `${fibre} begins to yellow (textbook).`,
  'limit.dye': ({ isProne }: { isProne: boolean }) =>
    `hotter than this, polyester dye wanders into the print${isProne ? ', and this dye is known for it' : ''} (trade).`,
  'limit.dye-blend': ({ share, isProne }: { share: number; isProne: boolean }, f: Figures) =>
    `dye migration, by the ${f.percent(share)} polyester in the blend${isProne ? ', and this dye is known for it' : ''} (trade).`,
  'limit.polyester': (p: OfFibre, f: Figures) =>
    stands(p, f, 'polyester', 'shines and keeps its creases when hotter (assumption)'),
  'limit.elastane': (p: OfFibre, f: Figures) =>
    stands(p, f, 'elastane', 'loses its stretch when hotter (trade)'),
  'limit.nylon': (p: OfFibre, f: Figures) => stands(p, f, 'nylon', 'shrinks and shines when hotter (trade)'),
  'limit.viscose': (p: OfFibre, f: Figures) =>
    stands(p, f, 'viscose', 'turns yellow and brittle when hotter (textbook)'),
  'limit.modal': (p: OfFibre, f: Figures) =>
    stands(p, f, 'modal', 'turns yellow and brittle when hotter (textbook)'),
  'limit.wool': (p: OfFibre, f: Figures) => stands(p, f, 'wool', 'yellows and felts when hotter (textbook)'),
  'limit.silk': (p: OfFibre, f: Figures) =>
    stands(p, f, 'silk', 'yellows and loses its lustre when hotter (textbook)'),
  'limit.acrylic': (p: OfFibre, f: Figures) =>
    stands(p, f, 'acrylic', 'softens and goes flat when hotter (textbook)'),
  'limit.leatherette': (p: OfFibre, f: Figures) =>
    stands(p, f, 'leatherette', 'loses its grain when hotter (trade)'),
  'limit.other': (p: OfFibre, f: Figures) =>
    stands(p, f, 'unknown fibre', 'is tried first, at the coolest that anything is pressed at (assumption)'),
  'limit.coating': () => 'a coating softens and marks (assumption).',
  'limit.foam': () => 'foam stays flat for good (assumption).',
  'limit.water-repellent': () => 'hotter than this a water-repellent finish is driven off (assumption).',
  'limit.fabric-pressure': ({ fibre, share, isPart }: OfFibre & { fibre: FibreName }, f: Figures) =>
    `${FIBRE_NAMES[fibre]} shines and keeps the plate’s mark when it is pressed firmer${isPart ? `, by its ${f.percent(share)} of the blend` : ''} (trade).`,
  'limit.hard-only-stated': () =>
    'harder is for cap fronts and the pile of fleece: it drives glue out and flattens cloth for good (trade).',
  // sheets
  'limit.sheet': ({ maker }: { maker: string }) => `the sheet of “${maker}”.`,
  'limit.sheet-blend': ({ maker, share }: { maker: string; share: number }, f: Figures) =>
    `the sheet of “${maker}”, between cotton and polyester by the ${f.percent(share)} in the blend.`,
  'limit.sheet-through': ({ maker, factor }: { maker: string; factor: number }) =>
    `the sheet of “${maker}”. Through silicone it counts ${factor === 2 ? 'double' : 'a quarter more'}.`,
  'limit.sheet-pressure': ({ maker, kPa }: { maker: string; kPa: number }, f: Figures) =>
    `the sheet of “${maker}” asks for ${f.q(kPa, 'pressure')}, and a fifth either way is as near as a press is set (assumption).`,
  'limit.sheet-hover': ({ maker, gapMm }: { maker: string; gapMm: number }, f: Figures) =>
    `the sheet of “${maker}”, as a plate ${f.mm(gapMm)} above gives it (assumption).`,
  'limit.sheet-griddle': ({ maker }: { maker: string }) =>
    `the sheet of “${maker}”, as a surface under the film gives it (assumption).`,
  'limit.sheet-fleece': ({ fluid }: { fluid: string }) =>
    `the sheet of “${fluid}” for tees, two to three times on fleece: less is dull, more stains and stiffens.`,
  'limit.sheet-fluid': ({ fluid }: { fluid: string }) =>
    `the sheet of “${fluid}”: less is dull, more stains and stiffens.`,
  'limit.glue': ({ powder }: { powder: string }) => `the glue “${powder}” has only melted there.`,
  'limit.tape': ({ tape }: { tape: string }) => `the tape “${tape}” holds no more.`,
  // the balance of heat and water
  'limit.still-wet': () => 'less leaves free water in it, however well the heat passes (model).',
  'limit.baked-stiff': () => 'more bakes it dry and stiff, and it yellows (model).',
  // practice, where no sheet speaks
  'limit.practice': ({ what }: { what: keyof typeof OUTSIDE }) => `${OUTSIDE[what]} (trade).`,
  'limit.powder-load': () =>
    'less bonds poorly, more is a heavy hand (assumption: half to nine fifths of a usual coat).',
  'limit.white-choke': () => 'outside usual practice: a rim shows, or fine lines lose their white (trade).',
  'limit.white-density': () => 'outside usual practice: what is under it shows through thin white (trade).',
  'limit.white-hits': () => 'a third hit cracks when it is stretched (trade).',
  'limit.contrast-dark': () => 'raised contrast on a dark ground floods ink and goes blotchy (trade).',
  'limit.mirrored-once': () => 'film is mirrored once: twice reads the wrong way round.',
  'limit.powder-wet': () => 'by then the ink is dry and holds no powder (trade).',
  'limit.between-jobs': () => 'shorter bleeds, longer lets the colour dry out (trade).',
  'limit.cap-lower': () => 'hotter from below, the stiffener’s glue lets go and the front bubbles (trade).',
  'limit.wet-ink': () => 'wet ink is squeezed into the sheet by any more: the lightest only (trade).',
  'limit.second-softer': ({ firstKPa }: { firstKPa: number }, f: Figures) =>
    `the second press is never firmer than the first, ${f.q(firstKPa, 'pressure')} (trade).`,
};

const OUTSIDE = {
  'pre-press': 'shorter leaves moisture in, longer only heats the fabric',
  'transfer-dwell': 'shorter bonds badly, longer drives the glue into the fabric',
  'transfer-heat': 'cooler bonds badly, hotter scorches or lets dye wander',
  'transfer-pressure': 'lighter lifts at the edges, firmer drives the glue into the fabric',
  'press-again': 'shorter sets no edge, longer only heats the fabric',
  'cap-heat': 'cooler does not bond on a curve, hotter lets the front’s own glue go',
  'cap-dwell': 'shorter lifts at the edges, longer heats the stiffener',
  'cap-pressure': 'lighter does not reach over the curve, harder marks the front',
  'patch-heat': 'cooler does not hold, hotter marks the leatherette',
  'patch-dwell': 'shorter lifts, longer squeezes the glue out',
  'patch-pressure': 'lighter leaves corners up, firmer makes a rim of glue',
  tack: 'less does not hold, more uses up the glue before the cap is pressed',
  pause: 'shorter lets white sink in, longer lets the colour dry out',
  colour: 'farther from the file it no longer looks like it',
  'ink-limit': 'less is pale, more puddles',
  'hit-pause': 'shorter lets the whites run together, longer dries the first',
  'melt-heat': 'cooler stays grainy, hotter curls the film',
  'melt-time': 'shorter stays grainy, longer runs and yellows',
  'hover-gap': 'closer touches when the film curls, farther never melts it',
  'dry-burst': 'shorter dries nothing, longer boils the fluid into a box',
  'dry-bursts': 'fewer leave it damp, more bake it stiff',
  'dry-hover': 'shorter leaves it wet, longer bakes it stiff',
  'drying-in-air': 'sooner it is still damp under the touch',
  flattening: 'shorter leaves fibres up, longer glazes the pretreatment',
  'cure-heat': 'cooler washes out, hotter yellows',
  'cure-dwell': 'shorter washes out, longer stiffens and yellows',
  'cure-hover': 'shorter is still wet when it closes, longer dries it from the top only',
  'cure-bursts': 'fewer do not let the steam out, more only cool it in between',
} as const;
export type OutsidePractice = keyof typeof OUTSIDE;

/** A broken limit, and what could be done. */
export const CONFLICTS = {
  conflict: (
    p: { label: string; kind: QuantityKind; value: number; bound: number; isOver: boolean; limit: AnySaid },
    f: Figures,
    tell: Tell,
  ) => {
    const word = p.kind === 'pressure' ? ` (${pressureWord(p.value)})` : '';
    return `${p.label} ${f.q(p.value, p.kind)}${word} is ${p.isOver ? 'over' : 'under'} ${f.q(p.bound, p.kind)}: ${tell(p.limit)}`;
  },
  'way.own-back': ({ bounds }: { bounds: AnySaid }, _f: Figures, tell: Tell) =>
    `Take the own value back, or stay ${tell(bounds)}.`,
  'way.within': ({ bounds }: { bounds: AnySaid }, _f: Figures, tell: Tell) =>
    `${capital(tell(bounds))} would hold every limit: set it as your own value.`,
  'way.another-film': ({ film, fromC, peel }: { film: string; fromC: number; peel: string }, f: Figures) =>
    `Another film: “${film}” presses from ${f.temp(fromC)} and peels ${peel}.`,
  'way.cooler-film': ({ mostC }: { mostC: number }, f: Figures) =>
    `Another film: one that presses at ${f.temp(mostC)} or less.`,
  'way.cooler-ink': ({ mostC }: { mostC: number }, f: Figures) =>
    `Another ink: one whose sheet cures this fabric at ${f.temp(mostC)} or less.`,
  'way.cooler-transfer': ({ mostC }: { mostC: number }, f: Figures) =>
    `Another transfer: one that presses at ${f.temp(mostC)} or less; ask its supplier.`,
  'way.cooler-powder': ({ mostC }: { mostC: number }, f: Figures) =>
    `Another powder: one that has melted at ${f.temp(mostC)}.`,
  'way.less-more-often': ({ mostC }: { mostC: number }, f: Figures) =>
    `Less heat more often: several presses at ${f.temp(mostC)}, cooling between, after a wash test.`,
  'way.longer-cure': ({ mostC }: { mostC: number }, f: Figures) =>
    `Longer at ${f.temp(mostC)} in more bursts, after a wash test: the ink’s maker may have figures for it.`,
  'way.another-process': () => 'Another process: see the comparison on the order.',
  'way.another-blank': () => 'Another blank: one that bears what the sheet asks for.',
  'way.softer-first': () => 'A pad or a mat under it, so that a lighter press still reaches all of it.',
  'way.another-material': () => 'Another material whose sheet fits this fabric.',
  'bounds.at': ({ value, kind }: { value: number; kind: QuantityKind }, f: Figures) =>
    `at ${f.q(value, kind)}`,
  'bounds.most': ({ value, kind }: { value: number; kind: QuantityKind }, f: Figures) =>
    `at most ${f.q(value, kind)}`,
  'bounds.least': ({ value, kind }: { value: number; kind: QuantityKind }, f: Figures) =>
    `at least ${f.q(value, kind)}`,
  'bounds.between': ({ min, max, kind }: { min: number; max: number; kind: QuantityKind }, f: Figures) =>
    `between ${f.q(min, kind)} and ${f.q(max, kind)}`,
};

const capital = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
