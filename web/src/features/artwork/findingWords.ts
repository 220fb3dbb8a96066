import type { Finding } from '@saltflat/core/artwork';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';

const percent = (share: unknown): string =>
  formatQuantity(Number(share), 'share', undefined, Number(share) < 0.1 ? 1 : 0);

/** What will happen on the garment, in one sentence, and what to do about it. */
export function findingWords({ code, params }: Finding, system: UnitSystem): { title: string; text: string } {
  const mm = (value: unknown): string => formatQuantity(Number(value), 'length', system);
  switch (code) {
    case 'empty':
      return { title: 'Nothing to print', text: 'Every pixel is transparent. Ask for the file again.' };
    case 'resolution-bad':
      return {
        title: `${Math.round(Number(params.perInch))} pixels per inch`,
        text: 'Edges will show steps from arm’s length. 300 is good; print it smaller or ask for a larger file.',
      };
    case 'resolution-low':
      return {
        title: `${Math.round(Number(params.perInch))} pixels per inch`,
        text: 'Fine edges and small text will look soft. 300 is good.',
      };
    case 'resolution-soft':
      return {
        title: `${Math.round(Number(params.perInch))} pixels per inch`,
        text: 'A little under 300: fine for most art, soft in small text.',
      };
    case 'opaque-box':
      return {
        title: `An opaque ${params.tone === 'other' ? String(params.hex) : String(params.tone)} box round the art`,
        text: `It covers ${percent(params.boxShare)} of the picture and will print as a slab${params.isGarmentColour === 'true' ? ', though the garment would show that colour for free' : ''}. Ask for the art on a transparent ground.`,
      };
    case 'fake-checkerboard':
      return {
        title: 'A painted checkerboard',
        text: 'The “transparent” squares are part of the picture and will be printed. Ask for the original file.',
      };
    case 'opaque-rectangle':
      return {
        title: 'A full rectangle',
        text: 'The picture has no transparency: a wanted photo, or a background left in.',
      };
    case 'soft-alpha':
      return {
        title: 'A soft glow or shadow',
        text: `${percent(params.softShare)} of the art is half transparent away from its edges: white shows as a fringe there and powder takes badly. Harden it or screen it.`,
      };
    case 'ghost-pixels':
      return {
        title: 'Traces of an eraser',
        text: `${Number(params.ghostPx).toLocaleString('en')} pixels are too faint to print and are left out.`,
      };
    case 'empty-margin':
      return {
        title: 'Empty margin',
        text: `Nothing is printed on ${mm(params.leftMm)} left, ${mm(params.rightMm)} right, ${mm(params.topMm)} above and ${mm(params.bottomMm)} below, so the art comes out smaller than the size on the ticket.`,
      };
  }
}
