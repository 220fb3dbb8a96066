const PAGE_MASK = 0xfff;
const NO_COLOURS = new Int32Array(PAGE_MASK + 1); // read, never written

/**
 * The distinct colours of an image, each with a number of its own. What depends on colour alone is worked out once for each,
 * however many pixels wear it, and read back by that number.
 */
export class ColourTable {
  /** Colour number + 1 of each 24-bit colour, 0 for one not met; in pages of 4096 colours, made when one of them is. */
  private readonly pages: Int32Array[] = Array.from({ length: 1 << 12 }, () => NO_COLOURS);
  private capacity = 1 << 10;
  private used = 0;
  private rgb = new Uint32Array(this.capacity);
  /** Sum of alpha codes over all pixels with ink, per colour. */
  private alphaCodes = new Float64Array(this.capacity);
  /** Opaque pixels of the colour, and those of them alike their right and lower neighbours. */
  private opaque = new Float64Array(this.capacity);
  private flat = new Float64Array(this.capacity);

  /** Number of distinct colours met. */
  get size(): number {
    return this.used;
  }

  /** Number of a colour (0xBBGGRR), given when first asked for. */
  number(rgb: number): number {
    const known = this.pages[rgb >>> 12][rgb & PAGE_MASK];
    if (known !== 0) return known - 1;
    if (this.used === this.capacity) this.grow();
    if (this.pages[rgb >>> 12] === NO_COLOURS) this.pages[rgb >>> 12] = new Int32Array(PAGE_MASK + 1);
    this.rgb[this.used] = rgb;
    this.pages[rgb >>> 12][rgb & PAGE_MASK] = ++this.used;
    return this.used - 1;
  }

  /** Number of a colour that has been met before; −1 for another. */
  known(rgb: number): number {
    return this.pages[rgb >>> 12][rgb & PAGE_MASK] - 1;
  }

  /** The colour (0xBBGGRR) with this number. */
  colour(number: number): number {
    return this.rgb[number];
  }

  addInk(number: number, alphaCodes: number): void {
    this.alphaCodes[number] += alphaCodes;
  }

  addOpaque(number: number, pixels: number, flatPixels: number): void {
    this.opaque[number] += pixels;
    this.flat[number] += flatPixels;
  }

  /** Ink of a colour in whole pixels' worth: its alpha summed, 0–1 each. */
  alphaPx(number: number): number {
    return this.alphaCodes[number] / 255;
  }

  /** Ink of all colours in whole pixels' worth. Codes are whole numbers, so the order of adding does not matter. */
  get totalAlphaPx(): number {
    let codes = 0;
    for (let i = 0; i < this.used; i++) codes += this.alphaCodes[i];
    return codes / 255;
  }

  opaquePx(number: number): number {
    return this.opaque[number];
  }

  flatPx(number: number): number {
    return this.flat[number];
  }

  /** Works `of` out for every colour. */
  map(of: (rgb: number) => number): Float64Array {
    const out = new Float64Array(this.used);
    for (let i = 0; i < out.length; i++) out[i] = of(this.rgb[i]);
    return out;
  }

  /** Adds another table's counts, as when bands of one image were scanned apart. */
  merge(other: ColourTable): void {
    for (let i = 0; i < other.used; i++) {
      const number = this.number(other.rgb[i]);
      this.alphaCodes[number] += other.alphaCodes[i];
      this.opaque[number] += other.opaque[i];
      this.flat[number] += other.flat[i];
    }
  }

  private grow(): void {
    this.capacity *= 2;
    const rgb = new Uint32Array(this.capacity);
    rgb.set(this.rgb);
    this.rgb = rgb;
    const wider = (old: Float64Array<ArrayBuffer>): Float64Array<ArrayBuffer> => {
      const larger = new Float64Array(this.capacity);
      larger.set(old);
      return larger;
    };
    this.alphaCodes = wider(this.alphaCodes);
    this.opaque = wider(this.opaque);
    this.flat = wider(this.flat);
  }
}
