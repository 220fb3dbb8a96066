import type { Feature, Garment } from '../blank/index.ts';
import { hasFeature, isCap } from '../blank/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import { PLACEMENTS, TOPS, dropFrom, placementsOn } from './placements.ts';
import type { PlacementKey } from './placements.ts';

/** One size of a line: how many, and what its maker's chart says of it. */
export interface LineSize {
  size: string;
  quantity: number;
  /** Flat across the chest or the widest part, mm; `null` where the chart does not say. */
  bodyWidthMm: number | null;
  /** How much lower (or higher) the maker's collar sits than in the middle size counts, mm; `null` where not known. */
  collarDropMm: number | null;
}

/** What can be printed at a place, mm: given for the smallest size, wider sizes have more. */
export interface PrintArea {
  placement: PlacementKey;
  widthMm: number;
  heightMm: number;
}

/** Sizes that get the artwork at a width of their own. */
export interface Grade {
  sizes: readonly string[];
  widthMm: number;
}

export interface LinePlacement {
  key: PlacementKey;
  /** As written on the line, for the middle size, mm. */
  dropMm: number;
  sizes: readonly LineSize[];
  areas: readonly PrintArea[];
  /** Empty: one artwork size for all. */
  grades: readonly Grade[];
}

export interface SizePlacement {
  size: string;
  quantity: number;
  /** By the maker's chart; `null` where it does not say. */
  bodyWidthMm: number | null;
  dropMm: number;
  widthMm: number;
  heightMm: number;
  /** From the left edge of the platen to the print, mm; `null` without a platen. */
  platenLeftMm: number | null;
}

/** Something that is put under, over or beside the garment so that the print comes out, and why. */
export interface PlacementNeed {
  what: 'riser' | 'tape' | 'pad' | 'fold-away';
  said: Said;
}

/** What does not fit or is in the way, and what could be done about it. */
export interface PlacementProblem {
  said: Said;
  waysOut: Said[];
}

/** Where a print sits on every size, whether it can, and what it takes. */
export interface PlacementPlan {
  key: PlacementKey;
  label: string;
  /** How it is measured. */
  rule: Said;
  sizes: SizePlacement[];
  /** Name of the platen it is loaded on, direct print only. */
  platen: string | null;
  /** Each with the sizes it is about. */
  problems: PlacementProblem[];
  needs: PlacementNeed[];
}

export const FINGER_MM = { min: 18, max: 20 }; // width of a finger across the first joint (trade)
/** A print drops by this much for every mm the body is wider: about 5 mm a size (assumption). */
const DROP_PER_WIDTH = 0.1;

interface Surface {
  name: string;
  widthMm: number;
  heightMm: number;
}

export interface PlacementInput {
  garment: Garment;
  placement: LinePlacement;
  /** The file at the line's own width, margins included, mm: what a grade's width is compared with. */
  lineWidthMm: number;
  /** The print at that width, mm. */
  widthMm: number;
  heightMm: number;
  rule: 'ruler' | 'three-fingers' | 'four-fingers';
  /** Platens it may be loaded on; empty off a direct printer. */
  platens: readonly Surface[];
  /** What it is pressed on; `null` where nothing is. */
  press: Surface | null;
  /** The print lies on a patch, which bridges what is under it. */
  isOnPatch: boolean;
}

/** Works out the placement of every size of a line, and what stands in its way. */
export function planPlacement(input: PlacementInput): PlacementPlan {
  const { placement, platens } = input;
  const sizes = placement.sizes.map((own) => placeSize(input, own));
  const extent = extentOf(input, sizes);
  const { widest, tallest } = extent;
  const platen = platens.find((own) => widest <= own.widthMm && tallest <= own.heightMm) ?? null;
  return {
    key: placement.key,
    label: PLACEMENTS[placement.key].label,
    rule: ruleOf(input),
    sizes: sizes.map((own) => ({
      ...own,
      platenLeftMm: platen === null ? null : Math.round((platen.widthMm - own.widthMm) / 2),
    })),
    platen: platen?.name ?? null,
    problems: [
      ...misplaced(input),
      ...tooLarge(input, sizes),
      ...(platens.length > 0 && platen === null ? [offPlaten(platens[platens.length - 1], extent)] : []),
      ...(input.press && (widest > input.press.widthMm || tallest > input.press.heightMm)
        ? [overPress(input.press, extent, isCap(input.garment))]
        : []),
      ...obstacles(input, sizes),
    ],
    needs: needs(input, sizes),
  };
}

