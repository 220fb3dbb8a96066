import type { RunStart, WaitingTransfers } from '@saltflat/contract';
import { TURNS, WORTH_OUTLINE, fillOf } from '@saltflat/core/film';
import type { FilmArea, FilmItem, FilmProblem, MaskRows, Placement } from '@saltflat/core/film';

/** Transfers that can share film: the same film and the same powder. */
export interface FilmGroup {
  key: string;
  film: WaitingTransfers['film'];
  powder: WaitingTransfers['powder'];
  /** Soonest due first. */
  waiting: readonly WaitingTransfers[];
}

/** What waits, by the film and powder it takes; the group that is due first stands first. */
export function groupsOf(waiting: readonly WaitingTransfers[]): FilmGroup[] {
  const groups = new Map<string, WaitingTransfers[]>();
  for (const own of waiting) {
    const key = `${own.film.id} ${own.powder?.id ?? ''}`;
    groups.set(key, [...(groups.get(key) ?? []), own]);
  }
  return [...groups].flatMap(([key, own]) =>
    own[0] ? [{ key, film: own[0].film, powder: own[0].powder, waiting: own }] : [],
  );
}

/** Transfers of one print of a line, by name. */
export const nameOf = ({ lineId, print }: Pick<WaitingTransfers, 'lineId' | 'print'>): string =>
  `${lineId}/${print}`;
export const itemOf = (own: WaitingTransfers, size: number): string => `${nameOf(own)}/${size}`;

export const countOf = ({ sizes }: WaitingTransfers): number =>
  sizes.reduce((sum, { slots }) => sum + slots.length, 0);

/** How sheets are cut apart, with the room between pieces that it takes, mm (trade ranges). */
export const CUTTING = {
  trimmer: { gapMm: 5 },
  knife: { gapMm: 4 },
  scissors: { gapMm: 8 },
} as const;
export type Cutting = keyof typeof CUTTING;

/** How a layout is wanted. */
export interface LaySettings {
  cutting: Cutting;
  gapMm: number;
  edgeMm: number;
  mayTurn: boolean;
  /** Of a roll: the longest piece, mm. */
  longestMm: number;
  /** Boxes, or outlines where those are poorly filled; others may lie in their holes or not. */
  outlines: 'boxes' | 'filled' | 'with-holes';
}

/** Room along the edges of film for holding and feeding it, mm (trade range 3–10). */
export const USUAL_EDGE_MM = 5;

/** A layout that somebody works on. */
export interface FilmDraft extends LaySettings {
  /** By name: what goes on this film, and what of it on the earliest sheets. */
  chosen: readonly string[];
  first: readonly string[];
  placements: readonly Placement[];
  /** Keys of copies that stay where they are. */
  locked: readonly string[];
}

/** The film of a group as it lies in the shop: a sheet, or a roll cut no longer than is wanted. */
export const areaOf = (
  { widthMm, heightMm }: { widthMm: number; heightMm: number | null },
  { longestMm }: LaySettings,
): FilmArea =>
  heightMm === null
    ? { kind: 'roll', widthMm, maxLengthMm: longestMm }
    : { kind: 'sheet', widthMm, heightMm };

/** Outlines by the item they are of; an item without one lies by its box. */
export type Masks = Readonly<Record<string, { widthMm: number; heightMm: number; rows: MaskRows }>>;

/** The layout problem of what is chosen. */
export function problemOf(
  group: FilmGroup,
  film: FilmArea,
  draft: FilmDraft,
  masks: Masks = {},
): FilmProblem {
  const { edgeMm, gapMm, mayTurn, chosen, first, locked, placements } = draft;
  const items = group.waiting
    .filter((own) => chosen.includes(nameOf(own)))
    .flatMap((own) =>
      own.sizes.map(({ widthMm, heightMm, slots }, size): FilmItem => {
        const id = itemOf(own, size);
        const mask = masks[id];
        return {
          id,
          widthMm: mask?.widthMm ?? widthMm,
          heightMm: mask?.heightMm ?? heightMm,
          count: slots.length,
          turns: mayTurn ? TURNS : [0],
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
    isByOutline: draft.outlines !== 'boxes',
    items,
    locked: lying(draft, placements).filter(({ key, itemId }) => locked.includes(key) && known.has(itemId)),
  };
}

/** Outlines that are worth it: what fills its box is laid as a box. */
export const masksOf = (
  art: Readonly<Record<string, { filled: Masks[string]; withHoles: Masks[string] }>>,
  { outlines }: Pick<LaySettings, 'outlines'>,
): Masks =>
  outlines === 'boxes'
    ? {}
    : Object.fromEntries(
        Object.entries(art)
          .map(([id, { filled, withHoles }]) => [id, outlines === 'filled' ? filled : withHoles] as const)
          .filter(([, mask]) => fillOf(mask) < WORTH_OUTLINE),
      );

/** Placements as they can lie: outlines on whole millimetres. */
export const lying = (
  { outlines }: Pick<LaySettings, 'outlines'>,
  placements: readonly Placement[],
): readonly Placement[] =>
  outlines === 'boxes'
    ? placements
    : placements.map((own) => ({ ...own, xMm: Math.round(own.xMm), yMm: Math.round(own.yMm) }));

/** Whose transfer a placement is: of which line and print, and which of its transfers. */
export function ownerOf(
  waiting: readonly WaitingTransfers[],
  { key, itemId }: Pick<Placement, 'key' | 'itemId'>,
): { owner: WaitingTransfers; slot: number; size: WaitingTransfers['sizes'][number] } | null {
  for (const owner of waiting)
    for (const [n, size] of owner.sizes.entries()) {
      if (itemOf(owner, n) !== itemId) continue;
      const slot = size.slots[Number(key.slice(itemId.length + 1))];
      return slot === undefined ? null : { owner, slot, size };
    }
  return null;
}

/** A layout as a run takes it: its lines, and for each sheet the transfers on it. */
export function runOf(
  waiting: readonly WaitingTransfers[],
  placements: readonly Placement[],
): Pick<RunStart, 'lineIds'> & { sheets: NonNullable<RunStart['sheets']> } {
  const sheets: NonNullable<RunStart['sheets']> = [];
  for (const own of placements) {
    const found = ownerOf(waiting, own);
    if (found === null) continue;
    const { lineId, print } = found.owner;
    const sheet = (sheets[own.sheet] ??= []);
    const part = sheet.find((known) => known.lineId === lineId && known.print === print);
    if (part) part.pieces.push(found.slot);
    else sheet.push({ lineId, print, pieces: [found.slot] });
  }
  for (const sheet of sheets) for (const part of sheet) part.pieces.sort((p, q) => p - q);
  const lineIds = [...new Set(sheets.flat().map(({ lineId }) => lineId))];
  return { lineIds, sheets: sheets.filter((sheet) => sheet.length > 0) };
}
