/** Colours lie in cubes of 8 × 8 × 8, so that what looks alike lies together; 32 cubes along each side. */
export const CUBES = 1 << 15;
const CUBE_BITS = 9;
export const CUBE_SIZE = 1 << CUBE_BITS;
const NO_PAGE = -1;

/** Number of the cube a colour (0xBBGGRR) lies in, 0–32767. */
export const cubeOf = (rgb: number): number =>
  ((rgb >>> 3) & 0x1f) | ((rgb >>> 6) & 0x3e0) | ((rgb >>> 9) & 0x7c00);

/** Place of a colour in its cube, 0–511. */
const placeInCube = (rgb: number): number => (rgb & 7) | ((rgb >>> 5) & 0x38) | ((rgb >>> 10) & 0x1c0);

/** The colour (0xBBGGRR) at a place of a cube; its darkest is at 0, its lightest at the last. */
export const colourAt = (cube: number, place: number): number =>
  ((cube & 0x1f) << 3) |
  ((cube & 0x3e0) << 6) |
  ((cube & 0x7c00) << 9) |
  (place & 7) |
  ((place & 0x38) << 5) |
  ((place & 0x1c0) << 10);

/**
 * The colours of an image with what is counted for each. Memory is given by cubes of neighbouring colours, when one of them is
 * met: neighbouring pixels, even of a photo of millions of colours, then mostly ask for memory that is at hand. A colour's
 * number is its place in that memory. Only what is in use has any: a photo without soft edges has but the first count.
 */
export class ColourTable {
  /** Number of the first colour of each cube. */
  private readonly bases = new Int32Array(CUBES).fill(NO_PAGE);
  /** The cubes that were met, in the order of their numbers. */
  private readonly cubes: number[] = [];
  private capacity = 8 * CUBE_SIZE;
  /** Pixels of full alpha, per colour. */
  private full = new Uint32Array(this.capacity);
  /** Sum of the alpha codes of the other pixels with ink, per colour. */
  private codes: Float64Array | null = null;
  /** 1 for the colours of which some of those others are opaque. */
  private nearly: Uint8Array | null = null;
  /** Opaque pixels alike their right and lower neighbours, per colour. */
  private flat: Uint32Array | null = null;

  /** Counts pixels of a colour (0xBBGGRR) and full alpha. */
  addFull(rgb: number, pixels: number): void {
    const number = this.number(rgb); // first: it may put larger memory in place of the old
    this.full[number] += pixels;
  }

  /** Counts other pixels with ink: the sum of their alpha codes. */
  addPartial(rgb: number, alphaCodes: number, isOpaque: boolean): void {
    const number = this.number(rgb);
    this.codes ??= new Float64Array(this.capacity);
    this.codes[number] += alphaCodes;
    if (!isOpaque) return;
    this.nearly ??= new Uint8Array(this.capacity);
    this.nearly[number] = 1;
  }

  /** Counts opaque pixels alike their right and lower neighbours. */
  addFlat(rgb: number, pixels: number): void {
    const number = this.number(rgb);
    this.flat ??= new Uint32Array(this.capacity);
    this.flat[number] += pixels;
  }

  /** Number of a colour (0xBBGGRR), given when its cube is first asked for. */
  private number(rgb: number): number {
    const cube = cubeOf(rgb);
    const base = this.bases[cube];
    return (base === NO_PAGE ? this.addCube(cube) : base) + placeInCube(rgb);
  }

  /** Number of a colour that has been met; −1 for one whose neighbours have not been met either, else one with nothing counted. */
  known(rgb: number): number {
    const base = this.bases[cubeOf(rgb)];
    return base === NO_PAGE ? -1 : base + placeInCube(rgb);
  }

  /** Ink of a colour: the alpha codes of its pixels summed. */
  private alphaCodes(number: number): number {
    return 255 * this.full[number] + (this.codes === null ? 0 : this.codes[number]);
  }

