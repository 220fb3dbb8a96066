import type { Upkeep, UpkeepRow } from '@saltflat/contract';
import { waitFor, within } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { answering, refused } from '../../testing/server.ts';
import { UpkeepPanel } from './UpkeepPanel.tsx';

const PRINTER = '7f000001-0000-4000-8000-0000000000d1';
const PRESS = '7f000001-0000-4000-8000-0000000000d2';
const DONE = '7f000001-0000-4000-8000-0000000000e1';
const NONE = { pieces: 0, spoiled: 0 };

const row = (own: Partial<UpkeepRow>): UpkeepRow => ({
  machineId: PRINTER,
  machine: 'Direct printer',
  task: 'caps',
  title: 'Wipe caps',
  why: 'Dried ink keeps them from closing.',
  every: { count: 1, unit: 'days' },
  standing: 'kept',
  share: 0.2,
  used: 0,
  last: { id: DONE, at: '2031-02-01T08:00:00.000Z', by: 'Ines', isSkipped: false },
  counts: { kept: NONE, notKept: NONE },
  ...own,
});
const ROWS: UpkeepRow[] = [
  row({
    task: 'rail',
    title: 'Oil the rail',
    standing: 'soon',
    every: { count: 200, unit: 'hours' },
    used: 170,
  }),
  row({
    standing: 'due',
    counts: { kept: { pieces: 80, spoiled: 3 }, notKept: { pieces: 12, spoiled: 2 } },
    last: { id: DONE, at: '2031-02-01T08:00:00.000Z', by: 'Ines', isSkipped: true },
  }),
  row({ machineId: PRESS, machine: 'Press A', task: 'plate', title: 'Clean the plate', standing: 'never', share: null, last: null }), // prettier-ignore
];
const upkeep = (tasks: UpkeepRow[]): Upkeep => ({
  tasks,
  printed: { right: { pieces: 40, spoiled: 1 }, missed: { pieces: 9, spoiled: 3 }, notNoted: NONE },
});
const care = { 'GET /care': () => ({ body: { starts: [], platens: [] } }) };

describe('upkeep in the shop', () => {
  it('has what is due on top, says how often, who left it out, and what came of pieces meanwhile', async () => {
    answering({ 'GET /upkeep': () => ({ body: upkeep(ROWS) }), ...care });
    const { findByRole, getByText, getByRole } = show(<UpkeepPanel />);
    const [, ...rows] = within(await findByRole('table', { name: 'Upkeep' })).getAllByRole('row');
    expect(rows.map((own) => /Wipe|Clean|Oil/.exec(own.textContent)?.[0])).to.deep.equal([
      'Wipe',
      'Clean',
      'Oil',
    ]);
    expect(rows[0]?.textContent).to.match(/◆due.*each day.*left out, Ines.*3 of 80.*2 of 12/);
    expect(rows[1]?.textContent).to.match(/◌never noted.*––/); // no piece was made: nothing is claimed
    expect(rows[2]?.textContent).to.match(/◐soon.*every 200 hours of work.*170 since/);
    getByText(/^2 to do\./);
    const counts = within(getByRole('table', { name: 'Looked at before printing' })).getAllByRole('row');
    expect(counts[2]?.textContent).to.equal('something was left out or not right93');
  });

  it('is done with one press, signed, and taken back by the next', async () => {
    const asked = answering({
      'GET /upkeep': () => ({ body: upkeep(ROWS) }),
      [`POST /machines/${PRESS}/upkeep`]: () => ({ status: 201, body: { id: DONE } }),
      [`POST /upkeep/${DONE}/withdrawal`]: () => ({ body: { id: DONE } }),
      ...care,
    });
    const { user, findByRole } = show(<UpkeepPanel />);
    await user.click(await findByRole('button', { name: 'Leave out: Clean the plate, Press A' }));
    await user.click(await findByRole('button', { name: 'Undo' }));
    const posts = await waitFor(() => {
      const sent = asked.filter(({ method }) => method === 'POST');
      expect(sent).to.have.length(2);
      return sent.map(({ body }) => body);
    });
    expect(posts[0]).to.deep.include({ task: 'plate', isSkipped: true });
    expect(posts[1]).to.deep.equal({ isWithdrawn: true });
  });

  it('says why it was not taken, and why it cannot be shown', async () => {
    answering({
      'GET /upkeep': () => ({ body: upkeep(ROWS) }),
      [`POST /machines/${PRESS}/upkeep`]: () => refused('Who did it? Say so at the top right.'),
      ...care,
    });
    const { user, findByRole, findByText } = show(<UpkeepPanel />);
    await user.click(await findByRole('button', { name: 'Done: Clean the plate, Press A' }));
    await findByText('Who did it? Say so at the top right.');
  });

  it('tells a shop without machines where they are set up', async () => {
    answering({ 'GET /upkeep': () => ({ body: upkeep([]) }), ...care });
    const { findByRole } = show(<UpkeepPanel />);
    const link = (await findByRole('link', { name: 'Add a machine' })) as HTMLAnchorElement;
    expect(link.getAttribute('href')).to.equal('/shop/machines');
  });
});
