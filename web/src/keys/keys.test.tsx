import { fireEvent } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../testing/render.tsx';
import { useKeys } from './index.ts';
import { KeySheet } from './KeySheet.tsx';
import { Button, TextField } from '../ui/index.ts';

const pressed: string[] = [];

function Page() {
  useKeys('Everywhere', [
    { key: 'g o', does: 'go to Orders', act: () => pressed.push('orders') },
    { key: 'n', does: 'new order', act: () => pressed.push('new') },
    { key: '?', does: 'this list', act: () => pressed.push('help') },
  ]);
  useKeys('Artwork', [
    { key: 'o', does: 'outline', act: () => pressed.push('outline') },
    { key: 'mod+z', shown: 'Ctrl z', does: 'undo', act: () => pressed.push('undo') },
    { key: ' ', shown: 'Space', does: 'start', act: () => pressed.push('space') },
  ]);
  return (
    <>
      <TextField label="Note" value="" onChange={() => undefined} />
      <Button onClick={() => pressed.push('button')}>Press</Button>
    </>
  );
}

/** A key as a keyboard sends it, at a moment, to what has the focus. */
function press(key: string, at: number, target: Element = document.body, part: KeyboardEventInit = {}): void {
  const event = new KeyboardEvent('keydown', {
    key,
    code: codeOf(key),
    bubbles: true,
    cancelable: true,
    ...part,
  });
  Object.defineProperty(event, 'timeStamp', { value: at });
  fireEvent(target, event);
  fireEvent(target, new KeyboardEvent('keyup', { key, code: codeOf(key), bubbles: true }));
}
const codeOf = (key: string): string =>
  key === ' ' ? 'Space' : key === '?' ? 'Slash' : `Key${key.toUpperCase()}`;

describe('keys', () => {
  let at = 1_000_000;
  const next = (): number => (at += 300);
  beforeEach(() => {
    pressed.length = 0;
    at += 60_000;
  });

  it('go somewhere by g and a letter, which then belongs to nobody else', () => {
    show(<Page />);
    press('g', next());
    press('o', next());
    expect(pressed).to.deep.equal(['orders']);
    press('o', next());
    expect(pressed).to.deep.equal(['orders', 'outline']);
  });

  it('wait for the letter only so long', () => {
    show(<Page />);
    press('g', next());
    press('o', next() + 5000);
    expect(pressed).to.deep.equal(['outline']);
  });

  it('are not stolen from a field, and Space not from a button', () => {
    const { getByLabelText, getByRole } = show(<Page />);
    press('n', next(), getByLabelText('Note'));
    press(' ', next(), getByRole('button', { name: 'Press' }));
    expect(pressed).to.deep.equal([]);
    press('n', next());
    press(' ', next());
    expect(pressed).to.deep.equal(['new', 'space']);
  });

  it('with Ctrl are others than without, and none is held down into many', () => {
    show(<Page />);
    press('z', next(), document.body, { ctrlKey: true });
    press('n', next(), document.body, { ctrlKey: true });
    press('n', next(), document.body, { repeat: true });
    press('?', next(), document.body, { shiftKey: true });
    expect(pressed).to.deep.equal(['undo', 'help']);
  });

  it('are told by the sheet for as long as they work, and do nothing behind it', () => {
    const { getByRole, queryByText } = show(
      <>
        <Page />
        <KeySheet onClose={() => undefined} />
      </>,
    );
    expect(getByRole('region', { name: 'Artwork' }).textContent).to.contain('outline');
    press('n', next());
    expect(pressed).to.deep.equal([]);
    expect(queryByText('Ctrl z')).to.not.equal(null);
  });
});
