import { parseHex, toLab } from './colour.ts';
import type { ArtFigures, ArtJob } from './artFigures.ts';

/** Printed pixels per inch below which edges show, look soft, are a little soft; and above which the file is larger than it need be. */
export const DPI_LIMITS = { bad: 150, low: 200, soft: 280, oversampled: 620 };
/** Semi-transparent share far from edges above which white has to be screened. */
export const SOFT_SHARE = 0.02;
export const HAIRLINE_SHARE = 0.005; // thinner than 0.3 mm
export const THIN_SHARE = 0.02; // thinner than 0.5 mm
export const MANY_SPECKS = { count: 20, share: 0.01 };
/** Circle, mm, from which a solid is felt, and from which it is stiff. */
export const SOLID_CIRCLE_MM = { large: 80, stiff: 120 };
export const UNPRINTABLE_SHARE = 0.02;
const DYE_LIGHTNESS = 85; // CIE L* below which a garment is too dark for ink without white

/** Codes of what is wrong with a print, in the order things are looked at. Limits are trade practice. */
export function listWarnings(figures: Omit<ArtFigures, 'warnings' | 'findings'>, job: ArtJob): string[] {
  const { dpi, src, softShare, thin, parts, solid, unprintableLightShare } = figures;
  const said: string[] = [];
  const resolution = dpiWarning(dpi);
  if (resolution) said.push(resolution);
  if (src.nnScale > 1) said.push('upscaled');
  const box = boxWarning(figures);
  if (box) said.push(box);
  if (softShare > SOFT_SHARE) said.push('soft-alpha');
  if (thin['0.3'] > HAIRLINE_SHARE) said.push('hairlines');
  else if (thin['0.5'] > THIN_SHARE) said.push('thin-lines');
  if (parts.specks > MANY_SPECKS.count || parts.speckShare > MANY_SPECKS.share) said.push('specks');
  if (solid.circleMm > SOLID_CIRCLE_MM.stiff) said.push('solid-stiff');
  else if (solid.circleMm > SOLID_CIRCLE_MM.large) said.push('solid-large');
  if ((unprintableLightShare ?? 0) > UNPRINTABLE_SHARE) said.push('needs-white');
  if (isTooDark(job)) said.push('garment-too-dark');
  return said;
}

function dpiWarning(dpi: number): string | null {
  if (dpi < DPI_LIMITS.bad) return 'dpi-bad';
  if (dpi < DPI_LIMITS.low) return 'dpi-low';
  if (dpi < DPI_LIMITS.soft) return 'dpi-soft';
  return dpi > DPI_LIMITS.oversampled ? 'dpi-oversampled' : null;
}

function boxWarning({ box }: Pick<ArtFigures, 'box'>): string | null {
  if (box.kind === 'none') return null;
  if (box.kind !== 'uniform-box') return box.kind;
  return box.likeGarment ? 'opaque-box-like-garment' : `opaque-box-${box.tone}`;
}

/** Whether ink without white would vanish on the garment. */
export const isTooDark = ({ process, garment }: ArtJob): boolean =>
  process === 'sub' && toLab(parseHex(garment)).lightness < DYE_LIGHTNESS;
