import type {
  FilmLayoutInput,
  FilmWaiting,
  LaySettings,
  MarkWishes,
  WaitingTransfers,
} from '@saltflat/contract';
import { nameOf, problemOf } from '@saltflat/contract/filmJob';
import type { Masks } from '@saltflat/contract/filmJob';
import { CUTTING, USUAL_EDGE_MM, WORTH_OUTLINE, fillOf } from '@saltflat/core/film';
import type { FilmArea, FilmProblem, Placement } from '@saltflat/core/film';

/** Transfers that can share film: of the same film and powder, for the same printer. */
export interface FilmGroup {
  key: string;
  film: WaitingTransfers['film'];
  powder: WaitingTransfers['powder'];
  printer: WaitingTransfers['printer'];
  /** Soonest due first. */
  waiting: readonly WaitingTransfers[];
}

/** What waits, by the film, powder and printer it takes; the group that is due first stands first. */
export function groupsOf(waiting: readonly WaitingTransfers[]): FilmGroup[] {
  const groups = new Map<string, WaitingTransfers[]>();
  for (const own of waiting) {
    const key = [own.film.id, own.powder?.id, own.printer?.id].join(' ');
    groups.set(key, [...(groups.get(key) ?? []), own]);
  }
  return [...groups].flatMap(([key, own]) => {
    const [first] = own;
    if (!first) return [];
    const { film, powder, printer } = first;
    return [{ key, film, powder, printer, waiting: own }];
  });
}

/** A layout that somebody works on. */
export interface FilmDraft extends LaySettings {
  /** By name: what goes on this film, and what of it on the earliest sheets. */
  chosen: readonly string[];
  first: readonly string[];
  /** By name: what is not turned. */
  upright: readonly string[];
  /** By name: printed beyond what its line wants. */
  more: Readonly<Record<string, number>>;
  placements: readonly Placement[];
  /** Keys of copies that stay where they are. */
  locked: readonly string[];
  /** What is printed beside the pieces. */
  marks: MarkWishes;
  /** The layout after which somebody said what is left on the roll; empty where none was printed from one. */
  rollAfter: string;
}

/** What is left on a roll that was begun. */
export type RollBegun = Pick<FilmWaiting['rolls'][number], 'leftMm' | 'after'>;

/** What is left on the roll, mm: as somebody said since it was printed from last, or as it was left then. */
export const rollLeftOf = (
  { rollLeftMm, rollAfter }: Pick<FilmDraft, 'rollLeftMm' | 'rollAfter'>,
  roll: RollBegun | null,
): number | null => (roll === null || roll.after === rollAfter ? rollLeftMm : roll.leftMm);

/** What is usually printed beside pieces: what keeps them from being mistaken. Lines to cut along take powder up. */
export const USUAL_MARKS: MarkWishes = { isCoded: true, isHeaded: true, isTrimmed: false, isCutLined: false };

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

/** A layout that nobody has worked on. */
export const freshDraft = ({ waiting }: FilmGroup, longestMm: number): FilmDraft => ({
  chosen: waiting.map(nameOf),
  first: [],
  upright: [],
  more: {},
  placements: [],
  locked: [],
  cutting: 'trimmer',
  gapMm: CUTTING.trimmer.gapMm,
  edgeMm: USUAL_EDGE_MM,
  mayTurn: true,
  longestMm,
  rollLeftMm: null,
  rollAfter: '',
  offcut: null,
  outlines: 'boxes',
  marks: USUAL_MARKS,
});

/** The layout problem of a draft. */
export const problemOfDraft = (
  transfers: readonly WaitingTransfers[],
  area: FilmArea,
  draft: FilmDraft,
  art: Parameters<typeof masksOf>[0],
): FilmProblem =>
  problemOf(transfers, area, {
    ...draft,
    masks: masksOf(art, draft),
    locked: lying(draft, draft.placements).filter(({ key }) => draft.locked.includes(key)),
  });

/** Placements as they can lie: outlines on whole millimetres. */
export const lying = (
  { outlines }: Pick<LaySettings, 'outlines'>,
  placements: readonly Placement[],
): readonly Placement[] =>
  outlines === 'boxes'
    ? placements
    : placements.map((own) => ({ ...own, xMm: Math.round(own.xMm), yMm: Math.round(own.yMm) }));

/** A layout as it is kept. */
export function keepingOf(
  waiting: readonly WaitingTransfers[],
  {
    chosen,
    first,
    upright,
    more,
    cutting,
    gapMm,
    edgeMm,
    mayTurn,
    longestMm,
    offcut,
    outlines,
    marks,
  }: FilmDraft,
  laid: { masks: Masks; placements: readonly Placement[]; rollLeftMm: number | null; by: string },
): FilmLayoutInput {
  const transfers = waiting.filter((own) => chosen.includes(nameOf(own)));
  return {
    transfers: transfers.map(({ lineId, print, routeNumber }) => ({
      lineId,
      print,
      routeNumber,
      isFirst: first.includes(nameOf({ lineId, print })),
      isUpright: upright.includes(nameOf({ lineId, print })),
      more: more[nameOf({ lineId, print })] ?? 0,
    })),
    settings: { cutting, gapMm, edgeMm, mayTurn, longestMm, rollLeftMm: laid.rollLeftMm, offcut, outlines },
    marks,
    masks: Object.entries(laid.masks).map(([itemId, { widthMm, heightMm, rows }]) => ({
      itemId,
      widthMm,
      heightMm,
      rows: rows.map((row) => [...row]),
    })),
    placements: [...laid.placements],
    by: laid.by,
  };
}
