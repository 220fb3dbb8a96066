import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableFooter from '@mui/material/TableFooter';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { TOKENS } from '../theme/tokens.ts';
import type { TableColumn } from './columns.ts';

interface Props<Row> {
  /** What the table is of. */
  label: string;
  columns: readonly TableColumn<Row>[];
  rows: readonly Row[];
  keyOf: (row: Row) => React.Key;
  /** Without headings, where the first column says what the rest is. */
  isHeadHidden?: boolean;
  isSelected?: (row: Row) => boolean;
  isStrong?: (row: Row) => boolean;
  /** Cells of a last row that sums up. */
  foot?: readonly React.ReactNode[];
  isTopAligned?: boolean;
}

/** A few rows of figures, all of them shown. */
export function SimpleTable<Row>(props: Props<Row>) {
  const {
    label,
    columns,
    rows,
    keyOf,
    isHeadHidden = false,
    isSelected,
    isStrong,
    foot,
    isTopAligned = false,
  } = props;
  return (
    <Table size="small" aria-label={label}>
      <TableHead className={isHeadHidden ? 'visually-hidden' : ''}>
        <TableRow>
          {columns.map(({ key, title, isNumber }) => (
            <TableCell key={key} align={isNumber ? 'right' : 'left'}>
              {title}
            </TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map((row) => (
          <TableRow
            key={keyOf(row)}
            sx={{
              backgroundColor: isSelected?.(row) === true ? TOKENS.brinePale : undefined,
              verticalAlign: isTopAligned ? 'top' : 'middle',
              ...(isStrong?.(row) === true ? { '& td': { fontWeight: 650 } } : {}),
            }}
            {...(isSelected ? { 'aria-current': isSelected(row) ? ('true' as const) : undefined } : {})}
          >
            {columns.map(({ key, cell, isNumber, isNoWrap }) => (
              <TableCell
                key={key}
                align={isNumber ? 'right' : 'left'}
                className={isNumber || isNoWrap ? 'nowrap' : ''}
                sx={isTopAligned ? { verticalAlign: 'top' } : {}}
              >
                {cell(row)}
              </TableCell>
            ))}
          </TableRow>
        ))}
      </TableBody>
      {foot && (
        <TableFooter>
          <TableRow>
            {foot.map((cell, i) => (
              <TableCell
                key={columns[i]?.key ?? i}
                align={columns[i]?.isNumber ? 'right' : 'left'}
                sx={{ fontSize: 14, color: TOKENS.ink, fontWeight: 650 }}
              >
                {cell}
              </TableCell>
            ))}
          </TableRow>
        </TableFooter>
      )}
    </Table>
  );
}
