import { FEATURE_NAMES, PLACE_NAMES } from './names.ts';
import type { FeatureName, PlaceName } from './names.ts';
import type { AnySaid, Tell } from './said.ts';
import { alternatives, listed } from './speech.ts';
import type { Figures } from './speech.ts';

/** Where a print goes, what is in its way, and what it takes. */
export const PLACING = {
  'place.by-rule': ({ place, rule }: { place: PlaceName; rule: AnySaid }, _f: Figures, tell: Tell) =>
    `${PLACE_NAMES[place]}, ${tell(rule)}`,
  'rule.edge': ({ dropMm }: { dropMm: number }, f: Figures) =>
    `${f.mm(Math.round(dropMm))} below the upper edge, by ruler`,
  'rule.ruler': ({ dropMm }: { dropMm: number }, f: Figures) =>
    `${f.mm(Math.round(dropMm))} below the collar in the middle size, by ruler`,
  'rule.fingers': ({ count, minMm, maxMm }: { count: 3 | 4; minMm: number; maxMm: number }, f: Figures) =>
    `${count === 3 ? 'three' : 'four'} fingers below the collar: ${f.mms(minMm, maxMm)}`,
  'place.no-such': ({ blank, place }: { blank: string; place: PlaceName }) =>
    `“${blank}” has no place called ${PLACE_NAMES[place].toLowerCase()}.`,
  'place.too-large': (
    p: { sizes: string[]; widthMm: number; heightMm: number; roomWidthMm: number; roomHeightMm: number },
    f: Figures,
  ) =>
    `${p.sizes.join(', ')}: ${f.size(p.widthMm, p.heightMm)} is larger than what can be printed there, ${f.size(p.roomWidthMm, p.roomHeightMm)} in the smallest size.`,
  'place.no-platen': (
    p: { widthMm: number; heightMm: number; largestWidthMm: number; largestHeightMm: number },
    f: Figures,
  ) =>
    `${f.size(p.widthMm, p.heightMm)} fits none of the platens; the largest is ${f.size(p.largestWidthMm, p.largestHeightMm)}.`,
  'place.over-press': (
    p: { widthMm: number; heightMm: number; press: string; pressWidthMm: number; pressHeightMm: number },
    f: Figures,
  ) =>
    `${f.size(p.widthMm, p.heightMm)} is larger than ${p.press} presses at once, ${f.size(p.pressWidthMm, p.pressHeightMm)}.`,
  'place.zip': () => 'The zip runs through the print: it cannot be printed or pressed over.',
  'place.six-panel-seam': () =>
    'A six-panel front has its seam in the middle of the print: a transfer cracks along it unless the seam lies flat.',
  'place.chest-pocket': () => 'The chest pocket is where the mark goes.',
  'place.at-collar': ({ leastMm }: { leastMm: number }, f: Figures) =>
    `Less than ${f.mm(leastMm)} below the collar: the rib lies under the print.`,
  'place.overlap': ({ sizes, one, two }: { sizes: string[]; one: PlaceName; two: PlaceName }) =>
    `${sizes.join(', ')}: ${PLACE_NAMES[one].toLowerCase()} and ${PLACE_NAMES[two].toLowerCase()} lie on each other.`,
  'place.twice': ({ place }: { place: PlaceName }) =>
    `${PLACE_NAMES[place]} is there twice: two prints cannot be at one place.`,
  // ways out of what is in the way
  'way.smaller': ({ widthMm }: { widthMm: number }, f: Figures) => `Print it ${f.mm(widthMm)} wide, or less.`,
  'way.grade': () => 'Give those sizes a width of their own.',
  'way.in-two-goes': () => 'Press it in two goes, the second over the edge of the first.',
  'way.other-places': ({ places }: { places: PlaceName[] }) =>
    `Another place: ${alternatives(places.map((own) => PLACE_NAMES[own].toLowerCase()))}.`,
  'way.clear-of-zip': () => 'Print it narrower, so that it ends before the zip.',
  'way.patch': () => 'Put it on a patch: a patch bridges the seam.',
  'way.lower': ({ dropMm }: { dropMm: number }, f: Figures) => `${f.mm(dropMm)} below the collar, or lower.`,
  'way.apart': () => 'Move one of them, or print them smaller.',
  'need.riser': () => 'Riser under the part above the pocket, so that the whole print is at one height.',
  'need.tape': () => 'Tape on the bare platen beside the garment, to catch what is printed past the edge.',
  'need.pocket-pad': () => 'Pad inside, above the pocket: the pocket’s edge steals pressure.',
  'need.pillow': ({ features }: { features: FeatureName[] }) =>
    `Pillow under the print: ${listed(features.map((own) => FEATURE_NAMES[own]))} would hold the plate up.`,
  'need.hood': () => 'Hood laid forward, off the platen and the plate.',
  'need.drawcord': () => 'Drawcord and its ends tucked out of the print area: metal ends mark the plate.',
};
