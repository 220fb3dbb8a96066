import { saveFile } from './saveFile.ts';

/**
 * Hands rows out as a CSV file (RFC 4180). What a spreadsheet would run as a formula is written as text.
 *
 * @param name of the file, without its ending
 */
export async function saveCsv(name: string, rows: readonly (readonly (string | number)[])[]): Promise<void> {
  const { unparse } = (await import('papaparse')).default;
  const text = unparse(rows as (string | number)[][], { newline: '\r\n', escapeFormulae: true });
  const address = URL.createObjectURL(new Blob(['\uFEFF', text], { type: 'text/csv;charset=utf-8' }));
  saveFile(address, `${name}.csv`);
  URL.revokeObjectURL(address);
}
