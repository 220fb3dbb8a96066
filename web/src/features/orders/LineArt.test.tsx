import type { LinePrint, OrderLine } from '@saltflat/contract';
import type { Finding } from '@saltflat/core/artwork';
import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { aLine } from '../../testing/samples.ts';
import LineArt from './LineArt.tsx';

const BOX: Finding = {
  code: 'opaque-box',
  severity: 'stop',
  confidence: 'sure',
  params: { hex: '#040404', tone: 'black', boxShare: 0.8, likeGarment: false },
  places: [],
  placeCount: 0,
  fixes: [
    { kind: 'step', step: { kind: 'knock-out', hex: '#040404', tol: 8, soft: 14, mode: 'flood' } },
    { kind: 'print-width', widthMm: 120 },
  ],
};
const FEW: Finding = {
  ...BOX,
  code: 'resolution-low',
  severity: 'warn',
  params: { perInch: 180 },
  fixes: [{ kind: 'print-width', widthMm: 169 }],
};
const withArt = (part: Partial<OrderLine> = {}, findings = [BOX, FEW]): OrderLine => {
  const line = aLine({ state: 'art-to-mend', ...part });
  return { ...line, prints: line.prints.map((print) => ({ ...print, findings })) };
};

describe('the art of a line', () => {
  /** What was asked for, in order. */
  function shown(line: OrderLine, by = 'Ines') {
    const asked: unknown[] = [];
    const actions = {
      onPrepare: (print: LinePrint, how: unknown) => void asked.push([print.id, how]),
      onOverrule: (signed: unknown, then: () => void) => {
        asked.push(signed);
        then();
      },
      onTakeBack: () => void asked.push('taken back'),
    };
    const attempt = { refusal: () => ({ words: '', isRetrying: false }), isBusy: () => false };
    return { asked, ...show(<LineArt {...{ line, by, actions, attempt }} />) };
  }

  it('is mended by one press: a step more, or another width', async () => {
    const { asked, user, getByRole, getByText } = shown(withArt());
    getByText('stops the print');
    await user.click(getByRole('button', { name: 'Take #040404 out from the border in' }));
    await user.click(getByRole('button', { name: /^Print it 169/ }));
    const [fix] = BOX.fixes;
    expect(asked).to.deep.equal([
      ['1', { steps: [fix!.kind === 'step' ? fix!.step : null], widthMm: 280 }],
      ['1', { steps: [], widthMm: 169 }],
    ]);
  });

  it('is printed as it is only by name and with a word why', async () => {
    const { asked, user, getByRole, findByText, getByLabelText } = shown(withArt(), 'not named');
    await user.click(getByRole('button', { name: /^Print it as it is/ }));
    await user.click(getByRole('button', { name: 'Print it as it is' }));
    await findByText('Who are you? The name goes with the print.');
    await user.type(getByLabelText('Who'), 'Tomasz');
    await user.type(getByLabelText('Why'), ' the box is wanted {Enter}');
    await waitFor(() => expect(asked).to.deep.equal([{ by: 'Tomasz', why: 'the box is wanted' }]));
  });

  it('says who had it printed, to be taken back until it is on the floor', async () => {
    const artOverrule: OrderLine['artOverrule'] = {
      by: 'Ines',
      why: 'the customer wants the box',
      at: '2031-02-01T08:00:00.000Z',
      of: [
        {
          print: '1',
          finding: BOX,
          asPrinted: { artworkId: aLine().id, steps: [], widthMm: 280, garment: '#1b2a4a' },
        },
      ],
    };
    const ready = shown(withArt({ state: 'ready', artOverrule }));
    ready.getByText(/an opaque black box round the art.* by word of Ines: “the customer wants the box”/);
    await ready.user.click(ready.getByRole('button', { name: 'Take that back' }));
    expect(ready.asked).to.deep.equal(['taken back']);
    ready.unmount();
    const running = shown(withArt({ state: 'running', artOverrule }));
    running.getByText(/by word of Ines/);
    expect(running.queryByRole('button')).to.equal(null);
  });
});
