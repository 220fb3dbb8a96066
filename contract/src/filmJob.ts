import { TURNS } from '@saltflat/core/film';
import type {
  FilmArea,
  FilmItem,
  FilmProblem,
  MaskRows,
  Placement,
  SheetOutInput,
} from '@saltflat/core/film';
import type { WaitingTransfers } from './film.ts';
import type { FilmLayoutDocument, LaySettings } from './filmLayouts.ts';
import type { Guest, RunStart } from './runs.ts';

/** Transfers of one print of a line, by name. */
export const nameOf = ({ lineId, print }: Pick<WaitingTransfers, 'lineId' | 'print'>): string =>
  `${lineId}/${print}`;
/** One of their sizes on film, by its place. */
export const itemOf = (own: WaitingTransfers, size: number): string => `${nameOf(own)}/${size}`;

/** The film of a layout as it lies in the shop: sheets or off-cuts, or a roll cut no longer than is wanted. */
export function areaOf(
  { widthMm, heightMm }: { widthMm: number; heightMm: number | null },
  { longestMm, offcut }: Pick<LaySettings, 'longestMm' | 'offcut'>,
): FilmArea {
  if (offcut !== null) return { kind: 'sheet', ...offcut };
  return heightMm === null
    ? { kind: 'roll', widthMm, maxLengthMm: longestMm }
    : { kind: 'sheet', widthMm, heightMm };
}

/** Outlines by the item they are of; an item without one lies by its box. */
export type Masks = Readonly<Record<string, { widthMm: number; heightMm: number; rows: MaskRows }>>;

/** Transfers with more to spare than their line has: of its largest size, so that they serve any. */
export function withMore(own: WaitingTransfers, more: number): WaitingTransfers {
  if (more === 0) return own;
  const largest = largestOf(own);
  const last = Math.max(...slotsOf(own));
  const slots = Array.from({ length: more }, (_, i) => last + 1 + i);
  return {
    ...own,
    sizes: own.sizes.map((size, n) => (n === largest ? { ...size, slots: [...size.slots, ...slots] } : size)),
    spares: own.spares + more,
  };
}

/** Which of its sizes spares are of. */
export const largestOf = ({ sizes }: Pick<WaitingTransfers, 'sizes'>): number =>
  sizes.reduce((best, { widthMm }, n) => (widthMm > (sizes[best]?.widthMm ?? 0) ? n : best), 0);

/** What is laid out, and what of it on the earliest sheets and where it is. */
export interface Laying extends Omit<LaySettings, 'longestMm' | 'rollLeftMm' | 'offcut' | 'cutting'> {
  /** By name; nothing where all of it is. */
  chosen?: readonly string[];
  first: readonly string[];
  upright: readonly string[];
  masks: Masks;
  locked?: readonly Placement[];
}

/** The layout problem of transfers. */
export function problemOf(
  transfers: readonly WaitingTransfers[],
  film: FilmArea,
  { edgeMm, gapMm, mayTurn, outlines, chosen, first, upright, masks, locked = [] }: Laying,
): FilmProblem {
  const items = transfers
    .filter((own) => chosen === undefined || chosen.includes(nameOf(own)))
    .flatMap((own) =>
      own.sizes.map(({ widthMm, heightMm, slots }, size): FilmItem => {
        const id = itemOf(own, size);
        const mask = masks[id];
        return {
          id,
          widthMm: mask?.widthMm ?? widthMm,
          heightMm: mask?.heightMm ?? heightMm,
          count: slots.length,
          turns: mayTurn && !upright.includes(nameOf(own)) ? TURNS : [0],
          priority: first.includes(nameOf(own)) ? 1 : 0,
          mask: mask?.rows ?? null,
        };
      }),
    );
  const known = new Set(items.map(({ id }) => id));
  return {
    film,
    keepOut: { leftMm: edgeMm, rightMm: edgeMm, topMm: edgeMm, bottomMm: edgeMm },
    gapMm,
    isByOutline: outlines !== 'boxes',
    items,
    locked: locked.filter(({ itemId }) => known.has(itemId)),
  };
}

