/**
 * Every 24-bit colour of an image with the alpha it carries: the ink figures depend on nothing else,
 * so each colour is judged once however many pixels wear it. Open addressing, grows by doubling.
 */
export class ColourCount {
  private keys = new Int32Array(1 << 12).fill(-1);
  /** Sum of alpha/255 of each slot's colour, px. */
  private weights = new Float64Array(1 << 12);
  private used = 0;
  private lastRgb = -1; // neighbours mostly repeat
  private lastSlot = 0;

  /** Adds `alpha` (0–1) of the colour 0xRRGGBB. */
  add(rgb: number, alpha: number): void {
    if (rgb === this.lastRgb) {
      this.weights[this.lastSlot] += alpha;
      return;
    }
    let slot = this.slotOf(rgb);
    if (this.keys[slot] < 0) {
      if (2 * this.used > this.keys.length) {
        this.grow();
        slot = this.slotOf(rgb);
      }
      this.keys[slot] = rgb;
      this.used++;
    }
    this.weights[slot] += alpha;
    this.lastRgb = rgb;
    this.lastSlot = slot;
  }

  /** Number of distinct colours. */
  get size(): number {
    return this.used;
  }

  /** Calls `visit` once per colour with its summed alpha, px. */
  each(visit: (rgb: number, alphaPx: number) => void): void {
    for (let i = 0; i < this.keys.length; i++) if (this.keys[i] >= 0) visit(this.keys[i], this.weights[i]);
  }

  private slotOf(rgb: number): number {
    const last = this.keys.length - 1;
    let slot = (Math.imul(rgb, 0x9e3779b1) >>> 8) & last; // Fibonacci hashing (Knuth, TAOCP 3)
    while (this.keys[slot] >= 0 && this.keys[slot] !== rgb) slot = (slot + 1) & last;
    return slot;
  }

  private grow(): void {
    const { keys, weights } = this;
    this.keys = new Int32Array(2 * keys.length).fill(-1);
    this.weights = new Float64Array(2 * keys.length);
    for (let i = 0; i < keys.length; i++) {
      if (keys[i] < 0) continue;
      const slot = this.slotOf(keys[i]);
      this.keys[slot] = keys[i];
      this.weights[slot] = weights[i];
    }
  }
}
