import { expect } from 'chai';
import { useState } from 'react';
import { useAttempt } from '../../api/useAttempt.ts';
import type { Sent } from '../../api/useAttempt.ts';
import { show } from '../../testing/render.tsx';
import { aLine, anOrder } from '../../testing/samples.ts';
import { OrderDetail } from './OrderDetail.tsx';

const nothing = (): void => undefined;
const REFUSED = {
  error: {
    status: 409,
    data: { code: 'line-not-open', detail: 'K-501 is on the floor already: open it there.' },
  },
};

/** The order with a server that gives one answer after the other to a start. */
function Detail({
  order = anOrder(),
  answers = [],
}: {
  order?: ReturnType<typeof anOrder>;
  answers?: Sent<string>[];
}) {
  const attempt = useAttempt();
  const [started, setStarted] = useState('');
  return (
    <>
      <p>{started}</p>
      <OrderDetail
        order={order}
        by="Ines"
        nowMs={Date.parse('2031-02-02T08:00:00Z')}
        attempt={attempt}
        onEdit={nothing}
        onDuplicate={nothing}
        onCancel={nothing}
        onRestore={nothing}
        actionsOf={({ id }) => ({
          onStart: () => void attempt.make(id, () => Promise.resolve(answers.shift() ?? {}), setStarted),
          onPrepare: nothing,
          onOverrule: nothing,
          onTakeBack: nothing,
        })}
      />
    </>
  );
}

describe('an order that is looked at', () => {
  it('says at the line why it was not started, and tries again by one press', async () => {
    const { user, getByRole, findByText, queryByRole } = show(
      <Detail answers={[REFUSED, { data: 'started' }]} />,
    );
    await user.click(getByRole('button', { name: 'Start on the floor' }));
    const line = getByRole('article');
    const alert = await findByText('K-501 is on the floor already: open it there.');
    expect(line.contains(alert)).to.equal(true);
    await user.click(getByRole('button', { name: 'Try again' }));
    await findByText('started');
    expect(queryByRole('alert')).to.equal(null);
  });

  it('offers what can be done with it as it stands, and nothing else', () => {
    const cancelled = show(<Detail order={anOrder({ state: 'cancelled' })} />);
    expect(cancelled.queryByRole('button', { name: 'Start on the floor' })).to.equal(null);
    expect(cancelled.queryByRole('button', { name: 'Edit' })).to.equal(null);
    cancelled.getByRole('button', { name: 'Restore' });
    cancelled.unmount();
    const failed = show(
      <Detail
        order={anOrder({
          state: 'failed',
          lines: [aLine({ state: 'failed', routeNumber: null, planProblem: 'Nothing here presses caps.' })],
        })}
      />,
    );
    failed.getByText('No route: Nothing here presses caps.');
    expect(failed.queryByRole('button', { name: 'Start on the floor' })).to.equal(null);
  });
});
