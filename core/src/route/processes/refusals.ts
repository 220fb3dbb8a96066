import { isCap } from '../../blank/index.ts';
import { say, saidOnce } from '../../words/index.ts';
import type { Said } from '../../words/index.ts';
import { ORIGIN_ROLES, lackOf } from '../equip.ts';
import type { SourceRole } from '../sources/index.ts';
import { isPressedNow } from '../practices/transferPress.ts';
import type { LineInput } from './processModule.ts';

/** What is said when a claim does not hold, nothing when it does. */
export const unless = (holds: boolean, said: Said): Said[] => (holds ? [] : [said]);

/** What a process needs and the shop has none of, or none that fits: each with why. */
export function sourceRefusals(line: LineInput, roles: readonly SourceRole[]): Said[] {
  const lacks = roles.flatMap((role) => lackOf(line, role) ?? []);
  return saidOnce(lacks); // a sheet is asked for by a transfer that is missing already
}

/** What presses a transfer on: a flat press and sheets, or for a cap its own press and tape; nothing for the shelf. */
export function pressingRoles(line: LineInput, isPressedAgain: boolean): SourceRole[] {
  if (!isPressedNow(line)) return [];
  if (isCap(line.garment))
    return ['cap-press', ...(line.equipment.tapes.length > 0 ? (['tape'] as const) : [])];
  return ['press', 'press-sheet', ...(isPressedAgain ? (['second-sheet'] as const) : [])];
}

/** {@link pressingRoles} of film made here, pressed again where this house does so. */
export const filmPressingRoles = (line: LineInput): SourceRole[] =>
  pressingRoles(line, line.house.secondPress !== 'none');

/** What film is made with here, whichever printer it comes from. */
export const FILM_ROLES: readonly SourceRole[] = ORIGIN_ROLES.here;

/** Something to melt powder with. */
export const melterNeed = ({ equipment: { belts, ovens, griddles, presses } }: LineInput): Said[] =>
  unless(belts.length + ovens.length + griddles.length + presses.length > 0, say('refusal.no-melter'));
