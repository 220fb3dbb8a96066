import { markLike } from './boxDetection.ts';
import type { BitPlane } from './bits.ts';
import { parseHex } from './colour.ts';
import type { ArtFigures, ArtJob } from './artFigures.ts';
import type { InkUse } from './ink.ts';
import { likeColours } from './likeColours.ts';
import { FINDING_CODES } from './finding.ts';
import type { Finding, FindingCode, Fix } from './finding.ts';
import { FAINT_ALPHA } from './pixels.ts';
import type { Box } from './pixels.ts';
import { connectParts, largestPartBoxes } from './runs.ts';
import type { ArtScan } from './scan.ts';
import { SPECK_MM2 } from './shape.ts';
import type { ShapeMasks } from './shape.ts';
import type { ArtStep } from './steps/index.ts';
import {
  DPI_LIMITS,
  HAIRLINE_SHARE,
  MANY_SPECKS,
  SOFT_SHARE,
  SOLID_CIRCLE_MM,
  THIN_SHARE,
  UNPRINTABLE_SHARE,
  isTooDark,
} from './warnings.ts';

/** The figures that findings are told from: size, areas and shape; neither white nor ink nor water. */
export type SeenFigures = Omit<
  ArtFigures,
  | keyof InkUse
  | 'box'
  | 'knockout'
  | 'colours'
  | 'white'
  | 'sprayM2'
  | 'water'
  | 'warnings'
  | 'findings'
  | 'underbase'
  | 'laydown'
  | 'separation'
>;

/** Places that are listed one by one; all are on the picture's layer. */
const PLACES = 60;
/** Margin on one side that is worth cropping: it makes the printed art smaller than the size on the ticket. */
const WASTED_MARGIN_MM = 4;
/** Ink in the garment's own colour worth leaving out, share of the ink. */
const GARMENT_COLOURED = { distance: 6, share: 0.01 };
const GOOD_DPI = 300;
const LEAST_WIDTH_MM = 20;

/** What stands out in the art as printed, worst first. */
export function listFindings(
  figures: SeenFigures,
  masks: ShapeMasks & { soft: BitPlane },
  scan: ArtScan,
  job: ArtJob,
): Finding[] {
  if (figures.bbox === null) return [finding('empty', 'stop', {})];
  const found = [
    isTooDark(job) ? finding('garment-too-dark', 'stop', { garment: job.garment }) : null,
    ...boxFindings(figures),
    ...resolutionFindings(figures),
    ...inkFindings(figures),
    softFinding(figures, masks.soft),
    ...lineFindings(figures, masks, job),
    solidFinding(figures, masks, job),
    ...partFindings(figures, masks),
    garmentFinding(figures, scan, job),
    marginFinding(figures),
  ];
  return worstFirst(found.filter((one) => one !== null));
}

export const worstFirst = (findings: readonly Finding[]): Finding[] =>
  [...findings].sort((p, q) => FINDING_CODES.indexOf(p.code) - FINDING_CODES.indexOf(q.code));

function finding(
  code: FindingCode,
  severity: Finding['severity'],
  params: Finding['params'],
  more: Partial<Pick<Finding, 'confidence' | 'places' | 'placeCount' | 'fixes'>> = {},
): Finding {
  return {
    code,
    severity,
    confidence: 'sure',
    params,
    places: [],
    placeCount: more.places?.length ?? 0,
    fixes: [],
    ...more,
  };
}

const stepFix = (step: ArtStep): Fix => ({ kind: 'step', step });

function placesOf(bits: BitPlane): { places: Box[]; placeCount: number } {
  const parts = connectParts(bits, 8);
  return { places: largestPartBoxes(parts, PLACES), placeCount: parts.count };
}

/** What pixels on an inch say: too few, too many, or fewer than they seem. */
export function resolutionFindings({
  dpi,
  px,
  src,
  widthMm,
}: Pick<SeenFigures, 'dpi' | 'px' | 'widthMm'> & {
  src: Pick<SeenFigures['src'], 'nnScale' | 'trueDpi'>;
}): Finding[] {
  const found: Finding[] = [];
  const goodMm = (25.4 * px[0]) / GOOD_DPI;
  const smaller: Fix[] =
    goodMm >= LEAST_WIDTH_MM ? [{ kind: 'print-width', widthMm: Math.round(10 * goodMm) / 10 }] : [];
  const params = { perInch: dpi, goodWidthMm: goodMm, widthMm };
  if (dpi < DPI_LIMITS.bad) found.push(finding('resolution-bad', 'stop', params, { fixes: smaller }));
  else if (dpi < DPI_LIMITS.low) found.push(finding('resolution-low', 'warn', params, { fixes: smaller }));
  else if (dpi < DPI_LIMITS.soft) found.push(finding('resolution-soft', 'note', params, { fixes: smaller }));
  else if (dpi > DPI_LIMITS.oversampled) found.push(finding('resolution-oversampled', 'note', params));
  if (src.nnScale > 1)
    found.push(
      finding(
        'upscaled',
        'warn',
        { factor: src.nnScale, truePerInch: src.trueDpi },
        { confidence: 'likely' },
      ),
    );
  return found;
}

function boxFindings({ boxLeft, bbox }: SeenFigures): Finding[] {
  const places = bbox ? [bbox] : [];
  switch (boxLeft.kind) {
    case 'none':
      return [];
    case 'fake-checkerboard': {
      const { greys, cellPx } = boxLeft;
      return [
        finding(
          'fake-checkerboard',
          'stop',
          {},
          { places, fixes: [stepFix({ kind: 'remove-checkerboard', greys, cellPx })] },
        ),
      ];
    }
    case 'opaque-rectangle':
      return [finding('opaque-rectangle', 'note', {}, { places, confidence: 'likely' })];
    case 'uniform-box': {
      const { hex, tone, boxShare, likeGarment } = boxLeft;
      const fixes = (likeGarment ? (['global', 'flood'] as const) : (['flood', 'global'] as const)).map(
        (mode) => stepFix({ kind: 'knock-out', hex, tol: BOX_TOLERANCE, soft: BOX_FADE, mode }),
      );
      return [finding('opaque-box', 'stop', { hex, tone, boxShare, likeGarment }, { places, fixes })];
    }
  }
}

