import { cutPlansOf } from '../cuts.ts';
import type { CutPlan, StraightCut } from '../cuts.ts';
import { endsOf } from '../layoutOf.ts';
import { usableOf } from '../problem.ts';
import type { FilmProblem, Placement } from '../problem.ts';
import type { Point } from './contour.ts';
import { MARK_ROOM_MM, cutPathsOf } from './cutPaths.ts';
import { grownBy, isWithin, lies, overlap, piecesLaid, rectOf } from './room.ts';
import type { PieceLaid, Rect } from './room.ts';

/** What is printed on film beside the pieces. */
export interface MarkWishes {
  /** Whose each piece is, beside it. */
  isCoded: boolean;
  /** Which sheet it is, in words that read right through the film alone. */
  isHeaded: boolean;
  /** Corners of what is left once the strips along the edges are trimmed off. */
  isTrimmed: boolean;
  /** Where it is cut. */
  isCutLined: boolean;
}

/** A text in a box of its own: read from left to right, or downwards where it is turned. */
export interface TextMark {
  /** Of the piece it belongs to; `null` for the sheet’s own. */
  key: string | null;
  text: string;
  rect: Rect;
  isTurned: boolean;
}

/** What is printed beside the pieces of one sheet. */
export interface SheetMarks {
  texts: TextMark[];
  /** Open lines; a closed one ends where it began. */
  lines: Point[][];
  /** Copies that have no room for their code, by key. */
  uncoded: string[];
  /** The sheet’s own words were wished and found no room. */
  isHeadLeftOut: boolean;
}

/** What is written on a sheet. */
export interface SheetWords {
  /** By the key of the piece. */
  codes: Readonly<Record<string, string>>;
  head: string;
}

/** Of the height of a text’s box: how large its letters are, and where they stand, so that none hangs out of it. */
export const MARK_LETTERS = { size: 0.95, standAt: 0.8 } as const;

/** Letters are this wide at most, as a share of their height (monospaced faces have 0.6). */
const LETTER_SHARE = 0.62;
/** Smaller is not read at arm’s length, larger takes room, mm. */
const CODE_MM = { least: 1.2, most: 2.5 };
const HEAD_MM = 3.5;
const TRIM_MM = 4;
const LINE_MM = 0.2;
/** Places that are tried for the sheet’s own words are so far apart, mm. */
const HEAD_STEP_MM = 2;
/** Marks of outlines lie on the lattice their paths are made on, mm. */
const LATTICE_MM = 0.5;

/** Height of the codes beside pieces, mm: within a piece’s half of the gap; `null` where that is too narrow to be read. */
export function codeHeightOf({ gapMm }: { gapMm: number }): number | null {
  const room = Math.min(CODE_MM.most, gapMm / 2 - 2 * MARK_ROOM_MM);
  return room >= CODE_MM.least - 1e-9 ? room : null;
}

/**
 * What is printed beside the pieces of one sheet. A code stays with its piece when it is cut out, and no mark touches
 * anything printed.
 *
 * @param placements of one sheet
 * @throws RangeError where a placement is of no item
 */
export function marksOf(
  problem: FilmProblem,
  placements: readonly Placement[],
  wishes: MarkWishes,
  said: SheetWords,
): SheetMarks {
  const pieces = piecesLaid(problem, placements);
  const usable = usableOn(problem, placements);
  const plans = [...cutPlansOf(problem, placements).values()];
  const cuts = plans.flatMap(({ straight }) => straight.map(lineOf));
  const texts: TextMark[] = [];
  const uncoded: string[] = [];
  if (wishes.isCoded)
    for (const piece of pieces) {
      const found = codeBeside(problem, piece, said.codes[piece.own.key] ?? '', {
        pieces,
        usable,
        texts,
        cuts,
      });
      if (found) texts.push(found);
      else uncoded.push(piece.own.key);
    }
  const head = wishes.isHeaded ? headOn(problem, said.head, { pieces, usable, texts, cuts }) : null;
  const beside = new Map(texts.flatMap(({ key, rect }) => (key === null ? [] : [[key, rect] as const])));
  return {
    texts: head ? [...texts, head] : texts,
    lines: [
      ...(wishes.isTrimmed ? trimsOn(usable, { pieces, texts }) : []),
      ...(wishes.isCutLined ? cutLinesOn(problem, placements, { plans, usable, beside }) : []),
    ],
    uncoded,
    isHeadLeftOut: wishes.isHeaded && head === null,
  };
}

