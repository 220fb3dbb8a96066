import { bitsWithout, countBits, countEdges, invertBits, isEmpty, makeBits } from './bits.ts';
import type { BitPlane } from './bits.ts';
import { MAX_REACH, dilatedWord, erodedWord, makeDisc } from './disc.ts';
import { connectParts, keepParts } from './runs.ts';
import type { Parts } from './runs.ts';
import type { ArtScan } from './scan.ts';
import { findLargestCircle, findSolids, largestPart } from './solids.ts';
import { dilateAny, erodeAny, gapFinder, thinFinder } from './thinParts.ts';

/** Widths, mm, under which parts and gaps of a shape are looked for. */
export const THIN_MM = ['0.2', '0.3', '0.5', '0.8'] as const;
export const GAP_MM = ['0.3', '0.5'] as const;
/** Area, mm², under which a part is a speck and a hole a pinhole. */
export const SPECK_MM2 = 0.2;
/** Radius, mm, of the disc that has room in a solid. */
export const SOLID_RADIUS_MM = 5;

/** The shape of a print, in figures. Shares are of the shape's pixels, 0–1. */
export interface ShapeFigures {
  thin: Record<(typeof THIN_MM)[number], number>;
  gap: Record<(typeof GAP_MM)[number], number>;
  parts: { components: number; specks: number; speckShare: number; pinholes: number };
  perimeterMm: number;
  solid: {
    /** Diameter of the largest circle inside the shape, mm, and its centre, px. */
    circleMm: number;
    circleAt: [x: number, y: number] | null;
    /** Largest part in which a disc of 10 mm has room, mm². */
    largestMm2: number;
  };
}

/** Where what the figures speak of is, as masks over the image. */
export interface ShapeMasks {
  /** Thinner than 0.3 mm; thinner than 0.5 mm. */
  hairlines: BitPlane;
  thin: BitPlane;
  /** Narrower than 0.5 mm. */
  gaps: BitPlane;
  specks: BitPlane;
  pinholes: BitPlane;
  solid: BitPlane;
}

/** Length of a shape's edge, mm: π/4 of its 4-neighbour edges is the mean over all directions. */
export const perimeterOf = (shape: BitPlane, pitchMm: number): number =>
  (Math.PI / 4) * countEdges(shape) * pitchMm;

/**
 * Measures the shape of a print. A generator: it yields after each step, so that whoever runs it can show progress and stop it.
 *
 * @param pitchMm width of one pixel as printed, mm
 */
export function* measuringShape(
  { shape, shapePx }: ArtScan,
  pitchMm: number,
): Generator<void, { figures: ShapeFigures; masks: ShapeMasks }> {
  const share = (bits: BitPlane): number => (shapePx === 0 ? 0 : countBits(bits) / shapePx);
  const figures: ShapeFigures = {
    thin: { '0.2': 0, '0.3': 0, '0.5': 0, '0.8': 0 },
    gap: { '0.3': 0, '0.5': 0 },
    parts: { components: 0, specks: 0, speckShare: 0, pinholes: 0 },
    perimeterMm: perimeterOf(shape, pitchMm),
    solid: { circleMm: 0, circleAt: null, largestMm2: 0 },
  };
  const nothing = makeBits(shape.width, shape.height);
  const masks: ShapeMasks = {
    hairlines: nothing,
    thin: nothing,
    gaps: nothing,
    specks: nothing,
    pinholes: nothing,
    solid: nothing,
  };
  if (shapePx === 0) return { figures, masks };
  const thinner = thinFinder(shape, 0.8 / pitchMm);
  for (const mm of THIN_MM) {
    const thin = thinner.find(Number(mm) / pitchMm);
    figures.thin[mm] = share(thin);
    if (mm === '0.3') masks.hairlines = thin;
    if (mm === '0.5') masks.thin = thin;
    yield;
  }
  const narrower = gapFinder(shape, 0.5 / pitchMm);
  for (const mm of GAP_MM) {
    masks.gaps = narrower.find(Number(mm) / pitchMm);
    figures.gap[mm] = share(masks.gaps);
    yield;
  }
  const most = SPECK_MM2 / (pitchMm * pitchMm); // px
  const parts = connectParts(shape, 8);
  const isSpeck = (part: number): boolean => parts.areaPx[part] < most;
  const speckAreas = parts.areaPx.filter((area) => area < most);
  if (speckAreas.length > 0) masks.specks = keepParts(parts, isSpeck);
  const holes = connectParts(invertBits(shape), 4);
  const isPinhole = (hole: number): boolean => holes.isAtBorder[hole] === 0 && holes.areaPx[hole] < most;
  const pinholes = countWhere(holes, isPinhole);
  if (pinholes > 0) masks.pinholes = keepParts(holes, isPinhole);
  figures.parts = {
    components: parts.count,
    specks: speckAreas.length,
    speckShare: speckAreas.reduce((sum, area) => sum + area, 0) / shapePx,
    pinholes,
  };
  yield;
  const circle = findLargestCircle(shape);
  masks.solid = findSolids(shape, SOLID_RADIUS_MM / pitchMm);
  figures.solid = {
    circleMm: 2 * (Math.sqrt(circle.squaredPx) - 0.5) * pitchMm,
    circleAt: [circle.x, circle.y],
    largestMm2: largestPart(masks.solid).px * pitchMm * pitchMm,
  };
  return { figures, masks };
}

function countWhere(parts: Parts, isCounted: (part: number) => boolean): number {
  let count = 0;
  for (let part = 0; part < parts.count; part++) if (isCounted(part)) count++;
  return count;
}

/**
 * Semi-transparent pixels farther than an anti-aliased edge reaches from nothing, or from full ink: glows and shadows.
 *
 * @param pitchMm width of one pixel as printed, mm
 */
export function findSoft({ ink, opaque }: ArtScan, pitchMm: number): BitPlane {
  const semi = bitsWithout(ink, opaque);
  if (isEmpty(semi)) return semi;
  const disc = makeDisc(Math.max(2, 0.15 / pitchMm), true); // px; plain anti-aliasing stays within
  const isWordwise = disc.reach <= MAX_REACH;
  const deep = isWordwise ? null : erodeAny(ink, disc);
  const nearOpaque = isWordwise ? null : dilateAny(opaque, disc, semi);
  for (let at = 0; at < semi.words.length; at++) {
    const word = semi.words[at];
    if (word === 0) continue;
    const far = deep === null ? erodedWord(ink, disc, at) : deep.words[at];
    const near = nearOpaque === null ? dilatedWord(opaque, disc, at, word) : nearOpaque.words[at];
    semi.words[at] = word & (far | ~near);
  }
  return semi;
}