/** Perceptual distances that take a drawn box out whole and its anti-aliased edge with it. */
const BOX_TOLERANCE = 8;
const BOX_FADE = 14;

function inkFindings({ src, unprintableLightShare }: SeenFigures): Finding[] {
  const found: Finding[] = [];
  if ((unprintableLightShare ?? 0) > UNPRINTABLE_SHARE)
    found.push(finding('needs-white', 'warn', { share: unprintableLightShare ?? 0 }));
  if (src.ghostPx > 0) found.push(finding('ghost-pixels', 'note', { ghostPx: src.ghostPx }));
  return found;
}

function softFinding({ softShare, semiShare }: SeenFigures, soft: BitPlane): Finding | null {
  if (softShare <= SOFT_SHARE) return null;
  const fixes = [
    stepFix({ kind: 'screen-soft', cellMm: 1 }),
    stepFix({ kind: 'harden-edges', threshold: 128 }),
  ];
  return finding('soft-alpha', 'warn', { softShare, semiShare }, { ...placesOf(soft), fixes });
}

function lineFindings({ thin, gap }: SeenFigures, masks: ShapeMasks, { process }: ArtJob): Finding[] {
  const found: Finding[] = [];
  const fixes = (thinnerThanMm: number): Fix[] => [stepFix({ kind: 'thicken', thinnerThanMm, byMm: 0.2 })];
  if (thin['0.3'] > HAIRLINE_SHARE) {
    const more = { ...placesOf(masks.hairlines), fixes: fixes(0.3) };
    found.push(finding('hairlines', 'warn', { share: thin['0.3'], thinnerThanMm: 0.3 }, more));
  } else if (thin['0.5'] > THIN_SHARE) {
    const more = { ...placesOf(masks.thin), fixes: fixes(0.5) };
    found.push(finding('thin-lines', 'warn', { share: thin['0.5'], thinnerThanMm: 0.5 }, more));
  }
  if (process === 'dtf' && gap['0.3'] > HAIRLINE_SHARE)
    found.push(
      finding('narrow-gaps', 'note', { share: gap['0.3'], narrowerThanMm: 0.3 }, placesOf(masks.gaps)),
    );
  return found;
}

function solidFinding(
  { solid }: SeenFigures,
  masks: ShapeMasks,
  { process, garment }: ArtJob,
): Finding | null {
  if (solid.circleMm <= SOLID_CIRCLE_MM.large) return null;
  const isStiff = solid.circleMm > SOLID_CIRCLE_MM.stiff;
  const fixes = [
    stepFix({ kind: 'perforate', holeMm: 1.2, pitchMm: 3 }),
    stepFix({ kind: 'knock-out', hex: garment, tol: 6, soft: 10, mode: 'global' }),
  ];
  return finding(
    isStiff ? 'solid-stiff' : 'solid-large',
    isStiff && process === 'dtf' ? 'warn' : 'note',
    { circleMm: solid.circleMm, areaMm2: solid.largestMm2 },
    { ...placesOf(masks.solid), fixes },
  );
}

function partFindings({ parts }: SeenFigures, masks: ShapeMasks): Finding[] {
  const found: Finding[] = [];
  if (parts.specks > MANY_SPECKS.count || parts.speckShare > MANY_SPECKS.share) {
    const fixes = [stepFix({ kind: 'drop-specks', smallerThanMm2: SPECK_MM2 })];
    const more = { ...placesOf(masks.specks), fixes };
    found.push(finding('specks', 'warn', { count: parts.specks, share: parts.speckShare }, more));
  }
  if (parts.pinholes > MANY_SPECKS.count)
    found.push(finding('pinholes', 'note', { count: parts.pinholes }, placesOf(masks.pinholes)));
  return found;
}

function garmentFinding(
  { boxLeft, inkMm2 }: SeenFigures,
  scan: ArtScan,
  { garment, process }: ArtJob,
): Finding | null {
  if (boxLeft.kind === 'uniform-box' || process === 'sub' || process === 'dtg-light') return null; // said already, or nothing to gain
  const alike = likeColours([parseHex(garment)], GARMENT_COLOURED.distance);
  const share = alike.alphaPx(scan.colours) / scan.alphaPx;
  if (share <= GARMENT_COLOURED.share) return null;
  const fixes = [stepFix({ kind: 'knock-out', hex: garment, tol: 6, soft: 10, mode: 'global' })];
  return finding(
    'garment-coloured',
    'note',
    { share, areaMm2: share * inkMm2 },
    { ...placesOf(markLike(scan, alike, FAINT_ALPHA)), fixes },
  );
}

function marginFinding({ px: [width, height], bbox, pitchMm }: SeenFigures): Finding | null {
  if (bbox === null) return null;
  const leftMm = bbox.x * pitchMm;
  const topMm = bbox.y * pitchMm;
  const rightMm = (width - bbox.x - bbox.w) * pitchMm;
  const bottomMm = (height - bbox.y - bbox.h) * pitchMm;
  if (Math.max(leftMm, topMm, rightMm, bottomMm) < WASTED_MARGIN_MM) return null;
  const fixes = [stepFix({ kind: 'crop-margin' })];
  return finding('empty-margin', 'note', { leftMm, topMm, rightMm, bottomMm }, { places: [bbox], fixes });
}
