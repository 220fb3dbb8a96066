/** Higher than any wall. */
const NO_WALL = 2 ** 30;

/** A level stretch of a skyline, with how high the walls on both sides rise above it. */
export interface Niche {
  at: number;
  x: number;
  floor: number;
  width: number;
  left: number;
  right: number;
}

/** The upper outline of what is packed, as niches from left to right, no two neighbours of one height. */
export class Niches {
  readonly #width: number;
  // niche i goes from x[i] to x[i + 1] at y[i]; each box adds at most one
  readonly #x: Int32Array;
  readonly #y: Int32Array;
  #count = 0;
  readonly #lowest: Niche = { at: 0, x: 0, floor: 0, width: 0, left: 0, right: 0 };

  /** @param boxes that may come at most */
  constructor(width: number, boxes: number) {
    this.#width = width;
    this.#x = new Int32Array(boxes + 3);
    this.#y = new Int32Array(boxes + 3);
  }

  /** Begins with an empty bin. */
  clear(): void {
    this.#count = 1;
    this.#x[0] = 0;
    this.#x[1] = this.#width;
    this.#y[0] = 0;
  }

  get isLevel(): boolean {
    return this.#count === 1;
  }

  /** The lowest niche, the leftmost of several; the answer is good until the next call. */
  lowest(): Niche {
    const y = this.#y;
    let at = 0;
    for (let i = 1; i < this.#count; i++) if (y[i] < y[at]) at = i;
    const niche = this.#lowest;
    niche.at = at;
    niche.x = this.#x[at];
    niche.floor = y[at];
    niche.width = this.#x[at + 1] - niche.x;
    niche.left = at === 0 ? NO_WALL : y[at - 1] - niche.floor;
    niche.right = at === this.#count - 1 ? NO_WALL : y[at + 1] - niche.floor;
    return niche;
  }

  /** Gives a niche up: it is raised to its lower wall. */
  raise({ at, floor, left, right }: Niche): void {
    this.#y[at] = floor + Math.min(left, right);
    this.#join(at);
  }

  /** Puts a box into a niche, on the side whose wall it levels with, else by the taller wall. @returns its x */
  put({ at: i, x: from, floor, width, left, right }: Niche, w: number, h: number): number {
    const x = this.#x;
    const y = this.#y;
    const to = from + width;
    const top = floor + h;
    if (w === width) {
      y[i] = top;
      this.#join(i);
      return from;
    }
    const goesLeft = h === left || (h !== right && left >= right);
    if (goesLeft) {
      this.#insert(i);
      x[i + 1] = from + w;
      y[i] = top;
      if (i > 0 && y[i - 1] === top) this.#drop(i);
      return from;
    }
    this.#insert(i + 1);
    x[i + 1] = to - w;
    y[i + 1] = top;
    if (i + 2 < this.#count && y[i + 2] === top) this.#drop(i + 2);
    return to - w;
  }

  #drop(i: number): void {
    this.#x.copyWithin(i, i + 1, this.#count + 1);
    this.#y.copyWithin(i, i + 1, this.#count);
    this.#count--;
  }

  #insert(i: number): void {
    this.#x.copyWithin(i + 1, i, this.#count + 1);
    this.#y.copyWithin(i + 1, i, this.#count);
    this.#count++;
  }

  /** Joins a niche with neighbours of its height. */
  #join(i: number): void {
    if (i + 1 < this.#count && this.#y[i + 1] === this.#y[i]) this.#drop(i + 1);
    if (i > 0 && this.#y[i - 1] === this.#y[i]) this.#drop(i);
  }
}
