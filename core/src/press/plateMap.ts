import type { PlateSize, Spot } from './spots.ts';

/** A spot with the plate's temperature there. */
export interface SpotReading extends Spot {
  plateC: number;
}

/** Temperatures over a plate, between spots by inverse distance (Shepard, power 2; nearest spots count most). */
export class PlateMap {
  constructor(
    readonly size: PlateSize,
    readonly spots: readonly SpotReading[],
  ) {}

  /** At a place, °C: never beyond what was read. */
  at(xMm: number, yMm: number): number {
    let weights = 0;
    let sum = 0;
    for (const spot of this.spots) {
      const far = (spot.xMm - xMm) ** 2 + (spot.yMm - yMm) ** 2;
      if (far < 1) return spot.plateC;
      const weight = 1 / (far * far); // the square of Shepard's 2: hollows between spots stay shallow
      weights += weight;
      sum += weight * spot.plateC;
    }
    return sum / weights;
  }

  /** Cells of a grid over the plate, row by row from the back. */
  grid(columns: number, rows: number): number[] {
    const { widthMm, heightMm } = this.size;
    return Array.from({ length: columns * rows }, (_, i) =>
      this.at(
        ((i % columns) + 0.5) * (widthMm / columns),
        (Math.floor(i / columns) + 0.5) * (heightMm / rows),
      ),
    );
  }
}
