import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { SeveralFiles } from './SeveralFiles.tsx';

describe('several files dropped at once', () => {
  const dialog = (part: Partial<Parameters<typeof SeveralFiles>[0]> = {}) => {
    const done: string[] = [];
    const shown = show(
      <SeveralFiles
        names={['front.png', 'back.png']}
        line={2}
        room={3}
        sent={null}
        refusal={{ words: '', isRetrying: false }}
        onLines={() => done.push('lines')}
        onPrints={() => done.push('prints')}
        onClose={() => done.push('left')}
        {...part}
      />,
    );
    return { ...shown, done };
  };

  it('are asked about once: a line each, or prints of one garment', async () => {
    const { user, getByRole, getByText, done } = dialog();
    getByText('2 files: what are they to be?');
    await user.click(getByRole('button', { name: 'A line each' }));
    await user.click(getByRole('button', { name: 'Prints on one garment' }));
    expect(done).to.deep.equal(['lines', 'prints']);
  });

  it('are no prints of one garment that has no room for them, which is said', () => {
    const { getByRole, getByText } = dialog({ room: 1 });
    const prints = getByRole('button', { name: 'Prints on one garment' }) as HTMLButtonElement;
    expect(prints.disabled).to.equal(true);
    getByText('line 2 has room for one print only');
  });

  it('say how far they are, and what was refused with a way to try again', () => {
    const { getByText, queryByRole } = dialog({
      sent: 1,
      refusal: { words: 'back.png is no picture.', isRetrying: false, onRetry: () => undefined },
    });
    getByText('Reading back.png: 50 %');
    getByText('back.png is no picture.');
    expect(queryByRole('button', { name: 'A line each' }), 'not asked twice').to.equal(null);
  });
});
