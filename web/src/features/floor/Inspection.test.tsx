import type { Route } from '@saltflat/core/route';
import { fireEvent, within } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { Inspection } from './Inspection.tsx';
import type { Judgement } from './Inspection.tsx';

/** A transfer that somebody else made: what can be seen on it depends on little. */
const bought = {
  prints: [{ process: 'bought-in' }],
  operations: [],
  lanes: [{ id: 'transfer', part: 'transfer' }],
} as unknown as Route;

describe('a piece that is judged', () => {
  const judged = (): { seen: Judgement[] } & ReturnType<typeof show> => {
    const seen: Judgement[] = [];
    return {
      seen,
      ...show(<Inspection route={bought} checks={['no lifted edge']} onJudge={(own) => seen.push(own)} />),
    };
  };

  it('is good by one key', () => {
    const { seen } = judged();
    fireEvent.keyDown(document.body, { key: '1', code: 'Digit1' });
    expect(seen).to.deep.equal([{ verdict: 'good', faults: [] }]);
  });

  it('is scrapped with at least one fault that was seen, and a note', async () => {
    const { seen, user, getByRole, getByLabelText } = judged();
    await user.click(getByRole('button', { name: /Scrap/ }));
    const log = getByRole('button', { name: 'Log as scrap' }) as HTMLButtonElement;
    expect(log.disabled).to.equal(true);
    const [first] = within(getByRole('group', { name: 'What was seen' })).getAllByRole('button');
    await user.click(first!);
    await user.type(getByLabelText('Note (optional)'), 'left sleeve');
    await user.click(log);
    expect(seen).to.have.length(1);
    expect(seen[0]).to.deep.include({ verdict: 'scrap', note: 'left sleeve' });
    expect(seen[0]?.faults).to.have.length(1);
  });

  it('is not judged by a figure that is typed into the note', async () => {
    const { seen, user, getByRole, getByLabelText } = judged();
    await user.click(getByRole('button', { name: /Reprint/ }));
    await user.type(getByLabelText('Note (optional)'), '1 of 3');
    expect(seen).to.deep.equal([]);
  });
});
