import { Bands } from './bands.ts';
import { Clashes, depthAt } from './clashTable.ts';
import type { Reach, Variant } from './clashTable.ts';
import type { Cells } from './cells.ts';

/** A copy on a board before it is laid. */
export interface Piece {
  /** Numbers of the variants it may lie as. */
  variants: readonly number[];
  /** Stays where it is. */
  isFixed: boolean;
  priority: number;
  /** The last sheet it may lie on. */
  latest: number;
}

/** What pieces lie on: whole millimetres from the corner of what may be used. */
export interface BoardSize {
  width: number;
  /** Of a sheet; `Infinity` on a roll without a longest length. */
  height: number;
}

/** Where pieces lie. */
export interface Places {
  sheet: Int32Array;
  x: Int32Array;
  y: Int32Array;
  variant: Int32Array;
}

/**
 * Pieces on sheets, too near each other or not. Depths between them are weighted pair by pair, so that a search can make
 * clashes that last count more and more.
 */
export class Board {
  readonly pieces: readonly Piece[];
  readonly variants: readonly Variant[];
  readonly size: BoardSize;
  readonly places: Places;
  /** Weights of pairs, row by row. */
  readonly weight: Float32Array;
  /** Sheets that may be used; the last only as far as `end`. */
  sheets = 1;
  end = 0;
  readonly #clashes: Clashes;
  readonly #bands: Bands;
  /** The tallest piece and the gap, mm: how far above a piece another may begin and still be in its way. */
  readonly #above: number;
  readonly #gap: number;

  constructor(
    outlines: readonly Cells[],
    variants: readonly Variant[],
    { pieces, size, reach }: { pieces: readonly Piece[]; size: BoardSize; reach: Reach },
  ) {
    this.pieces = pieces;
    this.variants = variants;
    this.size = size;
    this.#clashes = new Clashes(outlines, variants, reach);
    const n = pieces.length;
    this.weight = new Float32Array(n * n).fill(1);
    const line = (): Int32Array => new Int32Array(n);
    this.places = { sheet: line(), x: line(), y: line(), variant: line() };
    this.#bands = new Bands(n, size.height);
    this.#gap = reach.length;
    this.#above = Math.max(0, ...variants.map(({ cells }) => cells.height)) + this.#gap;
  }

  /** Height that may be used of a sheet, mm. */
  heightOf(sheet: number): number {
    return sheet === this.sheets - 1 ? this.end : this.size.height;
  }

  /** How deep two pieces lie in each other, sixteenths of a millimetre. */
  depth(i: number, j: number): number {
    const { sheet, x, y, variant } = this.places;
    return sheet[i] === sheet[j]
      ? depthAt(this.#clashes.view(variant[i], variant[j]), x[j] - x[i], y[j] - y[i])
      : 0;
  }

  /** Bands of a sheet in which pieces begin that may be in the way of a variant at a height. */
  #around(sheet: number, variant: number, y: number): { from: number; to: number } {
    const { height } = this.variants[variant].cells;
    return {
      from: this.#bands.at(sheet, y - this.#above),
      to: this.#bands.at(sheet, y + height + this.#gap),
    };
  }

  /** Laid pieces that may be in the way of a variant somewhere in a row of a sheet. */
  inTheWay(sheet: number, variant: number, y: number): number[] {
    const found: number[] = [];
    const { from, to } = this.#around(sheet, variant, y);
    for (let band = from; band <= to; band++)
      for (let j = this.#bands.first(band); j >= 0; j = this.#bands.after(j))
        if (this.places.sheet[j] === sheet) found.push(j);
    return found;
  }

  /** How deep the deepest of some pieces lies in a piece that would be put somewhere. */
  deepest(among: readonly number[], variant: number, x: number, y: number): number {
    const { places } = this;
    let most = 0;
    for (const j of among) {
      const view = this.#clashes.view(variant, places.variant[j]);
      most = Math.max(most, depthAt(view, places.x[j] - x, places.y[j] - y));
    }
    return most;
  }

  /** Every pair that clashes, but for those that nobody may move. */
  clashes(): Clash[] {
    const pairs: Clash[] = [];
    for (let i = 0; i < this.pieces.length; i++) this.#clashesOf(i, pairs);
    return pairs;
  }

  /** Adds every pair that a piece clashes in with one of a smaller number. */
  #clashesOf(i: number, pairs: Clash[]): void {
    const { sheet, y, variant } = this.places;
    for (const j of this.inTheWay(sheet[i], variant[i], y[i])) {
      if (j >= i || (this.pieces[i].isFixed && this.pieces[j].isFixed)) continue;
      const deep = this.depth(i, j);
      if (deep > 0) pairs.push({ i, j, deep });
    }
  }