/** Whose transfer a placement is: of which line and print, and which of its transfers. */
export function ownerOf(
  transfers: readonly WaitingTransfers[],
  { key, itemId }: Pick<Placement, 'key' | 'itemId'>,
): { owner: WaitingTransfers; slot: number; size: WaitingTransfers['sizes'][number] } | null {
  for (const owner of transfers)
    for (const [n, size] of owner.sizes.entries()) {
      if (itemOf(owner, n) !== itemId) continue;
      const slot = size.slots[Number(key.slice(itemId.length + 1))];
      return slot === undefined ? null : { owner, slot, size };
    }
  return null;
}

/** A layout as a run takes it: its lines, for each sheet the transfers on it, and what it carries for other runs. */
export function runOf(
  transfers: readonly WaitingTransfers[],
  placements: readonly Placement[],
): Pick<RunStart, 'lineIds'> & { sheets: NonNullable<RunStart['sheets']>; guests: Guest[] } {
  const sheets: NonNullable<RunStart['sheets']> = [];
  const carried: (Omit<Guest, 'sheet'> & { sheet: number })[] = [];
  for (const own of placements) {
    const found = ownerOf(transfers, own);
    if (found === null) continue;
    const { lineId, print, code, again } = found.owner;
    if (again) {
      const part = again.parts[slotsOf(found.owner).indexOf(found.slot)];
      if (part !== undefined)
        carried.push({ sheet: own.sheet, runId: again.runId, part, code: `${code} ${found.slot}` });
      continue;
    }
    const sheet = (sheets[own.sheet] ??= []);
    const part = sheet.find((known) => known.lineId === lineId && known.print === print);
    if (part) part.pieces.push(found.slot);
    else sheet.push({ lineId, print, pieces: [found.slot] });
  }
  for (const sheet of sheets) for (const part of sheet ?? []) part.pieces.sort((p, q) => p - q);
  const used = [...sheets.keys()].filter((n) => (sheets[n] ?? []).length > 0);
  return {
    lineIds: [...new Set(used.flatMap((n) => sheets[n] ?? []).map(({ lineId }) => lineId))],
    sheets: used.map((n) => sheets[n] ?? []),
    guests: carried.map(({ sheet, ...guest }) => ({
      ...guest,
      sheet: used.includes(sheet) ? String(used.indexOf(sheet) + 1) : null,
    })),
  };
}

/** Its transfers in the order of their numbers. */
const slotsOf = ({ sizes }: Pick<WaitingTransfers, 'sizes'>): number[] =>
  sizes.flatMap(({ slots }) => slots).sort((p, q) => p - q);

/** The layout problem that a kept layout answers. */
export const problemOfLayout = ({
  film,
  transfers,
  first,
  upright,
  settings,
  masks,
}: FilmLayoutDocument): FilmProblem => {
  const byItem: Masks = Object.fromEntries(masks.map(({ itemId, ...mask }) => [itemId, mask]));
  return problemOf(transfers, areaOf(film, settings), { ...settings, first, upright, masks: byItem });
};

/** The line a piece is for, which of its prints beyond the first, and which of its pieces; a spare is told by a plus. */
export function codeOf(transfers: readonly WaitingTransfers[], key: string): string {
  const found = ownerOf(transfers, { key, itemId: key.slice(0, key.lastIndexOf('#')) });
  if (!found) return '';
  const { owner, slot } = found;
  const print = owner.print === '1' ? '' : `/${owner.print}`;
  return `${owner.code}${print} ${slot}${isSpare(owner, slot) ? '+' : ''}`;
}

/** Transfers of a print, spares too. */
export const countOf = ({ sizes }: Pick<WaitingTransfers, 'sizes'>): number =>
  sizes.reduce((sum, { slots }) => sum + slots.length, 0);

/** Spares are counted after the pieces themselves. */
export const isSpare = (own: WaitingTransfers, slot: number): boolean =>
  slotsOf(own).indexOf(slot) >= countOf(own) - own.spares;

/**
 * What a sheet of a kept layout is put out from.
 *
 * @param sheet from 0
 * @param head the sheet’s own words
 */
export const sheetInputOf = (document: FilmLayoutDocument, sheet: number, head: string): SheetOutInput => ({
  problem: problemOfLayout(document),
  placements: document.placements,
  sheet,
  printed: Object.fromEntries(
    document.transfers.flatMap((own) => own.sizes.map((size, n) => [itemOf(own, n), size])),
  ),
  wishes: document.marks,
  said: {
    codes: Object.fromEntries(document.placements.map(({ key }) => [key, codeOf(document.transfers, key)])),
    head,
  },
});
