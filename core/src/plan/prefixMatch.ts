/**
 * Compares two orders of the same blocks as one of them is walked: after how many both have placed the same blocks, and
 * whether everything lay the same till then.
 */
export class PrefixMatch {
  readonly #seenHere: Int32Array;
  readonly #seenThere: Int32Array;
  #walk = 0;
  #open = 0;
  #moved = 0;
  #isOn = false;

  constructor(blocks: number) {
    this.#seenHere = new Int32Array(blocks);
    this.#seenThere = new Int32Array(blocks);
  }

  /** Begins where both are alike. @param isOn whether there is anything to compare with */
  begin(isOn: boolean): void {
    this.#walk++;
    this.#open = 0;
    this.#moved = 0;
    this.#isOn = isOn;
  }

  /** @param isMoved whether the block placed here lies elsewhere there */
  add(here: number, there: number, isMoved: boolean): void {
    if (isMoved) this.#moved++;
    if (here === there) return;
    const walk = this.#walk;
    this.#seenHere[here] = walk;
    this.#open += this.#seenThere[here] === walk ? -1 : 1;
    this.#seenThere[there] = walk;
    this.#open += this.#seenHere[there] === walk ? -1 : 1;
  }

  /** Both have placed the same blocks. */
  get isEven(): boolean {
    return this.#isOn && this.#open === 0;
  }

  /** And every one of them lies the same. */
  get isSame(): boolean {
    return this.isEven && this.#moved === 0;
  }
}