  /** Ink of a colour in whole pixels' worth: its alpha summed, 0–1 each. */
  alphaPx(number: number): number {
    return this.alphaCodes(number) / 255;
  }

  /** Opaque pixels of the colour alike their right and lower neighbours. */
  flatPx(number: number): number {
    return this.flat === null ? 0 : this.flat[number];
  }

  /** Ink of all colours in whole pixels' worth. Codes are whole numbers, so the order of adding does not matter. */
  totalAlphaPx(): number {
    const { full, codes, used } = this;
    let sum = 0;
    for (let number = 0; number < used; number++) sum += full[number];
    sum *= 255;
    if (codes !== null) for (let number = 0; number < used; number++) sum += codes[number];
    return sum / 255;
  }

  /** Distinct colours of opaque pixels; pixels alike their neighbours; and colours with at least so many of those. */
  flatness(leastPx: number): { unique: number; flatPx: number; flat: number } {
    const { full, nearly, flat: alike, used } = this;
    let unique = 0; // one plain loop for each count: this way they run at the speed of memory
    for (let number = 0; number < used; number++) unique += full[number] !== 0 ? 1 : 0;
    if (nearly !== null)
      for (let number = 0; number < used; number++) unique += full[number] === 0 ? nearly[number] : 0;
    let flatPx = 0;
    let flat = 0;
    const least = Math.max(1, leastPx);
    if (alike !== null) {
      for (let number = 0; number < used; number++) flatPx += alike[number];
      for (let number = 0; number < used; number++) flat += alike[number] >= least ? 1 : 0;
    }
    return { unique, flatPx, flat };
  }

  private get used(): number {
    return CUBE_SIZE * this.cubes.length;
  }

  /**
   * Calls `visit` with the number and the colour (0xBBGGRR) of each colour met, cube by cube.
   *
   * @param isWanted leaves out the cubes it says no to, see {@link cubeOf}
   */
  forEach(visit: (number: number, rgb: number) => void, isWanted?: (cube: number) => boolean): void {
    const { full, codes, cubes } = this;
    for (let i = 0; i < cubes.length; i++) {
      const cube = cubes[i];
      if (isWanted?.(cube) === false) continue;
      const from = CUBE_SIZE * i;
      for (let number = from; number < from + CUBE_SIZE; number++)
        if (full[number] !== 0 || (codes !== null && codes[number] !== 0))
          visit(number, colourAt(cube, number - from));
    }
  }

  /** Works `of` out for every colour met, by number; 0 for the numbers of others. */
  map(of: (rgb: number) => number): Float64Array {
    const out = new Float64Array(this.used);
    this.forEach((number, rgb) => {
      out[number] = of(rgb);
    });
    return out;
  }

  /** Adds another table's counts, as when bands of one image were scanned apart. */
  merge(other: ColourTable): void {
    other.forEach((number, rgb) => {
      if (other.full[number] !== 0) this.addFull(rgb, other.full[number]);
      const codes = other.codes?.[number] ?? 0;
      if (codes !== 0) this.addPartial(rgb, codes, other.nearly?.[number] === 1);
      if (other.flatPx(number) !== 0) this.addFlat(rgb, other.flatPx(number));
    });
  }

  private addCube(cube: number): number {
    const base = this.used;
    if (base === this.capacity) this.grow();
    this.bases[cube] = base;
    this.cubes.push(cube);
    return base;
  }

  private grow(): void {
    this.capacity = Math.min(4 * this.capacity, CUBES * CUBE_SIZE); // memory nobody writes to costs little
    const { capacity } = this;
    const into = <T extends Float64Array | Uint8Array | Uint32Array>(larger: T, old: T): T => {
      larger.set(old);
      return larger;
    };
    this.full = into(new Uint32Array(capacity), this.full);
    this.codes &&= into(new Float64Array(capacity), this.codes);
    this.nearly &&= into(new Uint8Array(capacity), this.nearly);
    this.flat &&= into(new Uint32Array(capacity), this.flat);
  }
}
