import { expect } from 'chai';
import { useState } from 'react';
import { show } from '../../testing/render.tsx';
import { ChoiceField } from './ChoiceField.tsx';

const BLANKS = [
  { id: 'tee', label: 'Harbour tee', says: '100 % cotton' },
  { id: 'hoodie', label: 'Breakwater hoodie', says: '80 % cotton' },
  { id: 'bib', label: 'Marker bib', says: '100 % polyester' },
];

function Blank({ made = [] }: { made?: string[] }) {
  const [value, setValue] = useState('tee');
  return (
    <ChoiceField
      label="Blank"
      value={value}
      choices={BLANKS.map((own) => ({ ...own }))} // new objects each time, as a page makes them
      recent="test"
      create={{ words: (typed) => `Add “${typed}”`, onCreate: (typed) => made.push(typed) }}
      onChange={setValue}
    />
  );
}

describe('a choice among many', () => {
  it('is found by what is said of it, and taken by Enter', async () => {
    const { user, getByRole } = show(<Blank />);
    const field = getByRole('combobox', { name: 'Blank' });
    await user.clear(field);
    await user.type(field, 'polyester{Enter}');
    expect((field as HTMLInputElement).value).to.equal('Marker bib');
  });

  it('keeps what is typed while the page around it changes', async () => {
    const { user, getByRole, rerender } = show(<Blank />);
    const field = getByRole('combobox', { name: 'Blank' });
    await user.clear(field);
    await user.type(field, 'Mark');
    rerender(<Blank />);
    expect((getByRole('combobox', { name: 'Blank' }) as HTMLInputElement).value).to.equal('Mark');
  });

  it('has what was chosen lately first', async () => {
    const first = show(<Blank />);
    await first.user.clear(first.getByRole('combobox', { name: 'Blank' }));
    await first.user.type(first.getByRole('combobox', { name: 'Blank' }), 'hood{Enter}');
    first.unmount();
    const again = show(<Blank />);
    await again.user.click(again.getByRole('combobox', { name: 'Blank' }));
    expect(again.getAllByRole('option')[0]?.textContent).to.contain('Breakwater hoodie');
  });

  it('makes what is not there from what was typed', async () => {
    const made: string[] = [];
    const { user, getByRole } = show(<Blank made={made} />);
    const field = getByRole('combobox', { name: 'Blank' });
    await user.clear(field);
    await user.type(field, 'Quay smock');
    await user.click(getByRole('option', { name: 'Add “Quay smock”' }));
    expect(made).to.deep.equal(['Quay smock']);
  });
});
