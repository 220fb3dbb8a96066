import type { OpaqueBox } from './boxDetection.ts';
import type { FileFacts } from './fileFacts.ts';
import type { PixelBox } from './pixels.ts';

/** Something about the file a print room should know before it prints: a code, its figures, and where it is. */
export interface Finding {
  code:
    | 'empty'
    | 'resolution-bad'
    | 'resolution-low'
    | 'resolution-soft'
    | 'opaque-box'
    | 'fake-checkerboard'
    | 'opaque-rectangle'
    | 'soft-alpha'
    | 'ghost-pixels'
    | 'empty-margin';
  /** `stop`: not printable like this; `warn`: it will show; `note`: worth knowing. */
  severity: 'stop' | 'warn' | 'note';
  /** Figures for the sentence: shares 0–1, sizes in mm, resolutions per inch. */
  params: Record<string, number | string>;
  /** The rectangle to look at, px; absent when the whole art is meant. */
  at?: PixelBox;
}

interface Seen {
  image: { width: number; height: number };
  box: PixelBox | null;
  pitchMm: number;
  facts: FileFacts;
  opaqueBox: OpaqueBox;
}

/** Margin on one side that is worth cropping: it makes the printed art smaller than the size on the ticket. */
const WASTED_MARGIN_MM = 4;
/** Semi-transparent share far from edges above which white has to be screened. */
const SOFT_SHARE = 0.02;

/** What stands out, worst first. Resolution limits are trade practice: 300 per inch is good, under 150 shows. */
export function listFindings(seen: Seen): Finding[] {
  if (seen.box === null) return [{ code: 'empty', severity: 'stop', params: {} }];
  const found = [
    resolutionFinding(seen.pitchMm),
    boxFinding(seen.opaqueBox, seen.box),
    ...alphaFindings(seen),
    marginFinding(seen, seen.box),
  ];
  const order = { stop: 0, warn: 1, note: 2 };
  return found.filter((finding) => finding !== null).sort((p, q) => order[p.severity] - order[q.severity]);
}

function resolutionFinding(pitchMm: number): Finding | null {
  const perInch = 25.4 / pitchMm;
  const params = { perInch };
  if (perInch < 150) return { code: 'resolution-bad', severity: 'stop', params };
  if (perInch < 200) return { code: 'resolution-low', severity: 'warn', params };
  return perInch < 280 ? { code: 'resolution-soft', severity: 'note', params } : null;
}

function boxFinding(opaqueBox: OpaqueBox, at: PixelBox): Finding | null {
  switch (opaqueBox.kind) {
    case 'none':
      return null;
    case 'fake-checkerboard':
      return { code: 'fake-checkerboard', severity: 'stop', params: {}, at };
    case 'opaque-rectangle':
      return { code: 'opaque-rectangle', severity: 'note', params: {}, at };
    case 'uniform-box': {
      const { hex, tone, boxShare } = opaqueBox;
      return {
        code: 'opaque-box',
        severity: 'stop',
        params: { hex, tone, boxShare, isGarmentColour: String(opaqueBox.isGarmentColour) },
        at,
      };
    }
  }
}

function alphaFindings({ facts }: Seen): Finding[] {
  const found: Finding[] = [];
  if (facts.softShare > SOFT_SHARE) {
    found.push({
      code: 'soft-alpha',
      severity: 'warn',
      params: { softShare: facts.softShare, semiShare: facts.semiShare },
    });
  }
  if (facts.ghostPx > 0)
    found.push({ code: 'ghost-pixels', severity: 'note', params: { ghostPx: facts.ghostPx } });
  return found;
}

function marginFinding({ image, pitchMm }: Seen, box: PixelBox): Finding | null {
  const leftMm = box.x * pitchMm;
  const topMm = box.y * pitchMm;
  const rightMm = (image.width - box.x - box.width) * pitchMm;
  const bottomMm = (image.height - box.y - box.height) * pitchMm;
  if (Math.max(leftMm, topMm, rightMm, bottomMm) < WASTED_MARGIN_MM) return null;
  return { code: 'empty-margin', severity: 'note', params: { leftMm, topMm, rightMm, bottomMm }, at: box };
}
