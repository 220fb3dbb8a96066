import { isCap } from '../blank/index.ts';
import { planPlacement } from '../placement/index.ts';
import type { PlacementPlan } from '../placement/index.ts';
import type { PrintInput } from './documents.ts';
import { CHOICES, capPressFor, pressFor, printerFor } from './equip.ts';
import type { Platen } from './machines.ts';

/** The placement of a line with the platens and press it is made on. */
export function placementOf(input: PrintInput): PlacementPlan {
  const { garment, placement, print, house } = input;
  return planPlacement({
    garment,
    placement,
    lineWidthMm: print.lineWidthMm,
    widthMm: print.widthMm,
    heightMm: print.heightMm,
    rule: house.placementRule,
    platens: platensFor(input),
    press: pressOf(input),
    isOnPatch: input.process === 'patch-cap',
  });
}

/** Smallest first, of which the first that takes every size is used; the one a person chose, where somebody did. */
function platensFor(input: PrintInput): Platen[] {
  if (input.process !== 'dtg') return [];
  const isChosen = input.sources.some(({ role, print }) => role === 'platen' && print === input.id);
  if (isChosen) return [CHOICES.platen(input).chosen];
  return [...printerFor(input).platens].sort((p, q) => p.widthMm * p.heightMm - q.widthMm * q.heightMm);
}

function pressOf(input: PrintInput): { name: string; widthMm: number; heightMm: number } | null {
  const { garment, equipment } = input;
  if (isCap(garment)) return equipment.capPresses.length > 0 ? capPressFor(input) : null;
  return equipment.presses.length > 0 ? pressFor(input) : null;
}
