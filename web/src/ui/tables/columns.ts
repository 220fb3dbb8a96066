/** One column of a table: what stands in it, and what it is sorted, searched and exported by. */
export interface TableColumn<Row> {
  key: string;
  title: string;
  cell: (row: Row) => React.ReactNode;
  /** As plain text or number; what the cell shows where it is text already. */
  plain?: (row: Row) => string | number | null;
  isNumber?: boolean;
  isNoWrap?: boolean;
  /** Sorted by whoever gives the rows; without that the table sorts what it has. */
  isSortable?: boolean;
  /** Shown only when it is asked for. */
  isHiddenAtFirst?: boolean;
  /** Left out on a phone. */
  isWideOnly?: boolean;
  /** px */
  width?: number;
}

/** What a column says of a row in plain words. */
export function plainOf<Row>(column: TableColumn<Row>, row: Row): string | number {
  if (column.plain) return column.plain(row) ?? '';
  const shown = column.cell(row);
  return typeof shown === 'string' || typeof shown === 'number' ? shown : '';
}

/** All that is said of a row, in small letters: what a search looks in. */
export const textOf = <Row>(columns: readonly TableColumn<Row>[], row: Row): string =>
  columns
    .map((column) => plainOf(column, row))
    .join('\n')
    .toLowerCase();

const LETTERS = new Intl.Collator('en', { numeric: true });

/** Numbers by size; words by letters, with the numbers in them by size: K-9 before K-10. */
export const inOrder = (p: string | number, q: string | number): number =>
  typeof p === 'number' && typeof q === 'number' ? p - q : LETTERS.compare(String(p), String(q));
