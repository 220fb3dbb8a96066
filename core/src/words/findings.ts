import type { AnySaid, Tell } from './said.ts';
import { lowerFirst } from './speech.ts';
import type { Figures } from './speech.ts';

export interface PerInch {
  perInch: number;
}
export interface Thin {
  /** Of the art, 0–1. */
  share: number;
  thinnerThanMm: number;
}

/** A small share has a decimal. */
const share = (value: number, f: Figures): string => f.q(value, 'share', value < 0.1 ? 1 : 0);
const count = (value: number, f: Figures): string => f.q(value, 'count');
const cm2 = (mm2: number): string => `${(mm2 / 100).toFixed(1)} cm²`;
/** A length that matters to a tenth of a millimetre. */
const fine = (mm: number, f: Figures): string => f.q(mm, 'length', f.speech.system.length === 'mm' ? 1 : 3);
const perInch = ({ perInch: value }: PerInch, f: Figures): string => `${count(value, f)} pixels per inch`;
const stiffness = (circleMm: number, f: Figures): string => `A circle of ${f.mm(circleMm)} fits inside`;

/** What is wrong with a file: a name of it, and what will happen on the garment. */
export const FINDINGS = {
  'finding-title.empty': () => 'Nothing to print',
  'finding.empty': () => 'Every pixel is transparent: ask for the file again.',
  'finding-title.garment-too-dark': () => 'Too dark for dye',
  'finding.garment-too-dark': () =>
    'Sublimation ink has no white: on this garment the print will hardly be seen.',
  'finding-title.fake-checkerboard': () => 'A painted checkerboard',
  'finding.fake-checkerboard': () => 'The “transparent” squares are part of the picture and will be printed.',
  'finding-title.opaque-box': ({ tone, hex }: { tone: string; hex: string }) =>
    `An opaque ${tone === 'other' ? hex : tone} box round the art`,
  'finding.opaque-box': ({ boxShare, likeGarment }: { boxShare: number; likeGarment: boolean }, f: Figures) =>
    `It covers ${share(boxShare, f)} of the picture and will print as a slab${likeGarment ? ', though the garment shows that colour for free' : ''}.`,
  'finding-title.resolution-bad': perInch,
  'finding.resolution-bad': () => 'Edges will show steps from arm’s length; 300 is good.',
  'finding-title.resolution-low': perInch,
  'finding.resolution-low': () => 'Fine edges and small text will look soft; 300 is good.',
  'finding-title.resolution-soft': perInch,
  'finding.resolution-soft': () => 'A little under 300: fine for most art, soft in small text.',
  'finding-title.resolution-oversampled': perInch,
  'finding.resolution-oversampled': () => 'More than a printer can lay: it only takes longer to work on.',
  'finding-title.upscaled': ({ factor }: { factor: number }) => `Blown up ${factor} times`,
  'finding.upscaled': ({ factor, truePerInch }: { factor: number; truePerInch: number }, f: Figures) =>
    `Every pixel is a square of ${factor} × ${factor}: it will look like ${count(truePerInch, f)} pixels per inch.`,
  'finding-title.needs-white': () => 'Light colours without white',
  'finding.needs-white': ({ share: own }: { share: number }, f: Figures) =>
    `${share(own, f)} of the art is lighter than the garment: there the garment’s colour will show instead.`,
  'finding-title.soft-alpha': () => 'A soft glow or shadow',
  'finding.soft-alpha': ({ softShare }: { softShare: number }, f: Figures) =>
    `${share(softShare, f)} of the art is half transparent away from its edges: white will show as a fringe there and powder takes badly.`,
  'finding-title.hairlines': () => 'Hair-lines',
  'finding.hairlines': ({ share: own, thinnerThanMm }: Thin, f: Figures) =>
    `${share(own, f)} of the art is thinner than ${fine(thinnerThanMm, f)}: white and powder will not hold there, lines will break.`,
  'finding-title.thin-lines': () => 'Thin lines',
  'finding.thin-lines': ({ share: own, thinnerThanMm }: Thin, f: Figures) =>
    `${share(own, f)} of the art is thinner than ${fine(thinnerThanMm, f)}: it may wash off sooner than the rest.`,
  'finding-title.specks': ({ count: own }: { count: number }, f: Figures) => `${count(own, f)} specks`,
  'finding.specks': () => 'Dots under 0.2 mm² will fall off or look like dirt.',
  'finding-title.pinholes': ({ count: own }: { count: number }, f: Figures) => `${count(own, f)} pinholes`,
  'finding.pinholes': () => 'Holes under 0.2 mm² will close with ink and powder.',
  'finding-title.narrow-gaps': () => 'Narrow gaps',
  'finding.narrow-gaps': ({ narrowerThanMm }: { narrowerThanMm: number }, f: Figures) =>
    `Gaps under ${fine(narrowerThanMm, f)} will be bridged by powder and close.`,
  'finding-title.solid-stiff': () => 'A large solid',
  'finding.solid-stiff': ({ circleMm, areaMm2 }: { circleMm: number; areaMm2: number }, f: Figures) =>
    `${stiffness(circleMm, f)}, ${cm2(areaMm2)} in one piece: it will feel like a patch, not breathe, and crack sooner.`,
  'finding-title.solid-large': () => 'A solid area',
  'finding.solid-large': ({ circleMm }: { circleMm: number }, f: Figures) =>
    `${stiffness(circleMm, f)}: it will be felt on the garment.`,
  'finding-title.opaque-rectangle': () => 'A full rectangle',
  'finding.opaque-rectangle': () =>
    'The picture has no transparency: a wanted photo, or a background left in.',
  'finding-title.garment-coloured': () => 'In the garment’s own colour',
  'finding.garment-coloured': ({ share: own, areaMm2 }: { share: number; areaMm2: number }, f: Figures) =>
    `${share(own, f)} of the art, ${cm2(areaMm2)}, is the colour of the garment: left out, it would look the same and feel lighter.`,
  'finding-title.empty-margin': () => 'Empty margin',
  'finding.empty-margin': (margins: Margins, f: Figures) =>
    `Nothing is printed on ${marginWords(margins, f)}: the art comes out smaller than the ticket says.`,
  'art.overruled': ({ by, why, of }: { by: string; why: string; of: AnySaid[] }, _f: Figures, tell: Tell) =>
    `Printed as it is (${of.map((title) => lowerFirst(tell(title))).join('; ')}) by word of ${by}: “${why}”`,
  'finding-title.ghost-pixels': () => 'Traces of an eraser',
  'finding.ghost-pixels': ({ ghostPx }: { ghostPx: number }, f: Figures) =>
    `${count(ghostPx, f)} pixels are too faint to print and are left out.`,
};

export interface Margins {
  leftMm: number;
  rightMm: number;
  topMm: number;
  bottomMm: number;
}

/** A margin under half a millimetre is none. */
const marginWords = ({ leftMm, rightMm, topMm, bottomMm }: Margins, f: Figures): string =>
  (
    [
      [leftMm, 'left'],
      [rightMm, 'right'],
      [topMm, 'above'],
      [bottomMm, 'below'],
    ] as const
  )
    .filter(([width]) => width >= 0.5)
    .map(([width, side]) => `${f.mm(width)} ${side}`)
    .join(', ');
