import type { Response } from 'express';
import Papa from 'papaparse';

/** Sends rows as CSV (RFC 4180). Cells that a spreadsheet would run as a formula are quoted with an apostrophe. */
export function sendCsv(
  res: Response,
  fileName: string,
  rows: readonly Record<string, string | number | null>[],
  columns: readonly string[],
): void {
  const text = Papa.unparse(
    { fields: [...columns], data: rows.map((row) => columns.map((column) => row[column])) },
    { escapeFormulae: true, newline: '\r\n' },
  );
  res.attachment(fileName).type('text/csv').send(`${text}\r\n`);
}
