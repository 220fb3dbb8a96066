import { halfFan } from '../gun.ts';
import type { Fan } from '../gun.ts';

/** Where a gun points: distance, turn about its axis, tilt, mm and degrees. */
export interface Aim {
  z: number;
  rotDeg: number;
  tiltXDeg: number;
  tiltYDeg: number;
}

type Vector = readonly [number, number, number];

/** Directions of a cone in the plane's own axes. */
export interface Cone {
  axis: Vector;
  /** Along the fan's long side. */
  major: Vector;
  minor: Vector;
}

const radians = (deg: number): number => (deg * Math.PI) / 180;
const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const unit = ([x, y, z]: Vector): Vector => {
  const length = Math.hypot(x, y, z);
  return [x / length, y / length, z / length];
};
const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

export function coneOf({ rotDeg, tiltXDeg, tiltYDeg }: Omit<Aim, 'z'>): Cone {
  const axis = unit([Math.tan(radians(tiltXDeg)), Math.tan(radians(tiltYDeg)), -1]);
  const turned: Vector = [Math.sin(radians(rotDeg)), Math.cos(radians(rotDeg)), 0];
  const along = dot(turned, axis);
  const major = unit([turned[0] - along * axis[0], turned[1] - along * axis[1], -along * axis[2]]);
  return { axis, major, minor: cross(axis, major) };
}

/**
 * The cone on the plane as forms of (dx, dy) from the point under the nozzle: depth w = w1 dx + w2 dy + w0, and
 * room = w² - (r·u / P)² - (r·v / Q)², which is above 0 inside the footprint; s = room / w².
 */
export interface Footprint {
  w1: number;
  w2: number;
  w0: number;
  /** room = xx dx² + xy dx dy + yy dy² + x dx + y dy + one. */
  room: { xx: number; xy: number; yy: number; x: number; y: number; one: number };
}

export function footprintOf(aim: Aim, fan: Fan): Footprint {
  const { axis, major, minor } = coneOf(aim);
  const { P, Q } = halfFan(fan);
  const room = { xx: 0, xy: 0, yy: 0, x: 0, y: 0, one: 0 };
  const parts = [
    { by: axis, size: 1, sign: 1 },
    { by: major, size: P, sign: -1 },
    { by: minor, size: Q, sign: -1 },
  ];
  for (const { by, size, sign } of parts) {
    const [a, b, c] = [by[0] / size, by[1] / size, (-by[2] * aim.z) / size];
    room.xx += sign * a * a;
    room.xy += sign * 2 * a * b;
    room.yy += sign * b * b;
    room.x += sign * 2 * a * c;
    room.y += sign * 2 * b * c;
    room.one += sign * c * c;
  }
  return { w1: axis[0], w2: axis[1], w0: -axis[2] * aim.z, room };
}

/** Between the roots of a dx² + b dx + c > 0 for a < 0; `null` where it is nowhere above 0, everything where a is not below 0. */
export function spanAbove0(a: number, b: number, c: number): readonly [number, number] | null {
  if (a >= 0) return [-Infinity, Infinity];
  const inside = b * b - 4 * a * c;
  if (inside <= 0) return null;
  const half = Math.sqrt(inside);
  return [(-b + half) / (2 * a), (-b - half) / (2 * a)];
}

/** s to the power of the cone's profile. */
export function raised(s: number, shape: number): number {
  if (shape === 2) return s * s;
  if (shape === 1) return s;
  if (shape === 3) return s * s * s;
  if (shape === 1.5) return s * Math.sqrt(s);
  return s ** shape;
}
