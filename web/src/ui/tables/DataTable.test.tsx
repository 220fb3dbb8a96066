import { act, fireEvent } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { DataTable } from './DataTable.tsx';
import type { TableColumn } from './columns.ts';

interface Own {
  id: string;
  pieces: number;
}
const COLUMNS: TableColumn<Own>[] = [
  { key: 'id', title: 'Order', cell: ({ id }) => id },
  { key: 'pieces', title: 'Pieces', isNumber: true, cell: ({ pieces }) => pieces },
];
const ROWS: Own[] = [
  { id: 'K-1', pieces: 9 },
  { id: 'K-2', pieces: 24 },
  { id: 'K-3', pieces: 100 },
];

const SIDES = ['offsetHeight', 'offsetWidth', 'clientHeight', 'clientWidth'] as const;

/** Nothing is laid out here: the table is told that it has room. */
function giveRoom(): () => void {
  const was = SIDES.map((side) => Object.getOwnPropertyDescriptor(HTMLElement.prototype, side));
  for (const side of SIDES)
    Object.defineProperty(HTMLElement.prototype, side, { configurable: true, get: () => 400 });
  return () =>
    SIDES.forEach((side, i) => {
      const own = was[i];
      if (own) Object.defineProperty(HTMLElement.prototype, side, own);
      else Reflect.deleteProperty(HTMLElement.prototype, side);
    });
}

describe('a list', () => {
  let undo: () => void;
  before(() => (undo = giveRoom()));
  after(() => undo());

  const list = (part: Partial<Parameters<typeof DataTable<Own>>[0]> = {}) =>
    show(
      <DataTable name="test" label="Orders" columns={COLUMNS} rows={ROWS} keyOf={({ id }) => id} {...part} />,
    );
  const firstCells = (rows: HTMLElement[]): (string | null)[] =>
    rows.slice(1).map((row) => row.querySelector('td')?.textContent ?? null);

  it('sorts numbers as numbers, up and down by the heading', async () => {
    const { user, getByRole, getAllByRole } = list();
    await user.click(getByRole('button', { name: /^Pieces/ }));
    expect(firstCells(getAllByRole('row'))).to.deep.equal(['K-3', 'K-2', 'K-1']); // the largest first
    await user.click(getByRole('button', { name: /^Pieces/ }));
    expect(firstCells(getAllByRole('row'))).to.deep.equal(['K-1', 'K-2', 'K-3']);
  });

  it('is walked by the arrows and opened by Enter', () => {
    const opened: string[] = [];
    const { getAllByRole } = list({ onOpen: (id) => opened.push(id) });
    const [, first] = getAllByRole('row');
    act(() => first?.focus());
    fireEvent.keyDown(first!, { key: 'ArrowDown' });
    expect(document.activeElement?.textContent).to.contain('K-2');
    fireEvent.keyDown(document.activeElement!, { key: 'End' });
    expect(document.activeElement?.textContent).to.contain('K-3');
    fireEvent.keyDown(document.activeElement!, { key: 'Enter' });
    expect(opened).to.deep.equal(['K-3']);
  });

  it('shows the columns that were chosen, and the next time too', async () => {
    const { user, getByRole, findByRole, queryByRole, unmount } = list();
    await user.click(getByRole('button', { name: 'Columns' }));
    await user.click(await findByRole('menuitemcheckbox', { name: 'Pieces' }));
    await user.keyboard('{Escape}');
    expect(queryByRole('columnheader', { name: /Pieces/ })).to.equal(null);
    unmount();
    const again = list();
    expect(again.queryByRole('columnheader', { name: /Pieces/ })).to.equal(null);
    again.getByRole('columnheader', { name: /Order/ });
  });

  it('finds what is sought in any column, and says so where nothing is', () => {
    const { getAllByRole, queryByText } = list({ search: '24' });
    expect(firstCells(getAllByRole('row'))).to.deep.equal(['K-2']);
    list({ search: 'none of it', empty: <p>Nothing matches</p> });
    expect(queryByText('Nothing matches')).to.not.equal(null);
  });
});
