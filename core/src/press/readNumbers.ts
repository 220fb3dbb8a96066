import type { Spot } from './spots.ts';

/** Rows of figures as they are pasted, or the sentence that says why they cannot be read. */
export type PastedReadings =
  { ok: true; readings: (Spot & { readC: number })[] } | { ok: false; problem: string };

/**
 * Reads pasted readings: three figures a line (from the left and from the back in mm, then °C), or one a line in the order of the
 * spots. Figures stand apart by semicolon, tab or comma; with a comma between them a decimal needs a point.
 *
 * @param spots where one figure a line belongs, in order
 */
export function readPasted(text: string, spots: readonly Spot[]): PastedReadings {
  const lines = text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '');
  const rows = lines.map(figuresIn);
  const body = rows.length > 1 && rows[0].some(Number.isNaN) ? rows.slice(1) : rows; // a heading
  const skipped = rows.length - body.length;
  const refuse = (i: number, why: string): PastedReadings => ({
    ok: false,
    problem: `Line ${i + 1 + skipped} (“${lines[i + skipped].slice(0, 40)}”) ${why}`,
  });
  if (body.length === 0) return { ok: false, problem: 'There is no line of figures in what was pasted.' };
  const width = body[0].length;
  for (const [i, row] of body.entries()) {
    if (row.some(Number.isNaN)) return refuse(i, 'is not figures alone.');
    if (row.length !== width || (width !== 1 && width !== 3))
      return refuse(
        i,
        `has ${row.length} figures: one (°C) or three (from the left and from the back in mm, then °C) are needed. Where a comma stands in a figure, put a point, or set figures apart by semicolons.`,
      );
  }
  if (width === 1 && body.length > spots.length)
    return { ok: false, problem: `There are ${body.length} readings for ${spots.length} spots.` };
  return {
    ok: true,
    readings: body.map((row, i) =>
      width === 3
        ? { xMm: row[0], yMm: row[1], readC: row[2] }
        : { xMm: spots[i].xMm, yMm: spots[i].yMm, readC: row[0] },
    ),
  };
}

/** Figures of one line; a decimal comma only where something else stands between them. */
function figuresIn(line: string): number[] {
  const hasOther = /[;\t]/.test(line);
  return line
    .split(hasOther ? /[;\t]/ : /,/)
    .map((own) => own.trim().replace(/\s*°?C$/i, ''))
    .map((own) => (own === '' ? NaN : Number(hasOther ? own.replace(',', '.') : own)));
}
