/** The rows of a CSV file with a heading, by the names of its columns; empty rows are left out. */
export async function readCsv(file: File): Promise<Record<string, string>[]> {
  const { parse } = (await import('papaparse')).default;
  const text = (await file.text()).replace(/^\uFEFF/, '');
  return parse<Record<string, string>>(text, { header: true, skipEmptyLines: 'greedy' }).data;
}
