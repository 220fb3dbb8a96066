/** A dot of a drawing, in units of a hundred across. */
export interface Dot {
  x: number;
  y: number;
  r: number;
}

/**
 * Dots strewn over a field so that a drawing looks alike each time: the fractions of multiples of two irrational numbers
 * leave neither gaps nor rows (the plastic constant’s sequence, Roberts 2018).
 */
export function strewn(count: number, field: { width: number; height: number }, radius: number): Dot[] {
  return Array.from({ length: count }, (_, i) => ({
    x: field.width * ((0.5 + (i + 1) * 0.7548776662466927) % 1),
    y: field.height * ((0.5 + (i + 1) * 0.5698402909980532) % 1),
    r: radius * (0.7 + 0.6 * ((i * 0.618) % 1)),
  }));
}