interface Extent {
  widest: number;
  tallest: number;
  /** The width written on the line that comes out so wide, margins of the file included, mm. */
  writtenMm: number;
}

const extentOf = ({ widthMm, lineWidthMm }: PlacementInput, sizes: readonly SizePlacement[]): Extent => {
  const widest = largest(sizes, 'widthMm');
  return { widest, tallest: largest(sizes, 'heightMm'), writtenMm: (widest / widthMm) * lineWidthMm };
};

/** So wide it may be written to fit a room, in whole mm; its height follows. */
const smaller = ({ widest, tallest, writtenMm }: Extent, room: { widthMm: number; heightMm: number }): Said =>
  say('way.smaller', {
    widthMm: Math.floor(writtenMm * Math.min(1, room.widthMm / widest, room.heightMm / tallest)),
  });

const offPlaten = (room: Surface, extent: Extent): PlacementProblem => ({
  said: say('place.no-platen', {
    widthMm: extent.widest,
    heightMm: extent.tallest,
    largestWidthMm: room.widthMm,
    largestHeightMm: room.heightMm,
  }),
  waysOut: [smaller(extent, room), say('way.another-process')],
});

const overPress = (press: Surface, extent: Extent, isOnForm: boolean): PlacementProblem => ({
  said: say('place.over-press', {
    widthMm: extent.widest,
    heightMm: extent.tallest,
    press: press.name,
    pressWidthMm: press.widthMm,
    pressHeightMm: press.heightMm,
  }),
  waysOut: [smaller(extent, press), ...(isOnForm ? [] : [say('way.in-two-goes')])],
});

const largest = (sizes: readonly SizePlacement[], key: 'widthMm' | 'heightMm'): number =>
  Math.max(0, ...sizes.map((own) => own[key]));

function placeSize(input: PlacementInput, own: LinePlacement['sizes'][number]): SizePlacement {
  const { placement, lineWidthMm, widthMm, heightMm } = input;
  const scale = scaleFor(placement, own.size, lineWidthMm);
  return {
    size: own.size,
    quantity: own.quantity,
    bodyWidthMm: own.bodyWidthMm,
    dropMm: Math.round(dropFor(input, own)),
    widthMm: Math.round(widthMm * scale),
    heightMm: Math.round(heightMm * scale),
    platenLeftMm: null,
  };
}

/** How much larger than written a size's print is, by its grade. */
function scaleFor({ grades }: LinePlacement, size: string, lineWidthMm: number): number {
  const grade = grades.find(({ sizes }) => sizes.includes(size));
  return grade ? grade.widthMm / lineWidthMm : 1;
}

/** Area of the prints of a line relative to all being printed at the width written, quantities counted. */
export function meanAreaScale(placement: LinePlacement, lineWidthMm: number): number {
  const pieces = placement.sizes.reduce((sum, { quantity }) => sum + quantity, 0);
  if (pieces === 0) return 1;
  const total = placement.sizes.reduce(
    (sum, { size, quantity }) => sum + quantity * scaleFor(placement, size, lineWidthMm) ** 2,
    0,
  );
  return total / pieces;
}

