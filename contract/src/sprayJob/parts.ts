import { Type } from 'typebox';
import type { TSchema } from 'typebox';
import { DomainError } from '../problems.ts';
import type { FieldProblem } from '../problems.ts';
import type { Static } from '../scalars.ts';
import { parse } from '../validate.ts';

/** Larger than anything in a print room. */
const MOST = 1e7;

export const Above0 = (title: string) => Type.Number({ title, exclusiveMinimum: 0, maximum: MOST });
export const AtLeast0 = (title: string) => Type.Number({ title, minimum: 0, maximum: MOST });
export const Share = (title: string) => Type.Number({ title, minimum: 0, maximum: 1 });
/** What is lost, of all: not all of it. */
export const PartShare = (title: string) => Type.Number({ title, minimum: 0, exclusiveMaximum: 1 });
export const AnyNumber = (title: string) => Type.Number({ title, minimum: -MOST, maximum: MOST });
export const Tilt = Type.Optional(Type.Number({ title: 'Tilt', minimum: -40, maximum: 40 }));
export const Distance = Type.Number({ title: 'Distance', minimum: 20, maximum: 1000 });
export const Passes = Type.Optional(Type.Integer({ title: 'Passes', minimum: 1, maximum: 2 }));
export const Seed = Type.Optional(Type.Integer({ title: 'Seed', minimum: 0, maximum: 2 ** 32 - 1 }));
export const Count = (title: string, least = 0) => Type.Integer({ title, minimum: least, maximum: 10_000 });
export const Point = Type.Tuple([AnyNumber('x'), AnyNumber('y')]);

/** Water in the air as a share: 55 would be per cent. */
export const Humidity = Type.Number({
  title: 'Relative humidity as a share (0.55, not 55 per cent)',
  minimum: 0,
  maximum: 0.99,
});
const RoomC = Type.Number({ title: 'Room in °C', minimum: -10, maximum: 50 });
export const Room = Type.Object({
  tempC: Type.Optional(RoomC),
  rh: Type.Optional(Humidity),
  airMPerS: Type.Optional(Type.Number({ title: 'Air speed', minimum: 0, maximum: 20 })),
  evapGm2PerS: Type.Optional(AtLeast0('Evaporation')),
});

export const SHAPE = {
  rect: Type.Optional(Type.Tuple([AnyNumber('x'), AnyNumber('y'), AnyNumber('w'), AnyNumber('h')])),
  polygon: Type.Optional(Type.Array(Point, { title: 'Polygon', maxItems: 10_000 })),
};
export const Shape = Type.Object(SHAPE);

const Fan = Type.Object({
  major: Type.Optional(Type.Number({ title: 'Long side of the fan', exclusiveMinimum: 0, maximum: 10 })),
  minor: Type.Optional(Type.Number({ title: 'Short side of the fan', exclusiveMinimum: 0, maximum: 10 })),
});
/** What a gun and a machine's nozzle have in common. */
export const NOZZLE = {
  fan: Type.Optional(Fan),
  shape: Type.Optional(Type.Number({ title: 'Shape', minimum: 0.5, maximum: 12 })),
  efficiency: Type.Optional(Share('Efficiency')),
};

/** What is wrong with a document so far. */
export class Faults {
  readonly fields: FieldProblem[] = [];

  /** Reads a part by its schema; `null` where something in it is wrong. */
  part<T extends TSchema>(schema: T, data: unknown, path = ''): Static<T> | null {
    try {
      return parse(schema, data);
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      for (const field of error.extra.fields ?? []) this.add(path + field.path, field.message);
      return null;
    }
  }

  /** Of a field, what was said first stands. */
  add(path: string, message: string): void {
    if (!this.fields.some((own) => own.path === path)) this.fields.push({ path, message });
  }

  all(found: Iterable<FieldProblem>): void {
    for (const { path, message } of found) this.add(path, message);
  }
}

/** What stands at a place of a document that may be wrong elsewhere; `undefined` where there is nothing. */
export function at(data: unknown, ...keys: readonly (string | number)[]): unknown {
  let own = data;
  for (const key of keys) {
    if (typeof own !== 'object' || own === null) return undefined;
    own = (own as Record<string | number, unknown>)[key];
  }
  return own;
}

export function figureAt(data: unknown, ...keys: readonly (string | number)[]): number | null {
  const own = at(data, ...keys);
  return typeof own === 'number' ? own : null;
}

export function listAt(data: unknown, ...keys: readonly (string | number)[]): readonly unknown[] {
  const own = at(data, ...keys);
  return Array.isArray(own) ? own : [];
}

/** Fields of objects that hold nothing are as good as missing. */
export function withoutNulls(data: unknown): unknown {
  if (Array.isArray(data)) return data.map(withoutNulls);
  if (typeof data !== 'object' || data === null) return data;
  return Object.fromEntries(
    Object.entries(data)
      .filter(([, own]) => own !== null)
      .map(([key, own]) => [key, withoutNulls(own)]),
  );
}

/** A shape is a rectangle or a polygon, and has a size. */
export function* faultsOfShape(data: unknown, key: string): Generator<FieldProblem> {
  const shape = at(data, key);
  if (typeof shape !== 'object' || shape === null) return;
  const [rect, polygon] = [at(shape, 'rect'), at(shape, 'polygon')];
  if ((rect === undefined) === (polygon === undefined))
    yield { path: `/${key}`, message: `“${key}” needs a “rect” or a “polygon”, one of the two.` };
  if (Array.isArray(rect) && rect.length === 4 && !(Number(rect[2]) > 0 && Number(rect[3]) > 0))
    yield {
      path: `/${key}/rect`,
      message: `The rectangle is ${String(rect[2])} × ${String(rect[3])} mm: both must be above 0.`,
    };
  if (!Array.isArray(polygon)) return;
  const points = polygon.map((own) => [figureAt(own, 0) ?? NaN, figureAt(own, 1) ?? NaN] as const);
  if (points.length < 3)
    yield {
      path: `/${key}/polygon`,
      message: `A polygon of ${points.length} points has no area: 3 or more are needed.`,
    };
  else if (doubleArea(points) === 0)
    yield { path: `/${key}/polygon`, message: 'The polygon has no area: its points lie in one line.' };
}

const doubleArea = (points: readonly (readonly [number, number])[]): number =>
  points.reduce((sum, [ax, ay], i) => {
    const [bx, by] = points[(i + 1) % points.length] ?? [ax, ay];
    return sum + ax * by - bx * ay;
  }, 0);

/** Something that is asked about the document, and may be a slip. */
export interface SprayWarning {
  code: string;
  path: string;
}

/** `/weighings/1/afterG` as `weighings[1].afterG`. */
export const dotted = (path: string): string =>
  path
    .slice(1)
    .split('/')
    .map((part, i) => (/^\d+$/.test(part) ? `[${part}]` : i === 0 ? part : `.${part}`))
    .join('');
