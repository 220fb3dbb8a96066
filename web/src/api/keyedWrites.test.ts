import { expect } from 'chai';
import { sendKeyed } from './keyedWrites.ts';

interface Sent {
  error?: string;
  data?: string;
}
const isAway = ({ error }: Sent): boolean => error === 'away';

/** Answers one after the other, and the keys they were asked under. */
function server(answers: Sent[]): { keys: string[]; send: (key: string) => Promise<Sent> } {
  const keys: string[] = [];
  return {
    keys,
    send: (key) => {
      keys.push(key);
      return Promise.resolve(answers.shift() ?? { error: 'away' });
    },
  };
}

describe('a write', () => {
  it('is sent again under its key while nobody knows whether it was done', async () => {
    const { keys, send } = server([{ error: 'away' }, { error: 'away' }, { data: 'done' }]);
    expect(await sendKeyed('an order', send, isAway, [0, 0, 0])).to.deep.equal({ data: 'done' });
    expect(keys).to.have.length(3);
    expect(new Set(keys).size).to.equal(1);
  });

  it('keeps its key for whoever presses once more, until there is an answer: after that the same is another one', async () => {
    const { keys, send } = server([{ error: 'away' }, { data: 'done' }, { data: 'done again' }]);
    await sendKeyed('another order', send, isAway, []);
    await sendKeyed('another order', send, isAway, []);
    await sendKeyed('another order', send, isAway, []);
    expect(keys[1]).to.equal(keys[0]);
    expect(keys[2]).to.not.equal(keys[0]);
  });

  it('that is refused is answered, and is not sent again', async () => {
    const { keys, send } = server([{ error: 'refused' }]);
    expect(await sendKeyed('a bad order', send, isAway, [0])).to.deep.equal({ error: 'refused' });
    expect(keys).to.have.length(1);
  });
});