function dropFor({ garment, placement, rule }: PlacementInput, own: LinePlacement['sizes'][number]): number {
  const fingers = rule === 'three-fingers' ? 3 : rule === 'four-fingers' ? 4 : 0;
  const isFromCollar = dropFrom(placement.key, garment.kind) === 'collar';
  const base =
    fingers > 0 && isFromCollar && !isChest(placement.key)
      ? (fingers * (FINGER_MM.min + FINGER_MM.max)) / 2
      : placement.dropMm;
  if (!isFromCollar) return base;
  const middle = middleSize(placement.sizes);
  if (own.collarDropMm !== null && middle?.collarDropMm != null)
    return base + own.collarDropMm - middle.collarDropMm;
  if (own.bodyWidthMm !== null && middle?.bodyWidthMm != null)
    return base + DROP_PER_WIDTH * (own.bodyWidthMm - middle.bodyWidthMm);
  return base;
}

const isChest = (key: PlacementKey): boolean =>
  key === 'left-chest' || key === 'right-chest' || key === 'pocket';

/** The middle one of the sizes ordered, by width: the one the line's drop is written for. */
function middleSize(sizes: readonly LineSize[]): LineSize | undefined {
  const byWidth = [...sizes].sort((p, q) => (p.bodyWidthMm ?? 0) - (q.bodyWidthMm ?? 0));
  return byWidth[Math.floor((byWidth.length - 1) / 2)];
}

function ruleOf({ garment, rule, placement: { key, dropMm } }: PlacementInput): Said {
  if (dropFrom(key, garment.kind) === 'edge') return say('rule.edge', { dropMm });
  if (rule === 'ruler' || isChest(key)) return say('rule.ruler', { dropMm });
  const count = rule === 'three-fingers' ? 3 : 4;
  return say('rule.fingers', { count, minMm: count * FINGER_MM.min, maxMm: count * FINGER_MM.max });
}

function misplaced({ garment, placement }: PlacementInput): PlacementProblem[] {
  const named = PLACEMENTS[placement.key];
  if (named.on.includes(garment.kind)) return [];
  return [
    {
      said: say('place.no-such', { blank: garment.name, place: placement.key }),
      waysOut: [say('way.other-places', { places: placementsOn(garment.kind) })],
    },
  ];
}

/** Bodies get longer by about half of what they get wider (assumption: usual charts, some 25 mm to 50 mm a size). */
const LENGTH_PER_WIDTH = 0.5;

/**
 * Against the printable area at this place, which is given for the smallest size: wider sizes have as much more width as
 * their bodies are wider, and half of that more height.
 */
function tooLarge(input: PlacementInput, sizes: readonly SizePlacement[]): PlacementProblem[] {
  const { placement } = input;
  const area = placement.areas.find((own) => own.placement === placement.key);
  if (!area) return [];
  const widths = placement.sizes.map(({ bodyWidthMm }) => bodyWidthMm);
  const known = widths.filter((width) => width !== null);
  const narrowest = Math.min(...known);
  const over = sizes.filter((own, i) => {
    const width = widths[i] ?? null;
    const wider = width === null || known.length === 0 ? 0 : width - narrowest;
    return own.widthMm > area.widthMm + wider || own.heightMm > area.heightMm + LENGTH_PER_WIDTH * wider;
  });
  if (over.length === 0) return [];
  const extent = extentOf(input, over);
  return [
    {
      said: say('place.too-large', {
        sizes: over.map(({ size }) => size),
        widthMm: extent.widest,
        heightMm: extent.tallest,
        roomWidthMm: area.widthMm,
        roomHeightMm: area.heightMm,
      }),
      waysOut: [smaller(extent, area), ...(over.length < sizes.length ? [say('way.grade')] : [])],
    },
  ];
}

/** How far below the collar a front pocket begins, mm, on a middle size (trade). */
const POCKET_TOP_MM: Partial<Record<Garment['kind'], number>> = {
  hoodie: 410,
  sweatshirt: 410,
  tee: 170,
  apron: 470,
};

