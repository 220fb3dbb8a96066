import type { Finding } from '@saltflat/core/artwork';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';

const percent = (share: unknown): string =>
  formatQuantity(Number(share), 'share', undefined, Number(share) < 0.1 ? 1 : 0);
const whole = (value: unknown): string => Math.round(Number(value)).toLocaleString('en');
const cm2 = (mm2: unknown): string => `${(Number(mm2) / 100).toFixed(1)} cm²`;

/** What will happen on the garment, in one sentence. */
export function findingWords({ code, params }: Finding, system: UnitSystem): { title: string; text: string } {
  const mm = (value: unknown, digits?: number): string =>
    formatQuantity(Number(value), 'length', system, digits);
  const small = (value: unknown): string => mm(value, system.length === 'mm' ? 1 : 3);
  switch (code) {
    case 'empty':
      return { title: 'Nothing to print', text: 'Every pixel is transparent: ask for the file again.' };
    case 'garment-too-dark':
      return {
        title: 'Too dark for dye',
        text: 'Sublimation ink has no white: on this garment the print will hardly be seen.',
      };
    case 'fake-checkerboard':
      return {
        title: 'A painted checkerboard',
        text: 'The “transparent” squares are part of the picture and will be printed.',
      };
    case 'opaque-box':
      return {
        title: `An opaque ${params.tone === 'other' ? String(params.hex) : String(params.tone)} box round the art`,
        text: `It covers ${percent(params.boxShare)} of the picture and will print as a slab${params.likeGarment === true ? ', though the garment shows that colour for free' : ''}.`,
      };
    case 'resolution-bad':
      return {
        title: `${whole(params.perInch)} pixels per inch`,
        text: 'Edges will show steps from arm’s length; 300 is good.',
      };
    case 'resolution-low':
      return {
        title: `${whole(params.perInch)} pixels per inch`,
        text: 'Fine edges and small text will look soft; 300 is good.',
      };
    case 'resolution-soft':
      return {
        title: `${whole(params.perInch)} pixels per inch`,
        text: 'A little under 300: fine for most art, soft in small text.',
      };
    case 'resolution-oversampled':
      return {
        title: `${whole(params.perInch)} pixels per inch`,
        text: 'More than a printer can lay: it only takes longer to work on.',
      };
    case 'upscaled':
      return {
        title: `Blown up ${String(params.factor)} times`,
        text: `Every pixel is a square of ${String(params.factor)} × ${String(params.factor)}: it will look like ${whole(params.truePerInch)} pixels per inch.`,
      };
    case 'needs-white':
      return {
        title: 'Light colours without white',
        text: `${percent(params.share)} of the art is lighter than the garment: there the garment’s colour will show instead.`,
      };
    case 'soft-alpha':
      return {
        title: 'A soft glow or shadow',
        text: `${percent(params.softShare)} of the art is half transparent away from its edges: white will show as a fringe there and powder takes badly.`,
      };
    case 'hairlines':
      return {
        title: 'Hair-lines',
        text: `${percent(params.share)} of the art is thinner than ${small(params.thinnerThanMm)}: white and powder will not hold there, lines will break.`,
      };
    case 'thin-lines':
      return {
        title: 'Thin lines',
        text: `${percent(params.share)} of the art is thinner than ${small(params.thinnerThanMm)}: it may wash off sooner than the rest.`,
      };
    case 'specks':
      return {
        title: `${whole(params.count)} specks`,
        text: 'Dots under 0.2 mm² will fall off or look like dirt.',
      };
    case 'pinholes':
      return {
        title: `${whole(params.count)} pinholes`,
        text: 'Holes under 0.2 mm² will close with ink and powder.',
      };
    case 'narrow-gaps':
      return {
        title: 'Narrow gaps',
        text: `Gaps under ${small(params.narrowerThanMm)} will be bridged by powder and close.`,
      };
    case 'solid-stiff':
      return {
        title: 'A large solid',
        text: `A circle of ${mm(params.circleMm)} fits inside, ${cm2(params.areaMm2)} in one piece: it will feel like a patch, not breathe, and crack sooner.`,
      };
    case 'solid-large':
      return {
        title: 'A solid area',
        text: `A circle of ${mm(params.circleMm)} fits inside: it will be felt on the garment.`,
      };
    case 'opaque-rectangle':
      return {
        title: 'A full rectangle',
        text: 'The picture has no transparency: a wanted photo, or a background left in.',
      };
    case 'garment-coloured':
      return {
        title: 'In the garment’s own colour',
        text: `${percent(params.share)} of the art, ${cm2(params.areaMm2)}, is the colour of the garment: left out, it would look the same and feel lighter.`,
      };
    case 'empty-margin': {
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
    }
    case 'ghost-pixels':
      return {
        title: 'Traces of an eraser',
        text: `${whole(params.ghostPx)} pixels are too faint to print and are left out.`,
      };
  }
}
