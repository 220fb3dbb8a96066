import type { Finding, FindingCode } from '@saltflat/core/artwork';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';

const percent = (share: unknown): string =>
  formatQuantity(Number(share), 'share', undefined, Number(share) < 0.1 ? 1 : 0);
const whole = (value: unknown): string => formatQuantity(Number(value), 'count');
const cm2 = (mm2: unknown): string => `${(Number(mm2) / 100).toFixed(1)} cm²`;

interface Words {
  title: string;
  text: string;
}
interface Given {
  params: Finding['params'];
  /** A length in the person's units, and a small one with more digits. */
  mm: (value: unknown) => string;
  small: (value: unknown) => string;
}

const WORDS: Record<FindingCode, (given: Given) => Words> = {
  empty: () => ({ title: 'Nothing to print', text: 'Every pixel is transparent: ask for the file again.' }),
  'garment-too-dark': () => ({
    title: 'Too dark for dye',
    text: 'Sublimation ink has no white: on this garment the print will hardly be seen.',
  }),
  'fake-checkerboard': () => ({
    title: 'A painted checkerboard',
    text: 'The “transparent” squares are part of the picture and will be printed.',
  }),
  'opaque-box': ({ params }) => ({
    title: `An opaque ${params.tone === 'other' ? String(params.hex) : String(params.tone)} box round the art`,
    text: `It covers ${percent(params.boxShare)} of the picture and will print as a slab${params.likeGarment === true ? ', though the garment shows that colour for free' : ''}.`,
  }),
  'resolution-bad': ({ params }) => ({
    title: `${whole(params.perInch)} pixels per inch`,
    text: 'Edges will show steps from arm’s length; 300 is good.',
  }),
  'resolution-low': ({ params }) => ({
    title: `${whole(params.perInch)} pixels per inch`,
    text: 'Fine edges and small text will look soft; 300 is good.',
  }),
  'resolution-soft': ({ params }) => ({
    title: `${whole(params.perInch)} pixels per inch`,
    text: 'A little under 300: fine for most art, soft in small text.',
  }),
  'resolution-oversampled': ({ params }) => ({
    title: `${whole(params.perInch)} pixels per inch`,
    text: 'More than a printer can lay: it only takes longer to work on.',
  }),
  upscaled: ({ params }) => ({
    title: `Blown up ${String(params.factor)} times`,
    text: `Every pixel is a square of ${String(params.factor)} × ${String(params.factor)}: it will look like ${whole(params.truePerInch)} pixels per inch.`,
  }),
  'needs-white': ({ params }) => ({
    title: 'Light colours without white',
    text: `${percent(params.share)} of the art is lighter than the garment: there the garment’s colour will show instead.`,
  }),
  'soft-alpha': ({ params }) => ({
    title: 'A soft glow or shadow',
    text: `${percent(params.softShare)} of the art is half transparent away from its edges: white will show as a fringe there and powder takes badly.`,
  }),
  hairlines: ({ params, small }) => ({
    title: 'Hair-lines',
    text: `${percent(params.share)} of the art is thinner than ${small(params.thinnerThanMm)}: white and powder will not hold there, lines will break.`,
  }),
  'thin-lines': ({ params, small }) => ({
    title: 'Thin lines',
    text: `${percent(params.share)} of the art is thinner than ${small(params.thinnerThanMm)}: it may wash off sooner than the rest.`,
  }),
  specks: ({ params }) => ({
    title: `${whole(params.count)} specks`,
    text: 'Dots under 0.2 mm² will fall off or look like dirt.',
  }),
  pinholes: ({ params }) => ({
    title: `${whole(params.count)} pinholes`,
    text: 'Holes under 0.2 mm² will close with ink and powder.',
  }),
  'narrow-gaps': ({ params, small }) => ({
    title: 'Narrow gaps',
    text: `Gaps under ${small(params.narrowerThanMm)} will be bridged by powder and close.`,
  }),
  'solid-stiff': ({ params, mm }) => ({
    title: 'A large solid',
    text: `A circle of ${mm(params.circleMm)} fits inside, ${cm2(params.areaMm2)} in one piece: it will feel like a patch, not breathe, and crack sooner.`,
  }),
  'solid-large': ({ params, mm }) => ({
    title: 'A solid area',
    text: `A circle of ${mm(params.circleMm)} fits inside: it will be felt on the garment.`,
  }),
  'opaque-rectangle': () => ({
    title: 'A full rectangle',
    text: 'The picture has no transparency: a wanted photo, or a background left in.',
  }),
  'garment-coloured': ({ params }) => ({
    title: 'In the garment’s own colour',
    text: `${percent(params.share)} of the art, ${cm2(params.areaMm2)}, is the colour of the garment: left out, it would look the same and feel lighter.`,
  }),
  'empty-margin': ({ params, mm }) => {
    const sides = (
      [
        ['left', params.leftMm],
        ['right', params.rightMm],
        ['above', params.topMm],
        ['below', params.bottomMm],
      ] as const
    ).filter(([, width]) => Number(width) >= 0.5);
    return {
      title: 'Empty margin',
      text: `Nothing is printed on ${sides.map(([side, width]) => `${mm(width)} ${side}`).join(', ')}: the art comes out smaller than the ticket says.`,
    };
  },
  'ghost-pixels': ({ params }) => ({
    title: 'Traces of an eraser',
    text: `${whole(params.ghostPx)} pixels are too faint to print and are left out.`,
  }),
};

/** What will happen on the garment, in one sentence. */
export function findingWords({ code, params }: Finding, system: UnitSystem): Words {
  const length = (value: unknown, digits?: number): string =>
    formatQuantity(Number(value), 'length', system, digits);
  return WORDS[code]({
    params,
    mm: (value) => length(value),
    small: (value) => length(value, system.length === 'mm' ? 1 : 3),
  });
}
