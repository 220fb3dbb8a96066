import type { WaitingTransfers } from '@saltflat/contract';
import { ownerOf } from '@saltflat/contract/filmJob';
import type { FilmItem, FilmProblem, LayoutFault, Placement } from '@saltflat/core/film';
import { t } from '../../words/index.ts';

/** A copy on film as it is drawn. */
export interface Piece {
  own: Placement;
  item: FilmItem;
  code: string;
  /** The ink alone, and its size, mm; it lies in the middle of the box. */
  art: { url: string | null; widthMm: number; heightMm: number };
  colourHex: string;
  isLocked: boolean;
  /** What is wrong with where it lies, in words. */
  fault: string | null;
  /** What it is called by those who hear the page. */
  words: string;
}

/** A layout, and what is known of it. */
interface Laid {
  placements: readonly Placement[];
  locked: readonly string[];
  art: Readonly<Record<string, { url: string }>>;
  faults: readonly LayoutFault[];
}

/** Copies as they are drawn, by sheet; what belongs to nothing that waits any more is left out. */
export function piecesOf(
  problem: FilmProblem,
  waiting: readonly WaitingTransfers[],
  { placements, locked, art, faults }: Laid,
): Piece[] {
  const items = new Map(problem.items.map((item) => [item.id, item]));
  const wrong = new Map<string, string>();
  for (const fault of faults) {
    wrong.set(fault.key, faultWords(fault));
    if (fault.fault === 'near') wrong.set(fault.other, faultWords(fault));
  }
  return placements.flatMap((own) => {
    const item = items.get(own.itemId);
    const found = ownerOf(waiting, own);
    if (!item || !found) return [];
    const { code, colourHex } = found.owner;
    const { widthMm, heightMm } = found.size;
    const shown = { url: art[own.itemId]?.url ?? null, widthMm, heightMm };
    const isLocked = locked.includes(own.key);
    const fault = wrong.get(own.key) ?? null;
    const what = t('{code}, transfer {slot}', { code, slot: found.slot });
    const words = [what, isLocked ? t('locked') : '', fault ?? ''].filter((part) => part !== '').join(', ');
    return [{ own, item, code, art: shown, colourHex, isLocked, fault, words }];
  });
}

function faultWords(fault: LayoutFault): string {
  if (fault.fault === 'edge') return t('over the edge by {mm} mm', { mm: Math.ceil(fault.byMm) });
  return fault.fault === 'near' ? t('too near its neighbour') : t('may not lie this way round');
}
