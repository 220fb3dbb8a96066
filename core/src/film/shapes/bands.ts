/** Height of a band, mm: about half a piece. */
const BAND_MM = 64;

/** Pieces by the band of the sheet that their upper edge lies in, so that only those nearby are looked at. */
export class Bands {
  readonly #perSheet: number;
  readonly #next: Int32Array;
  readonly #before: Int32Array;
  readonly #band: Int32Array;
  #first: Int32Array;

  /** @param height of a sheet, mm; `Infinity` where there is only one, without an end */
  constructor(pieces: number, height: number) {
    this.#perSheet = height === Infinity ? 0 : Math.ceil(height / BAND_MM) + 1;
    this.#next = new Int32Array(pieces).fill(-1);
    this.#before = new Int32Array(pieces).fill(-1);
    this.#band = new Int32Array(pieces).fill(-1); // in none yet
    this.#first = new Int32Array(64).fill(-1);
  }

  /** Number of the band at a height of a sheet; what is above the sheet counts as its first. */
  at(sheet: number, y: number): number {
    const own = sheet * this.#perSheet + (y <= 0 ? 0 : Math.floor(y / BAND_MM));
    if (own >= this.#first.length) this.#grow(own);
    return own;
  }

  #grow(band: number): void {
    const larger = new Int32Array(2 * band + 2).fill(-1);
    larger.set(this.#first);
    this.#first = larger;
  }

  /** The first piece of a band, −1 where there is none. */
  first(band: number): number {
    return this.#first[band];
  }

  /** The piece after another in its band, −1 after the last. */
  after(piece: number): number {
    return this.#next[piece];
  }

  move(piece: number, band: number): void {
    if (this.#band[piece] === band) return;
    this.leave(piece);
    const second = this.#first[band];
    this.#first[band] = piece;
    this.#band[piece] = band;
    this.#before[piece] = -1;
    this.#next[piece] = second;
    if (second >= 0) this.#before[second] = piece;
  }

  /** Takes a piece out of its band; in none it is in nobody's way. */
  leave(piece: number): void {
    const from = this.#band[piece];
    if (from < 0) return;
    const before = this.#before[piece];
    const after = this.#next[piece];
    if (before >= 0) this.#next[before] = after;
    else this.#first[from] = after;
    if (after >= 0) this.#before[after] = before;
    this.#band[piece] = -1;
  }
}
