import type { ImportReport } from '@saltflat/contract';
import { DEFAULT_HOUSE } from '@saltflat/core/route';
import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { answering, refused } from '../../testing/server.ts';
import { ImportPanel } from './ImportPanel.tsx';
import { LotsPanel } from './LotsPanel.tsx';
import { MethodsPanel } from './MethodsPanel.tsx';

const CHANGED = { id: null, version: 2, changeId: '7f000001-0000-4000-8000-0000000000c1', drafts: 3 };
const CHANGE = {
  id: CHANGED.changeId,
  at: '2031-02-01T08:00:00.000Z',
  drafts: 3,
  planned: 3,
  unchanged: 3,
  replanned: [],
};
const followed = { [`GET /shop/changes/${CHANGED.changeId}`]: () => ({ body: CHANGE }) };

describe('a house method', () => {
  /** One of thirty methods: to look for it by what is read out would go over all of them. */
  const peels = () => [...document.querySelectorAll<HTMLInputElement>('input[name=filmPeel]')];
  const chosen = () =>
    peels()
      .filter(({ checked }) => checked)
      .map(({ value }) => value);

  it('is written as it is chosen, all others as they are, and taken back by one press', async () => {
    const asked = answering({ 'PUT /shop/house': () => ({ body: CHANGED }), ...followed });
    const { user, findByRole } = show(<MethodsPanel house={DEFAULT_HOUSE} version={1} />);
    await user.click(peels().find(({ value }) => value === 'hot')!);
    await user.click(await findByRole('button', { name: 'Undo' }));
    const sent = await waitFor(() => {
      const puts = asked.filter(({ method }) => method === 'PUT').map(({ body }) => body);
      expect(puts).to.have.length(2);
      return puts;
    });
    const peelOf = (body: unknown): string => (body as { record: { filmPeel: string } }).record.filmPeel;
    expect(sent.map(peelOf)).to.deep.equal(['hot', 'cold']);
    expect(sent[1]).to.deep.include({ record: DEFAULT_HOUSE });
  });

  it('stands as it was where it was refused, which says why', async () => {
    answering({
      'PUT /shop/house': () => refused('Somebody changed the house methods: look at them first.'),
    });
    const { user, findByText } = show(<MethodsPanel house={DEFAULT_HOUSE} version={1} />);
    await user.click(peels().find(({ value }) => value === 'hot')!);
    await findByText('Somebody changed the house methods: look at them first.');
    expect(chosen()).to.deep.equal(['cold']);
  });
});

describe('a table that comes in', () => {
  const report = (part: Partial<ImportReport>): ImportReport => ({
    list: 'blanks',
    lines: [],
    untold: 0,
    isApplied: false,
    changeId: null,
    ...part,
  });
  const file = new File(['Name\nLantern tee'], 'blanks.csv', { type: 'text/csv' });
  file.text = () => Promise.resolve('Name\nLantern tee'); // which this document’s files cannot

  it('is first asked about, and taken in only when told to', async () => {
    const runs: string[] = [];
    answering({
      'POST /shop/import': () => {
        const isApplied = runs.length > 0;
        runs.push('asked');
        const line = { line: 2, name: 'Lantern tee', action: 'add' as const, notes: ['new'] };
        return { body: report({ lines: [line], isApplied, changeId: isApplied ? CHANGED.changeId : null }) };
      },
      ...followed,
    });
    const { user, getByText, getByLabelText, findByText, getByRole } = show(<ImportPanel list="blanks" />);
    await user.click(getByText('In and out as a file'));
    await user.upload(getByLabelText('Import a CSV or JSON file'), file);
    await findByText('blanks.csv would change 1 of 1. Nothing is changed yet.');
    expect(runs).to.have.length(1);
    await user.click(getByRole('button', { name: 'Take it in' }));
    await findByText('blanks.csv is in: 1 record written.');
  });

  it('cannot be taken in while a line of it is refused, and says which', async () => {
    const line = { line: 3, name: 'X', action: 'refuse' as const, notes: ['“Mass, g/m²” must be a number.'] };
    answering({ 'POST /shop/import': () => ({ body: report({ lines: [line] }) }) });
    const { user, getByText, getByLabelText, findByText, queryByRole } = show(<ImportPanel list="blanks" />);
    await user.click(getByText('In and out as a file'));
    await user.upload(getByLabelText('Import a CSV or JSON file'), file);
    await findByText(/has lines that cannot be taken. Nothing is changed/);
    getByText('“Mass, g/m²” must be a number.');
    expect(queryByRole('button', { name: 'Take it in' })).to.equal(null);
  });
});

describe('a lot in use', () => {
  const materials = [{ id: 'm1', name: 'Tarn film', kind: 'film' as const }];

  it('is another once one is written and begun; nothing is begun without one', async () => {
    const asked = answering({
      'GET /lots': () => ({ body: [] }),
      'POST /materials/m1/lots': () => ({ body: [] }),
    });
    const { user, findByLabelText, getByRole, findByText, getByLabelText } = show(
      <LotsPanel materials={materials} />,
    );
    await findByLabelText('Lot of Tarn film');
    await user.click(getByRole('button', { name: 'Begin it' }));
    await findByText('“Lot” must not be empty.');
    await user.type(getByLabelText('Lot of Tarn film'), ' R-7 {Enter}');
    const sent = await waitFor(() => asked.find(({ method }) => method === 'POST') ?? expect.fail('not yet'));
    expect(sent.body).to.deep.equal({ lot: 'R-7', by: 'not named' });
    await waitFor(() => expect(getByLabelText('Lot of Tarn film')).to.have.property('value', ''));
  });
});