/** How far below the collar its front pocket begins, mm; `null` where it has none. */
export const pocketTopMm = (garment: Garment): number | null =>
  hasFeature(garment, 'pocket') ? (POCKET_TOP_MM[garment.kind] ?? null) : null;

/** True when the print reaches onto a pocket. */
export function crossesPocket(garment: Garment, key: PlacementKey, sizes: readonly SizePlacement[]): boolean {
  const top = pocketTopMm(garment);
  if (top === null) return false;
  const isInFront =
    key === 'full-front' || key === 'apron-front' || (garment.kind === 'tee' && key === 'left-chest');
  return isInFront && sizes.some(({ dropMm, heightMm }) => dropMm + heightMm > top);
}

const COLLAR_MM = 20; // a rib and its seam (trade)

function obstacles(input: PlacementInput, sizes: readonly SizePlacement[]): PlacementProblem[] {
  const { garment, placement, isOnPatch } = input;
  const { key } = placement;
  const problems: PlacementProblem[] = [];
  const otherPlaces = (...places: PlacementKey[]): Said[] => {
    const there = places.filter((own) => own !== key && PLACEMENTS[own].on.includes(garment.kind));
    return there.length === 0 ? [] : [say('way.other-places', { places: there })];
  };
  if (isOverZip(garment, key, sizes))
    problems.push({
      said: say('place.zip'),
      waysOut:
        key === 'full-front'
          ? otherPlaces('left-chest', 'back')
          : [say('way.clear-of-zip'), ...otherPlaces('back')],
    });
  if (garment.kind === 'cap-six' && key === 'cap-front' && hasFeature(garment, 'panel-seam') && !isOnPatch)
    problems.push({
      said: say('place.six-panel-seam'),
      waysOut: [...otherPlaces('cap-corner', 'cap-side'), say('way.patch')],
    });
  if (garment.kind === 'tee' && hasFeature(garment, 'pocket') && key === 'left-chest')
    problems.push({ said: say('place.chest-pocket'), waysOut: otherPlaces('pocket', 'right-chest') });
  if (sizes.some(({ dropMm }) => dropMm < COLLAR_MM) && dropFrom(key, garment.kind) === 'collar')
    problems.push({
      said: say('place.at-collar', { leastMm: COLLAR_MM }),
      waysOut: [say('way.lower', { dropMm: COLLAR_MM })],
    });
  return problems;
}

/** A zip runs down the middle of the front; a chest mark sits half-way between it and the side. */
function isOverZip(garment: Garment, key: PlacementKey, sizes: readonly SizePlacement[]): boolean {
  if (!hasFeature(garment, 'zip') || !TOPS.some((own) => own === garment.kind)) return false;
  if (key === 'full-front') return true;
  return (
    isChest(key) &&
    sizes.some(({ widthMm, bodyWidthMm }) => bodyWidthMm !== null && widthMm > bodyWidthMm / 2)
  );
}

function needs(input: PlacementInput, sizes: readonly SizePlacement[]): PlacementNeed[] {
  const { garment, placement, platens, press } = input;
  const found: PlacementNeed[] = [];
  const isOnPlaten = platens.length > 0;
  if (crossesPocket(garment, placement.key, sizes)) {
    if (isOnPlaten)
      found.push({ what: 'riser', said: say('need.riser') }, { what: 'tape', said: say('need.tape') });
    if (press) found.push({ what: 'pad', said: say('need.pocket-pad') });
  }
  const thick = (['thick-seams', 'zip'] as const).filter((feature: Feature) => hasFeature(garment, feature));
  if (press && thick.length > 0 && !isCap(garment))
    found.push({
      what: 'pad',
      said: say('need.pillow', { features: thick }),
    });
  if (hasFeature(garment, 'hood') && placement.key === 'back')
    found.push({ what: 'fold-away', said: say('need.hood') });
  if (hasFeature(garment, 'drawcord'))
    found.push({
      what: 'fold-away',
      said: say('need.drawcord'),
    });
  return found;
}