  /**
   * Weighted depths of a piece in all others, if it were put somewhere.
   *
   * @param enough it stops adding where the sum is no less
   */
  cost(i: number, at: Spot, enough: number): number {
    const { sheet, x, y, variant } = this.places;
    const n = this.pieces.length;
    const row = i * n;
    const views = this.#clashes.from(at.variant);
    const bands = this.#bands;
    const last = bands.at(at.sheet, at.y + this.variants[at.variant].cells.height + this.#gap);
    let sum = 0;
    for (let band = bands.at(at.sheet, at.y - this.#above); band <= last; band++)
      for (let j = bands.first(band); j >= 0; j = bands.after(j)) {
        if (sheet[j] !== at.sheet || j === i) continue;
        const view = views[variant[j]] ?? this.#clashes.view(at.variant, variant[j]);
        const deep = depthAt(view, x[j] - at.x, y[j] - at.y);
        if (deep === 0) continue;
        sum += deep * this.weight[row + j];
        if (sum >= enough) return sum;
      }
    return sum;
  }

  spotOf(i: number): Spot {
    const { sheet, x, y, variant } = this.places;
    return { sheet: sheet[i], x: x[i], y: y[i], variant: variant[i] };
  }

  put(i: number, at: Spot): void {
    const { sheet, x, y, variant } = this.places;
    sheet[i] = at.sheet;
    x[i] = at.x;
    y[i] = at.y;
    variant[i] = at.variant;
    this.#bands.move(i, this.#bands.at(at.sheet, at.y));
  }

  /** Takes a piece off the board: it is in nobody's way until it is put somewhere. */
  lift(i: number): void {
    this.#bands.leave(i);
  }

  /** Whether a variant fits onto a sheet at all. */
  fits(variant: number, sheet: number): boolean {
    const { cells } = this.variants[variant];
    return cells.width <= this.size.width && cells.height <= this.heightOf(sheet);
  }

  keep(): Places {
    const { sheet, x, y, variant } = this.places;
    return { sheet: sheet.slice(), x: x.slice(), y: y.slice(), variant: variant.slice() };
  }

  restore({ sheet, x, y, variant }: Places): void {
    this.places.sheet.set(sheet);
    this.places.x.set(x);
    this.places.y.set(y);
    this.places.variant.set(variant);
    for (let i = 0; i < sheet.length; i++) this.#bands.move(i, this.#bands.at(sheet[i], y[i]));
  }

  /** The last sheet that holds something, and where on it the last piece ends, mm. */
  extent(): { last: number; end: number } {
    const { sheet, y, variant } = this.places;
    let last = 0;
    for (const own of sheet) last = Math.max(last, own);
    let end = 0;
    for (let i = 0; i < sheet.length; i++)
      if (sheet[i] === last) end = Math.max(end, y[i] + this.variants[variant[i]].cells.height);
    return { last, end };
  }
}

/** Two pieces that are too near each other, and how deep they lie in each other, sixteenths of a millimetre. */
export interface Clash {
  i: number;
  j: number;
  deep: number;
}

/** A place that a piece might lie at. */
export interface Spot {
  sheet: number;
  x: number;
  y: number;
  variant: number;
}