/** What may be printed on of the film that is used. */
function usableOn(problem: FilmProblem, placements: readonly Placement[]): Rect {
  const { leftMm, topMm, widthMm, heightMm } = usableOf(problem);
  const end = Math.max(topMm, ...endsOf(problem, placements).values());
  const bottom = problem.film.kind === 'sheet' ? topMm + heightMm : end;
  return { x: leftMm, y: topMm, right: leftMm + widthMm, bottom };
}

interface Around {
  pieces: readonly PieceLaid[];
  usable: Rect;
  texts: readonly TextMark[];
  /** Straight cuts, as lines without width. */
  cuts: readonly Rect[];
}

const lineOf = ({ way, atMm, fromMm, toMm }: StraightCut): Rect =>
  way === 'down'
    ? { x: atMm, right: atMm, y: fromMm, bottom: toMm }
    : { x: fromMm, right: toMm, y: atMm, bottom: atMm };

function codeBeside(problem: FilmProblem, piece: PieceLaid, text: string, around: Around): TextMark | null {
  const heightMm = codeHeightOf(problem);
  if (heightMm === null) return null;
  const half = problem.gapMm / 2;
  const onLattice = (mm: number): number =>
    problem.isByOutline ? Math.ceil(mm / LATTICE_MM - 1e-9) * LATTICE_MM : mm;
  const size = { long: onLattice(text.length * LETTER_SHARE * heightMm), high: onLattice(heightMm) };
  const others = around.pieces.filter(
    (own) => own !== piece && overlap(grownBy(piece.rect, 2 * problem.gapMm), own.rect),
  );
  const reach = grownBy(piece.rect, half - MARK_ROOM_MM);
  const isFree = (rect: Rect): boolean => {
    if (!isWithin(rect, around.usable) || !isWithin(rect, reach)) return false;
    if (lies(piece, grownBy(rect, MARK_ROOM_MM)) || around.cuts.some((cut) => overlap(cut, rect)))
      return false;
    // near enough, cornerwise too, for one path round both
    if (problem.isByOutline && !lies(piece, grownBy(rect, (half - MARK_ROOM_MM) * Math.SQRT1_2)))
      return false;
    const room = half + MARK_ROOM_MM + (problem.isByOutline ? 0.1 : 0); // paths along outlines round a little
    return (
      others.every((own) => !lies(own, grownBy(rect, room - 1e-6))) &&
      around.texts.every((own) => !overlap(grownBy(rect, 3 * MARK_ROOM_MM), own.rect))
    );
  };
  for (const { rect, isTurned } of problem.isByOutline ? anywhere(piece, size) : alongside(piece.rect, size))
    if (isFree(rect)) return { key: piece.own.key, text, rect, isTurned };
  return null;
}

interface TextSize {
  long: number;
  high: number;
}
type Place = Pick<TextMark, 'rect' | 'isTurned'>;

/** Along the sides of a box: below first, at its ends and in its middle. */
function* alongside({ x, y, right, bottom }: Rect, { long, high }: TextSize): Generator<Place> {
  const off = MARK_ROOM_MM;
  for (const top of [bottom + off, y - off - high])
    for (const left of [x, right - long, (x + right - long) / 2])
      yield { rect: rectOf(left, top, long, high), isTurned: false };
  for (const left of [right + off, x - off - high])
    for (const top of [y, bottom - long, (y + bottom - long) / 2])
      yield { rect: rectOf(left, top, high, long), isTurned: true };
}

