import { isCap } from '../blank/index.ts';
import { planPlacement } from '../placement/index.ts';
import type { PlacementPlan } from '../placement/index.ts';
import type { PrintInput } from './documents.ts';
import { printersFor } from './equip.ts';

/** The placement of a line with the platens and press its process uses. */
export function placementOf(input: PrintInput): PlacementPlan {
  const { garment, placement, print, house, equipment, process } = input;
  const platens = process === 'dtg' ? printersFor(input, 'direct').flatMap((own) => own.platens) : [];
  const press = isCap(garment) ? equipment.capPress : equipment.presses[0];
  return planPlacement({
    garment,
    placement,
    lineWidthMm: print.lineWidthMm,
    widthMm: print.widthMm,
    heightMm: print.heightMm,
    rule: house.placementRule,
    platens: [...platens].sort((p, q) => p.widthMm * p.heightMm - q.widthMm * q.heightMm),
    press: press ? largestPress(input, press) : null,
  });
}

/** A flat press is chosen by size: what matters is the largest of them. */
function largestPress(
  { garment, equipment }: PrintInput,
  first: { name: string; widthMm: number; heightMm: number },
): { name: string; widthMm: number; heightMm: number } {
  if (isCap(garment)) return first;
  return equipment.presses.reduce(
    (best, own) => (own.widthMm * own.heightMm > best.widthMm * best.heightMm ? own : best),
    first,
  );
}
