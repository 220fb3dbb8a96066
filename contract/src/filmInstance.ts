import { TURNS } from '@saltflat/core/film';
import type { FilmItem, FilmProblem, Turn } from '@saltflat/core/film';
import { Type } from 'typebox';
import type { FieldProblem } from './problems.ts';
import type { Static } from './scalars.ts';
import { parse, refusedFields } from './validate.ts';

/** Longer than any film, mm. */
const LONGEST_MM = 100_000;
/** Pieces that are laid out in one go at most. */
const MOST_PIECES = 10_000;
const Length = (title: string) => Type.Number({ title, exclusiveMinimum: 0, maximum: LONGEST_MM });
const Edge = (title: string) => Type.Number({ title, minimum: 0, maximum: LONGEST_MM });

const Item = Type.Object({
  id: Type.String({ title: 'Item', minLength: 1, maxLength: 100 }),
  w: Length('Width of an item'),
  h: Length('Height of an item'),
  qty: Type.Integer({ title: 'Quantity', minimum: 0, maximum: MOST_PIECES }),
  rotations: Type.Optional(
    Type.Array(Type.Enum([0, 90, 180, 270], { title: 'Rotation' }), { title: 'Rotations', minItems: 1 }),
  ),
  priority: Type.Optional(Type.Integer({ title: 'Priority', minimum: 0, maximum: 100 })),
  mask: Type.Optional(
    Type.Array(Type.Array(Type.Integer({ title: 'Run of a mask', minimum: 0, maximum: LONGEST_MM })), {
      title: 'Mask',
    }),
  ),
});

/** Film to be laid out, as a file: millimetres throughout. Fields besides these are notes. */
const FilmInstanceDocument = Type.Object({
  film: Type.Object({
    type: Type.Enum(['sheet', 'roll'], { title: 'Type of film' }),
    w: Length('Width of the film'),
    h: Type.Optional(Length('Height of a sheet')),
    maxLen: Type.Optional(Length('Longest length of a roll')),
  }),
  keepOut: Type.Object({
    l: Edge('Left edge'),
    r: Edge('Right edge'),
    t: Edge('Top edge'),
    b: Edge('Bottom edge'),
  }),
  spacing: Type.Number({ title: 'Spacing', minimum: 0, maximum: 1000 }),
  trueShape: Type.Optional(Type.Boolean({ title: 'True shapes' })),
  items: Type.Array(Item, { title: 'Items', maxItems: MOST_PIECES }),
});
type FilmInstance = Static<typeof FilmInstanceDocument>;

/**
 * Reads a layout problem from a file. Masks count where true shapes are asked for, or where nothing is said of them.
 *
 * @throws DomainError `invalid-input` naming every field that is wrong and what would be right
 */
export function readFilmInstance(data: unknown): FilmProblem {
  const instance = parse(FilmInstanceDocument, data);
  const faults = [...faultsOfFilm(instance), ...faultsOfItems(instance)];
  if (faults.length > 0) throw refusedFields(faults);
  const {
    film,
    keepOut,
    spacing,
    items,
    trueShape = items.some(({ mask }) => mask !== undefined),
  } = instance;
  return {
    film:
      film.type === 'sheet'
        ? { kind: 'sheet', widthMm: film.w, heightMm: film.h ?? 0 }
        : { kind: 'roll', widthMm: film.w, maxLengthMm: film.maxLen ?? null },
    keepOut: { leftMm: keepOut.l, rightMm: keepOut.r, topMm: keepOut.t, bottomMm: keepOut.b },
    gapMm: spacing,
    isByOutline: trueShape,
    items: items.map(({ id, w, h, qty, rotations = TURNS, priority = 0, mask = null }): FilmItem => ({
      id,
      widthMm: w,
      heightMm: h,
      count: qty,
      turns: [...new Set(rotations)] as Turn[],
      priority,
      mask: trueShape ? mask : null,
    })),
  };
}

function* faultsOfFilm({ film, keepOut }: FilmInstance): Generator<FieldProblem> {
  if (film.type === 'sheet' && film.h === undefined)
    yield { path: '/film/h', message: 'A sheet needs its height: give “h”, in mm.' };
  const { l, r, t, b } = keepOut;
  if (film.w - l - r <= 0)
    yield {
      path: '/keepOut',
      message: `Edges of ${l} and ${r} mm leave nothing of a film ${film.w} mm wide: they must be less together.`,
    };
  const height = film.type === 'sheet' ? film.h : film.maxLen;
  if (height !== undefined && height - t - b <= 0)
    yield {
      path: '/keepOut',
      message: `Edges of ${t} and ${b} mm leave nothing of a film ${height} mm long: they must be less together.`,
    };
}

function* faultsOfItems({ items }: FilmInstance): Generator<FieldProblem> {
  const ids = new Set<string>();
  let pieces = 0;
  for (const [i, { id, w, h, qty, mask }] of items.entries()) {
    const path = `/items/${i}`;
    if (ids.has(id))
      yield { path: `${path}/id`, message: `Two items are called “${id}”: each needs a name of its own.` };
    ids.add(id);
    pieces += qty;
    if (mask === undefined) continue;
    if (!Number.isInteger(w) || mask.length !== h)
      yield {
        path: `${path}/mask`,
        message: `The mask of “${id}” has ${mask.length} rows for ${w} × ${h} mm: it needs a row for each whole millimetre.`,
      };
    const row = mask.findIndex((runs) => !isMaskRow(runs, w));
    if (row >= 0)
      yield {
        path: `${path}/mask/${row}`,
        message: `Row ${row} of the mask of “${id}” must be pairs of start and length, from the left, within ${w} mm.`,
      };
    if (mask.every((runs) => runs.length === 0))
      yield {
        path: `${path}/mask`,
        message: `The mask of “${id}” is empty: there would be nothing to print.`,
      };
  }
  if (pieces > MOST_PIECES)
    yield {
      path: '/items',
      message: `${pieces} pieces are more than ${MOST_PIECES}: lay them out in parts.`,
    };
}

/** Whether a row is pairs of start and length, from the left, within a width. */
export function isMaskRow(runs: readonly number[], width: number): boolean {
  let end = 0;
  for (let k = 0; k < runs.length; k += 2) {
    const [start = 0, length = 0] = [runs[k], runs[k + 1]];
    if (length < 1 || start < end || start + length > width) return false;
    end = start + length;
  }
  return true;
}