/** Anywhere near an outline, from below upwards. */
function* anywhere({ rect }: PieceLaid, { long, high }: TextSize): Generator<Place> {
  const from = { x: rect.x - high - LATTICE_MM, y: rect.y - high - LATTICE_MM };
  for (let y = rect.bottom + LATTICE_MM; y >= from.y; y -= LATTICE_MM)
    for (let x = from.x; x <= rect.right + LATTICE_MM; x += 2 * LATTICE_MM) {
      yield { rect: rectOf(x, y, long, high), isTurned: false };
      yield { rect: rectOf(x, y, high, long), isTurned: true };
    }
}

/** The sheet’s own words: wherever there is room for them, from the top. */
function headOn({ gapMm }: FilmProblem, text: string, { pieces, usable, texts }: Around): TextMark | null {
  const long = text.length * LETTER_SHARE * HEAD_MM;
  const room = gapMm / 2 + MARK_ROOM_MM;
  const isFree = (rect: Rect): boolean =>
    isWithin(rect, usable) &&
    pieces.every((own) => !lies(own, grownBy(rect, room))) &&
    texts.every((own) => !overlap(grownBy(rect, room), own.rect));
  for (const isTurned of [false, true]) {
    const [width, height] = isTurned ? [HEAD_MM, long] : [long, HEAD_MM];
    for (let y = usable.y; y + height <= usable.bottom; y += HEAD_STEP_MM)
      for (let x = usable.x; x + width <= usable.right; x += HEAD_STEP_MM) {
        const rect = rectOf(x, y, width, height);
        if (isFree(rect)) return { key: null, text, rect, isTurned };
      }
  }
  return null;
}

/** Two strokes in each corner of what is used, but for those that something is printed under. */
function trimsOn(usable: Rect, { pieces, texts }: Pick<Around, 'pieces' | 'texts'>): Point[][] {
  const { x, y, right, bottom } = usable;
  const strokes: [Point, Point][] = [
    [x, 1],
    [right, -1],
  ].flatMap(([cornerX, inX]) =>
    [
      [y, 1],
      [bottom, -1],
    ].flatMap(([cornerY, inY]): [Point, Point][] => [
      [
        [cornerX, cornerY],
        [cornerX + inX * TRIM_MM, cornerY],
      ],
      [
        [cornerX, cornerY],
        [cornerX, cornerY + inY * TRIM_MM],
      ],
    ]),
  );
  return strokes.filter(([from, to]) => {
    const own = grownBy(rectOfLine(from, to), LINE_MM);
    return pieces.every((piece) => !lies(piece, own)) && texts.every(({ rect }) => !overlap(own, rect));
  });
}

const rectOfLine = ([x, y]: Point, [toX, toY]: Point): Rect => ({
  x: Math.min(x, toX),
  y: Math.min(y, toY),
  right: Math.max(x, toX),
  bottom: Math.max(y, toY),
});

/** Straight cuts as far as they may be printed, and lines round what is cut out by hand. */
function cutLinesOn(
  problem: FilmProblem,
  placements: readonly Placement[],
  { plans, usable, beside }: { plans: readonly CutPlan[]; usable: Rect; beside: ReadonlyMap<string, Rect> },
): Point[][] {
  return plans.flatMap(({ straight, byHand }) => {
    const cut = new Set(byHand);
    const paths = cutPathsOf(
      problem,
      placements.filter(({ key }) => cut.has(key)),
      beside,
    );
    return [
      ...straight.map(({ way, atMm, fromMm, toMm }): Point[] => {
        const [least, most] = way === 'down' ? [usable.y, usable.bottom] : [usable.x, usable.right];
        const [from, to] = [Math.max(least, fromMm), Math.min(most, toMm)];
        return way === 'down'
          ? [
              [atMm, from],
              [atMm, to],
            ]
          : [
              [from, atMm],
              [to, atMm],
            ];
      }),
      ...paths.flatMap(({ loops }) => loops.map((loop): Point[] => [...loop, loop[0]])),
    ];
  });
}
