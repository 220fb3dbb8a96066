import { BLANK_FIELDS, valueAt } from '@saltflat/contract/shopFields';
import { within } from '@testing-library/react';
import { expect } from 'chai';
import { useForm, useWatch } from 'react-hook-form';
import type { FieldValues } from 'react-hook-form';
import { show } from '../../testing/render.tsx';
import { RecordForm } from './RecordForm.tsx';
import { newRecord } from './recordState.ts';

let latest: object = {};

function Blank({ problems = {} }: { problems?: Record<string, string> }) {
  const { control } = useForm({ defaultValues: newRecord('blanks', 'blank') as FieldValues });
  latest = useWatch({ control });
  return <RecordForm fields={BLANK_FIELDS} control={control} problems={problems} />;
}

describe('a record that is filled in', () => {
  it('reads quantities as they are written, and money in whole units', async () => {
    const { user, getByLabelText, getAllByLabelText } = show(<Blank />);
    await user.type(getByLabelText('Cotton'), '80');
    await user.type(getAllByLabelText(/^Price/)[0]!, '3,40');
    expect(valueAt(latest, ['fibres', 'cotton'])).to.equal(0.8);
    expect(valueAt(latest, ['sizes'])).to.have.nested.property('[0].cents', 340);
  });

  it('has what was refused at the field it was refused for, in a row of a table too', () => {
    const { getByLabelText, getAllByRole } = show(
      <Blank
        problems={{ '/massGM2': 'Mass: between 20 and 1500 g/m².', '/colours/0/hex': 'A colour as #rrggbb.' }}
      />,
    );
    expect(getByLabelText('Mass').getAttribute('aria-invalid')).to.equal('true');
    const row = getAllByRole('group', { name: /^Colours/ })[0];
    expect(row?.textContent).to.contain('A colour as #rrggbb.');
  });

  it('takes a row more and a row away', async () => {
    const { user, getByRole, getAllByRole } = show(<Blank />);
    const before = (valueAt(latest, ['colours']) as unknown[]).length;
    await user.click(getByRole('button', { name: 'Add a row to colours' }));
    expect(valueAt(latest, ['colours'])).to.have.length(before + 1);
    const [first] = getAllByRole('group', { name: 'Colours, 1' });
    await user.click(within(first!).getByRole('button', { name: /^Remove/ }));
    expect(valueAt(latest, ['colours'])).to.have.length(before);
  });
});
