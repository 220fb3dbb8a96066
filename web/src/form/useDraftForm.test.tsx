import type { Problem } from '@saltflat/contract/problems';
import { act, waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { useState } from 'react';
import { Controller } from 'react-hook-form';
import { Button, Form, Refusal, TextField } from '../ui/index.ts';
import { show } from '../testing/render.tsx';
import { compiled } from './compiled.ts';
import { useDraftForm } from './useDraftForm.ts';

interface Words {
  who: string;
  why: string;
}
const KEY = 'test.draft';
const FILLED = { check: compiled('words', 'signed') };

let sent: { values: Words; version: number }[] = [];
let refuse: Problem | null = null;
let theirs: (version: number, values: Words) => void = () => undefined;

function Signing() {
  const [record, setRecord] = useState({ version: 3, values: { who: 'Ines', why: 'as ever' } });
  theirs = (version, values) => setRecord({ version, values });
  const filling = useDraftForm<Words, Words, unknown>({
    draftKey: KEY,
    current: record,
    filled: FILLED,
    send: (values, version) => {
      sent.push({ values, version });
      return Promise.resolve(refuse ? { error: { status: 409, data: refuse } } : { data: {} });
    },
  });
  return (
    <Form onSubmit={filling.submit}>
      {(['who', 'why'] as const).map((name) => (
        <Controller
          key={name}
          control={filling.form.control}
          name={name}
          render={({ field: { value, onChange } }) => (
            <TextField
              label={name}
              value={value}
              problem={filling.problems[`/${name}`]}
              onChange={onChange}
            />
          )}
        />
      ))}
      {filling.isOvertaken && <Button onClick={filling.keepMine}>Go on with mine</Button>}
      {filling.isOvertaken && <Button onClick={filling.startAgain}>Start again from theirs</Button>}
      <Refusal words={filling.refusal} />
      <Button type="submit">Send</Button>
    </Form>
  );
}

describe('a form whose draft is kept', () => {
  beforeEach(() => {
    sent = [];
    refuse = null;
    sessionStorage.clear();
  });

  it('shows the record as it stands until something is written, and then what was written, over a reload', async () => {
    const { user, getByLabelText, unmount } = show(<Signing />);
    act(() => theirs(4, { who: 'Ines', why: 'the room is cold' }));
    expect(getByLabelText('why')).to.have.property('value', 'the room is cold');
    expect(sessionStorage.getItem(KEY), 'nothing was written').to.equal(null);
    await user.type(getByLabelText('why'), ' today');
    act(() => theirs(5, { who: 'Tomasz', why: 'other' }));
    unmount();

    const again = show(<Signing />); // begins at version 3 here, as a page does that was fetched before
    expect(again.getByLabelText('why')).to.have.property('value', 'the room is cold today');
    await again.user.click(again.getByRole('button', { name: 'Send' }));
    await waitFor(() =>
      expect(sent).to.deep.equal([{ values: { who: 'Ines', why: 'the room is cold today' }, version: 4 }]),
    );
    await waitFor(() => expect(sessionStorage.getItem(KEY), 'it was taken').to.equal(null));
  });

  it('goes on over what somebody else changed only when asked to', async () => {
    const { user, getByLabelText, getByRole, queryByRole } = show(<Signing />);
    await user.type(getByLabelText('who'), 'x');
    act(() => theirs(4, { who: 'Tomasz', why: 'other' }));
    await user.click(getByRole('button', { name: 'Go on with mine' }));
    await user.click(getByRole('button', { name: 'Send' }));
    await waitFor(() =>
      expect(sent).to.deep.equal([{ values: { who: 'Inesx', why: 'as ever' }, version: 4 }]),
    );

    await user.type(getByLabelText('who'), 'y');
    act(() => theirs(6, { who: 'Wanjiru', why: 'hers' }));
    await user.click(getByRole('button', { name: 'Start again from theirs' }));
    expect(getByLabelText('who')).to.have.property('value', 'Wanjiru');
    expect(queryByRole('button', { name: 'Go on with mine' })).to.equal(null);
    expect(sessionStorage.getItem(KEY)).to.equal(null);
  });

  it('marks what is empty before it is sent, and what the server refused after, until it is written anew', async () => {
    const { user, getByLabelText, getByRole, getAllByText, queryByText } = show(<Signing />);
    await user.clear(getByLabelText('who'));
    await user.click(getByRole('button', { name: 'Send' }));
    expect(sent).to.deep.equal([]);
    await waitFor(() => expect(document.activeElement).to.equal(getByLabelText('who')));
    expect(getAllByText('Who are you? It is kept with the route.'), 'at the field, and below').to.have.length(
      2,
    );

    refuse = {
      code: 'invalid-input',
      detail: 'Nobody of that name works here.',
      fields: [{ path: '/who', message: 'Nobody of that name works here: Ines, Tomasz or Wanjiru.' }],
    } as Problem;
    await user.type(getByLabelText('who'), 'Ida');
    await user.click(getByRole('button', { name: 'Send' }));
    await waitFor(() => expect(sent).to.have.length(1));
    await waitFor(() => expect(getByLabelText('who').getAttribute('aria-invalid')).to.equal('true'));
    expect(getByRole('alert').textContent).to.contain('Nobody of that name works here.');
    await user.type(getByLabelText('who'), 'x');
    await waitFor(() => expect(queryByText(/Ines, Tomasz or Wanjiru/)).to.equal(null));
    expect(getByLabelText('who')).to.have.property('value', 'Idax');
  });
});
