/**
 * Exact Euclidean distance transform, in O(width · height) time.
 * Method: lower envelopes of parabolas, columns then rows (Felzenszwalb & Huttenlocher, Theory of Computing 8, 2012).
 *
 * @param inside row-major, non-zero inside; everything beyond the image is outside; read, never written
 * @returns distance from each cell to the nearest outside, in cells; 0 outside
 * @throws RangeError when `inside.length` is not `width * height`
 */
export function distanceTransform(inside: Uint8Array, width: number, height: number): Float64Array {
  if (inside.length !== width * height)
    throw new RangeError(`mask has ${inside.length} cells, expected ${width} × ${height}`);
  const field = new Float64Array(inside.length); // squared until the last loop
  const size = 2 + Math.max(width, height);
  const scratch: Envelope = {
    values: new Float64Array(size),
    apex: new Float64Array(size),
    left: new Float64Array(size),
  };
  const far = (width + height + 4) ** 2; // beyond any distance, but finite
  for (let i = 0; i < field.length; i++) field[i] = inside[i] ? far : 0;
  for (let x = 0; x < width; x++) lowerEnvelope(field, x, width, height, scratch);
  for (let y = 0; y < height; y++) lowerEnvelope(field, y * width, 1, width, scratch);
  for (let i = 0; i < field.length; i++) field[i] = Math.sqrt(field[i]);
  return field;
}

interface Envelope {
  values: Float64Array;
  apex: Float64Array;
  left: Float64Array;
}

/** Replaces the `n` values at `start`, `start + stride`, … by min over j of (i − j)² + v[j], with 0 just before and after them. */
function lowerEnvelope(field: Float64Array, start: number, stride: number, n: number, work: Envelope): void {
  const { values, apex, left } = work;
  const count = n + 2;
  values[0] = values[n + 1] = 0;
  for (let i = 0; i < n; i++) values[i + 1] = field[start + i * stride];
  let top = 0;
  apex[0] = 0;
  left[0] = -Infinity;
  for (let i = 1; i < count; i++) {
    let from = -Infinity;
    for (; top >= 0; top--) {
      const j = apex[top];
      from = (values[i] + i * i - values[j] - j * j) / (2 * (i - j));
      if (from > left[top]) break;
    }
    top++;
    apex[top] = i;
    left[top] = top === 0 ? -Infinity : from;
  }
  for (let i = 1, k = 0; i <= n; i++) {
    while (k < top && left[k + 1] < i) k++;
    const d = i - apex[k];
    field[start + (i - 1) * stride] = d * d + values[apex[k]];
  }
}
