import type { Row as TableRow } from '@tanstack/react-table';
import { memo } from 'react';
import type { TableColumn } from './columns.ts';
import { Cell } from './tableParts.tsx';

interface Props<Row> {
  row: TableRow<Row>;
  index: number;
  columns: readonly TableColumn<Row>[];
  /** `undefined` where rows cannot be chosen. */
  isSelected: boolean | undefined;
  /** The one that the Tab key reaches. */
  isActive: boolean;
  /** Takes its height. */
  measure: (element: HTMLElement | null) => void;
  onFocus: (index: number) => void;
  onOpen: (key: string) => void;
}

/** One row; drawn again only when it changes, not whenever the list is scrolled. */
function PlainRow<Row>({ row, index, columns, isSelected, isActive, measure, onFocus, onOpen }: Props<Row>) {
  return (
    <tr
      ref={measure}
      data-index={index}
      aria-rowindex={index + 2}
      aria-selected={isSelected}
      tabIndex={isActive ? 0 : -1}
      onFocus={() => onFocus(index)}
      onClick={() => onOpen(row.id)}
    >
      {columns.map(({ key, cell, isNumber = false, isNoWrap = false }) => (
        <Cell key={key} isNumber={isNumber} isNoWrap={isNoWrap}>
          {cell(row.original)}
        </Cell>
      ))}
    </tr>
  );
}

export const DataRow = memo(PlainRow) as typeof PlainRow; // it keeps what kind of row it is for
