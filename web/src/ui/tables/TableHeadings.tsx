import type { TableColumn } from './columns.ts';
import { Head, HeadCell, SortButton } from './tableParts.tsx';

/** Letters from which on a title goes over two lines. */
const LONG = 20;

export interface Sorting {
  key: string;
  direction: 'asc' | 'desc';
}

interface Props {
  columns: readonly Pick<TableColumn<never>, 'key' | 'title' | 'isNumber' | 'width'>[];
  sorting: Sorting | null;
  canSort: (column: string) => boolean;
  onSort: (column: string) => void;
}

/** The headings of a list; pressed they sort it. */
export const TableHeadings = ({ columns, sorting, canSort, onSort }: Props) => (
  <Head>
    <tr aria-rowindex={1}>
      {columns.map(({ key, title, isNumber = false, width }) => {
        const direction = sorting?.key === key ? sorting.direction : null;
        const words = { asc: 'ascending', desc: 'descending' } as const;
        return (
          <HeadCell
            key={key}
            isNumber={isNumber}
            isLong={title.length > LONG}
            aria-sort={direction ? words[direction] : undefined}
            style={width === undefined ? undefined : { width }}
          >
            {canSort(key) ? (
              <SortButton onClick={() => onSort(key)}>
                {title}
                <span aria-hidden="true">{direction ? { asc: '↑', desc: '↓' }[direction] : '↕'}</span>
              </SortButton>
            ) : (
              title
            )}
          </HeadCell>
        );
      })}
    </tr>
  </Head>
);
