import { waitFor } from '@testing-library/react';
import { useState } from 'react';
import { show } from '../../testing/render.tsx';
import { Button } from '../index.ts';
import { useNow } from './useNow.ts';

describe('the time on a page', () => {
  let time = 0;
  const clock = (): number => time;
  function Timer({ everyMs }: { everyMs: number }) {
    const now = useNow(clock, everyMs);
    const [doneAt, setDoneAt] = useState(0);
    return (
      <>
        <Button onClick={() => setDoneAt(clock())}>Done</Button>
        <p>{now < doneAt ? 'not yet' : `${now - doneAt} since`}</p>
      </>
    );
  }

  it('is never behind what was just done, however seldom it is read again', async () => {
    time = 1000;
    const { user, getByRole, getByText } = show(<Timer everyMs={60_000} />);
    time = 1200;
    await user.click(getByRole('button', { name: 'Done' }));
    getByText('0 since');
  });

  it('goes on while nothing happens', async () => {
    time = 5;
    const { getByText } = show(<Timer everyMs={5} />);
    getByText('5 since');
    time = 77;
    await waitFor(() => getByText('77 since'));
  });
});
