import { once } from 'node:events';
import type { Response } from 'express';
import Papa from 'papaparse';

type CsvRow = Record<string, string | number | null>;

/** What a spreadsheet would run as a formula, and what reads as one of ours that is guarded already. */
const GUARDED = /^[=+\-@\t\r']/;

/** A cell that a spreadsheet takes for text: an apostrophe stands before what it would run, and before an apostrophe of its own. */
export const guarded = (cell: string): string => (GUARDED.test(cell) ? `'${cell}` : cell);

/** The cell as it was before it was {@link guarded}. */
export const unguarded = (cell: string): string =>
  cell.startsWith("'") && GUARDED.test(cell.slice(1)) ? cell.slice(1) : cell;

/** Rows as RFC 4180 lines; texts guarded against being run. */
function csvLines(rows: readonly CsvRow[], columns: readonly string[]): string {
  const data = rows.map((row) =>
    columns.map((column) => {
      const cell = row[column] ?? '';
      return typeof cell === 'string' ? guarded(cell) : cell;
    }),
  );
  return data.length === 0 ? '' : `${Papa.unparse(data, { newline: '\r\n' })}\r\n`;
}

/** Sends rows as a CSV file. */
export function sendCsv(
  res: Response,
  fileName: string,
  rows: readonly CsvRow[],
  columns: readonly string[],
): void {
  const head = Papa.unparse([[...columns]], { newline: '\r\n' });
  res
    .attachment(fileName)
    .type('text/csv')
    .send(`${head}\r\n${csvLines(rows, columns)}`);
}

/** Sends pages of rows as one CSV file, as they come and as fast as they are taken: however many, no more than a page is held. */
export async function streamCsv(
  res: Response,
  fileName: string,
  columns: readonly string[],
  pages: AsyncIterable<readonly CsvRow[]>,
): Promise<void> {
  res.attachment(fileName).type('text/csv');
  await write(res, `${Papa.unparse([[...columns]], { newline: '\r\n' })}\r\n`);
  for await (const rows of pages) await write(res, csvLines(rows, columns));
  res.end();
}

/** The same as one JSON document `{ name: [...] }`. */
export async function streamJson(
  res: Response,
  fileName: string,
  name: string,
  pages: AsyncIterable<readonly object[]>,
): Promise<void> {
  res.attachment(fileName).type('application/json');
  let separator = `{${JSON.stringify(name)}:[`;
  for await (const rows of pages) {
    if (rows.length === 0) continue;
    await write(res, `${separator}${rows.map((row) => JSON.stringify(row)).join(',')}`);
    separator = ',';
  }
  await write(res, separator === ',' ? ']}' : `${separator}]}`);
  res.end();
}

/** Waits while the receiver is slow; gives up with one that has gone. */
async function write(res: Response, text: string): Promise<void> {
  if (res.destroyed) throw new Error('the receiver has gone');
  if (!res.write(text)) await once(res, 'drain', { signal: AbortSignal.timeout(60_000) });
}
